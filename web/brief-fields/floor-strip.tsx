import { memo } from 'react';
import type { Floor } from '../../core/car/car-design.ts';
import { FLOORS } from '../../core/car/catalogue.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { useSize } from '../ui/use-size.ts';
import { useUnits } from '../ui/use-units.ts';
import styles from './brief-fields.module.css';
import type { ChangeFloor } from './floor-fields.tsx';
import { StripFromAbove } from './strip-from-above.tsx';
import { StripFromSide } from './strip-from-side.tsx';
import { StripHandles } from './strip-handles.tsx';
import { type FloorMark, stripScale } from './strip-scale.ts';

interface FloorStripProps {
  readonly name: string;
  readonly floor: Floor;
  readonly marks: readonly FloorMark[];
  /** Where it may be edited: what is grabbed on it changes the floor. */
  readonly change?: ChangeFloor;
}

/** A floor as a strip, to scale from the side and from above; where it may be edited its stretches, twigs and wall are moved by pointer or arrows. */
export const FloorStrip = memo(function FloorStrip({ name, floor, marks, change }: FloorStripProps) {
  const units = useUnits();
  const { ref, width } = useSize<HTMLDivElement>();
  const scale = stripScale(floor, marks, width);
  const format = (metres: number): string => formatQuantity(metres, 'distance', units);
  const surfaces = scale.pieces.map(({ from, kind }) => `${FLOORS[kind].label} from ${format(from)}`).join(', ');
  const wall = floor.roomLength === null ? 'no wall' : `wall at ${format(floor.roomLength)}`;
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${scale.width} ${scale.height}`}
        width={scale.width}
        height={scale.height}
        className={styles.strip}
        role="group"
        aria-label={`${name}: ${surfaces}, ${wall}`}
      >
        <StripFromSide floor={floor} scale={scale} />
        <StripFromAbove floor={floor} marks={marks} scale={scale} />
        {change && <StripHandles name={name} floor={floor} scale={scale} change={change} />}
      </svg>
    </div>
  );
});

import type { PartPlace } from '../../../core/build/part-names.ts';
import { sideOf } from '../../../core/build/views.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { CarPortrait } from '../../drawing/car-portrait.tsx';
import styles from './build.module.css';

/** Drawing units of the ring about a part. */
const RING = 13;

/** The car in miniature, with a ring about one of its parts. */
export const PartPortrait = ({ design, part }: { readonly design: CarDesign; readonly part: PartPlace }) => (
  <div className={styles.where}>
    <CarPortrait design={design}>
      {({ x, y, length }) => {
        const at = sideOf(design, { scale: length(1), heading: 1, origin: { x: x(0), y: y(0) } }).parts[part];
        return (
          at && (
            <circle
              cx={at.x}
              cy={at.y}
              r={RING}
              fill="var(--mui-palette-workbench-pull)"
              fillOpacity={0.25}
              stroke="var(--mui-palette-workbench-pull)"
              strokeWidth={4}
            />
          )
        );
      }}
    </CarPortrait>
  </div>
);

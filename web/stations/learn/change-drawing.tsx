import { useMemo } from 'react';
import { describeChanges } from '../../../core/car/difference.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { sideView } from '../../../core/geometry/side-view.ts';
import { CarSketch } from '../../drawing/car-sketch.tsx';
import { sideScale } from '../../drawing/scale.ts';
import { INK } from '../../drawing/stroke.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';

const WIDTH = 420;
const HEIGHT = 220;
const MARGIN = { side: 16, top: 12, floor: 24 };

interface ChangeDrawingProps {
  readonly design: CarDesign;
  /** The car with the change; null where nothing of it is changed. */
  readonly changed: CarDesign | null;
}

/** The car from the side, and over it in orange how it would be with the change. */
export function ChangeDrawing({ design, changed }: ChangeDrawingProps) {
  const units = useUnits();
  const [view, after] = useMemo(() => [sideView(design), changed && sideView(changed)] as const, [design, changed]);
  const bounds = after
    ? {
        left: Math.min(view.bounds.left, after.bounds.left),
        right: Math.max(view.bounds.right, after.bounds.right),
        top: Math.max(view.bounds.top, after.bounds.top),
      }
    : view.bounds;
  const scale = sideScale({ ...view, bounds }, WIDTH, HEIGHT, MARGIN);
  const words = changed && describeChanges(design, changed, units);
  return (
    <figure className={styles.figure}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className={styles.sketch} aria-hidden>
        <path d={`M0 ${scale.y(0)}H${WIDTH}`} stroke={INK} strokeWidth={2} />
        <CarSketch view={view} scale={scale} line={1.4} />
        {after && (
          <g className={styles.changed}>
            <CarSketch view={after} scale={scale} line={1.4} />
          </g>
        )}
      </svg>
      {words && <figcaption className={`${plain.text} ${styles.change}`}>{words}</figcaption>}
    </figure>
  );
}

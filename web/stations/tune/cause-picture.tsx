import { useMemo } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { sideView } from '../../../core/geometry/side-view.ts';
import { describeCause } from '../../../core/trials/cause-descriptions.ts';
import { CarSketch } from '../../drawing/car-sketch.tsx';
import { placeOnCar } from '../../drawing/car-places.ts';
import { sideScale } from '../../drawing/scale.ts';
import { INK } from '../../drawing/stroke.tsx';
import { useSize } from '../../ui/use-size.ts';
import { percent } from './describe-tuning.ts';
import { LABEL_WIDTH, placeLabels, type PinnedCause } from './pinned-causes.ts';
import styles from './cause-picture.module.css';

/** px of the car with nothing about it; and its height for each px of width, where that is less. */
const CAR_HEIGHT = 190;
const CAR_RATIO = 0.45;
/** px of a row of labels, and of a picture below which only numbers stand on the car. */
const ROW_HEIGHT = 64;
const ROOM_FOR_LABELS = 520;
/** px between two pins at one place. */
const BESIDE = 34;

interface CausePictureProps {
  readonly design: CarDesign;
  readonly pinned: readonly PinnedCause[];
}

/** The car with what may be wrong with it pinned where it would be found, the likeliest largest. */
export function CausePicture({ design, pinned }: CausePictureProps) {
  const { ref, width } = useSize<HTMLDivElement>();
  const view = useMemo(() => sideView(design), [design]);
  const hasLabels = width >= ROOM_FOR_LABELS;
  const isOnFloor = ({ place }: PinnedCause): boolean => place === 'tyre' || place === 'floor';
  const top = hasLabels && !pinned.every(isOnFloor) ? ROW_HEIGHT : 12;
  const floor = hasLabels && pinned.some(isOnFloor) ? ROW_HEIGHT : 16;
  const height = (width > 0 ? Math.min(CAR_HEIGHT, CAR_RATIO * width) : CAR_HEIGHT) + top + floor;
  const scale = sideScale(view, Math.max(width, 200), height, { side: 40, top: top + 8, floor });
  const pins = pinned.map((cause, n) => {
    const point = placeOnCar(cause.place, view);
    const before = pinned.slice(0, n).filter(({ place }) => place === cause.place).length;
    return { ...cause, x: scale.x(point.x) + BESIDE * before, y: scale.y(point.y), isBelow: isOnFloor(cause) };
  });
  const labels = placeLabels(pins, width);
  return (
    <div className={styles.picture}>
      <div ref={ref} style={{ height }}>
        <svg width="100%" height={height} aria-hidden>
          <path d={`M0 ${scale.y(0)}H${width}`} stroke={INK} strokeWidth={2} />
          <CarSketch view={view} scale={scale} line={1.6} />
          {pins.map(({ id, x, y, isBelow, isLeading }, n) => (
            <g key={id} className={isLeading ? styles.likeliest : styles.pin}>
              {hasLabels && (
                <path d={`M${x} ${y}L${labels[n]! + LABEL_WIDTH / 2} ${isBelow ? height - ROW_HEIGHT + 22 : ROW_HEIGHT - 14}`} />
              )}
              <circle cx={x} cy={y} r={isLeading ? 15 : 11} />
              <text x={x} y={y + 5} textAnchor="middle">
                {n + 1}
              </text>
            </g>
          ))}
        </svg>
      </div>
      <ol className={hasLabels ? styles.labels : styles.list}>
        {pins.map(({ id, chance, isBelow, isLeading }, n) => (
          <li
            key={id}
            className={isLeading ? styles.first : undefined}
            style={
              hasLabels
                ? {
                    left: labels[n],
                    width: LABEL_WIDTH,
                    ...(isBelow ? { top: height - ROW_HEIGHT + 24 } : { bottom: height - ROW_HEIGHT + 16 }),
                  }
                : undefined
            }
          >
            {n + 1} {describeCause(id, design.motor.kind).name}, {percent(chance)}
          </li>
        ))}
      </ol>
    </div>
  );
}

import { useMemo } from 'react';
import { racerAt } from '../../../core/explore/race.ts';
import { curvatureOf, floorPath } from '../../../core/predict/straightness.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { DASHES, type RacePictureProps } from './race-picture.ts';

const ENDS = 60;
/** px of the picture at the least and most. */
const HEIGHT = { least: 60, most: 320 };
const POINTS = 60;
/** m: less drift is none. */
const STRAIGHT = 0.02;

/** The paths over the floor, all from one line, as far as each has come; in words where all run straight. */
export function RaceFromAbove({ racers, end, time, width }: RacePictureProps) {
  const units = useUnits();
  const ends = useMemo(() => racers.map((racer) => racerAt(racer, end)), [racers, end]);
  const widest = Math.max(...ends.map(({ drift }) => Math.abs(drift)));
  // Nobody saw where what was timed drifted to.
  if (racers.every(({ timed }) => timed)) return null;
  if (widest < STRAIGHT) return <p className={`${plain.caption} ${plain.muted}`}>By their alignment all run straight.</p>;
  const longest = Math.max(...ends.map(({ distance }) => distance), 0.1);
  const perMetre = Math.min((width - 2 * ENDS) / longest, HEIGHT.most / (2 * widest));
  const height = Math.max(2 * widest * perMetre + 40, HEIGHT.least);
  const place = ({ x, y }: { readonly x: number; readonly y: number }): string =>
    `${(ENDS + perMetre * x).toFixed(1)},${(height / 2 + perMetre * y).toFixed(1)}`;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label="The race from above">
      <line x1={ENDS} x2={width} y1={height / 2} y2={height / 2} stroke="var(--mui-palette-divider)" />
      {racers.map((racer, i) => {
        const { distance, drift } = racerAt(racer, time);
        const path = floorPath(curvatureOf(racer.design), distance, POINTS);
        const last = path.at(-1)!;
        return (
          <g key={racer.id}>
            <polyline
              points={path.map(place).join(' ')}
              fill="none"
              stroke="var(--mui-palette-workbench-ink)"
              strokeWidth={1.8}
              strokeDasharray={DASHES[i]}
            />
            <circle cx={ENDS + perMetre * last.x} cy={height / 2 + perMetre * last.y} r={4} fill="var(--mui-palette-workbench-pull)" />
            {Math.abs(drift) >= STRAIGHT && (
              <text
                x={ENDS + perMetre * last.x + 8}
                y={height / 2 + perMetre * last.y + (drift > 0 ? 16 : -8)}
                fontSize={13}
                fill="var(--mui-palette-text-primary)"
              >
                {`${racer.design.name}: ${formatQuantity(Math.abs(drift), 'distance', units)} to the ${drift > 0 ? 'right' : 'left'}`}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

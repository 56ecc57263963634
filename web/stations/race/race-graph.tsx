import { useMemo } from 'react';
import { raceLength, raceLine, racerAt } from '../../../core/explore/race.ts';
import { formatKnown, formatPredicted, unitOf } from '../../../core/units/quantity.ts';
import { DASHES, type RacePictureProps } from './race-picture.ts';
import { useUnits } from '../../ui/use-units.ts';

const HEIGHT = 300;
const FRAME = { left: 64, right: 110, top: 12, bottom: 34 };
const NAME = 14;

/** Distance over time of every car, with where all are now. */
export function RaceGraph({ racers, end, time, width }: RacePictureProps) {
  const units = useUnits();
  const length = Math.max(raceLength(racers), 0.1);
  const x = (s: number): number => FRAME.left + ((width - FRAME.left - FRAME.right) * s) / Math.max(end, 0.1);
  const y = (m: number): number => HEIGHT - FRAME.bottom - ((HEIGHT - FRAME.top - FRAME.bottom) * m) / length;
  // What does not change with the time is worked out once: it is drawn in every frame.
  const lines = useMemo(() => racers.map((racer) => raceLine(racer, end)), [racers, end]);
  const ends = useMemo(() => racers.map((racer) => racerAt(racer, end).distance), [racers, end]);
  // Names stand beside the end of their lines, none over another.
  const names = racers.map((racer, i) => ({ i, name: racer.design.name, at: y(ends[i]!) + 5 })).sort((a, b) => a.at - b.at);
  names.forEach((one, k) => (one.at = Math.max(one.at, (names[k - 1]?.at ?? -Infinity) + NAME)));
  return (
    <svg viewBox={`0 0 ${width} ${HEIGHT}`} width={width} height={HEIGHT} role="img" aria-label="Distance over time" id="race-graph">
      {[0, 0.25, 0.5, 0.75, 1].map((part) => (
        <g key={part} fontSize={13} fill="var(--mui-palette-text-secondary)">
          <line x1={FRAME.left} x2={width - FRAME.right} y1={y(part * length)} y2={y(part * length)} stroke="var(--mui-palette-divider)" />
          <text x={FRAME.left - 8} y={y(part * length) + 4} textAnchor="end">
            {`${formatKnown(part * length, length > 8 ? 3 : 1, 'distance', units)} ${unitOf('distance', units)}`}
          </text>
          <text x={x(part * end)} y={HEIGHT - 10} textAnchor="middle">
            {formatPredicted(part * end, 'time', units)}
          </text>
        </g>
      ))}
      <line
        x1={x(time)}
        x2={x(time)}
        y1={FRAME.top}
        y2={HEIGHT - FRAME.bottom}
        stroke="var(--mui-palette-workbench-pull)"
        strokeWidth={2}
      />
      {racers.map((racer, i) => (
        <g key={racer.id}>
          <polyline
            points={lines[i]!.map((at) => `${x(at.time).toFixed(1)},${y(at.distance).toFixed(1)}`).join(' ')}
            fill="none"
            stroke="var(--mui-palette-workbench-ink)"
            strokeWidth={1.8}
            strokeDasharray={DASHES[i]}
          />
          <circle cx={x(time)} cy={y(racerAt(racer, time).distance)} r={4} fill="var(--mui-palette-workbench-pull)" />
        </g>
      ))}
      {names.map(({ i, name, at }) => (
        <text key={i} x={width - FRAME.right + 8} y={at} fontSize={NAME} fill="var(--mui-palette-text-primary)">
          {name}
        </text>
      ))}
    </svg>
  );
}

import { useMemo } from 'react';
import { raceLength, racerAt, type RacerAt } from '../../../core/explore/race.ts';
import { sideView, type SideView } from '../../../core/geometry/side-view.ts';
import { formatKnown, formatPredicted, formatQuantity, unitOf, type UnitSystem } from '../../../core/units/quantity.ts';
import { CarSketch } from '../../drawing/car-sketch.tsx';
import type { Scale } from '../../drawing/scale.ts';
import { PHASE_WORDS } from '../../ui/phase-words.ts';
import { useUnits } from '../../ui/use-units.ts';
import type { RacePictureProps } from './race-picture.ts';

/** px of one lane, and kept free behind the line for a car and beyond the farthest. */
const LANE = 92;
const BEHIND = 84;
const AHEAD = 28;
/** The longest car is drawn at least so long: on a long floor larger than it is. */
const LEAST_CAR = 76;
const FEET = 14;

const STANDS: Readonly<Record<Exclude<RacerAt['phase'], keyof typeof PHASE_WORDS>, string>> = {
  stopped: 'stands',
  'at-wall': 'is at the wall',
  'cannot-run': 'cannot run here',
  timed: 'as it was timed',
};
const isMoving = (phase: RacerAt['phase']): phase is keyof typeof PHASE_WORDS => phase in PHASE_WORDS;
const phaseWords = (phase: RacerAt['phase']): string => (isMoving(phase) ? PHASE_WORDS[phase] : STANDS[phase]);

/** Metres at which the floor is marked, a mark for some 90 px. */
function marksTo(length: number, width: number): readonly number[] {
  const most = Math.max(width / 90, 2);
  const step = [0.5, 1, 2, 5, 10, 20, 50].find((one) => length / one <= most) ?? 100;
  return Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step);
}

const wordsOf = ({ distance, speed, phase }: RacerAt, units: UnitSystem): string =>
  `${formatQuantity(distance, 'distance', units)}, ${formatPredicted(speed, 'speed', units)}, ${phaseWords(phase)}`;

/** m from the drive axle to the nose, the way it runs: of body and wheels, for a lever sticks out. */
function noseOf({ deck, driveWheel, otherWheel, heading }: SideView): number {
  const ends = [driveWheel, ...(otherWheel ? [otherWheel] : [])].map(({ x, radius }) => heading * x + radius);
  return Math.max(...ends, ...deck.map(({ x }) => heading * x));
}

/** Every car in a lane of its own, from the side, where it is at a time; and how much larger than the floor the cars are drawn. */
export function RaceLanes({ racers, time, width }: Omit<RacePictureProps, 'end'>) {
  const units = useUnits();
  const length = Math.max(raceLength(racers), 0.5);
  const views = useMemo(() => racers.map(({ design }) => sideView(design)), [racers]);
  const longest = Math.max(...views.map(({ bounds }) => bounds.right - bounds.left), 1e-3);
  // Room for the longest car behind the line, however short the race.
  const perMetre = Math.min((width - BEHIND - AHEAD) / length, (width - AHEAD) / (length + longest));
  const start = width - AHEAD - length * perMetre;
  const tallest = Math.max(...views.map(({ bounds }) => bounds.top), 1e-3);
  const carScale = Math.max(perMetre, Math.min(LEAST_CAR / longest, (LANE - FEET - 22) / tallest));
  const height = racers.length * LANE + 24;
  return (
    <>
      <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label="The race from the side" id="race-lanes">
        {marksTo(length, width).map((at) => (
          <g key={at}>
            <line x1={start + at * perMetre} x2={start + at * perMetre} y1={0} y2={height - 22} stroke="var(--mui-palette-divider)" />
            <text x={start + at * perMetre} y={height - 6} textAnchor="middle" fontSize={13} fill="var(--mui-palette-text-secondary)">
              {`${formatKnown(at, length > 8 ? 5 : 1, 'distance', units)} ${unitOf('distance', units)}`}
            </text>
          </g>
        ))}
        {racers.map((racer, i) => {
          const at = racerAt(racer, time);
          const view = views[i]!;
          const floor = (i + 1) * LANE - FEET;
          // Its nose is where it has come to.
          const nose = start + at.distance * perMetre;
          const front = noseOf(view);
          const scale: Scale = {
            x: (metres) => nose + carScale * (view.heading * metres - front),
            y: (metres) => floor - carScale * metres,
            length: (metres) => carScale * metres,
          };
          return (
            <g key={racer.id}>
              <line x1={0} x2={width} y1={floor} y2={floor} stroke="var(--mui-palette-workbench-ink)" />
              <CarSketch view={view} scale={scale} line={1} pose={at.pose} />
              <text x={6} y={floor - LANE + FEET + 16} fontSize={15} fontWeight={700} fill="var(--mui-palette-text-primary)">
                {racer.design.name}
                <tspan fontWeight={400}>{`  ${wordsOf(at, units)}`}</tspan>
              </text>
            </g>
          );
        })}
      </svg>
      {carScale > 1.05 * perMetre && `Cars are drawn ${(carScale / perMetre).toFixed(1)} times as large as the floor.`}
    </>
  );
}

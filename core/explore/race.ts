import type { CarDesign, Wind } from '../car/car-design.ts';
import { upToWall } from '../car/floors.ts';
import { poseAt, type Pose } from '../geometry/pose.ts';
import { MOST_RACERS } from './most-racers.ts';
import { monotoneCubic } from '../numerics/monotone-cubic.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, driftAfter } from '../predict/straightness.ts';
import type { RunResult } from '../run/simulate.ts';
import { traceAt, type Phase } from '../run/trace.ts';

/** A run as it was timed: where the car was at what time, from the line on; and whether it then stood. */
export interface TimedRun {
  readonly points: readonly { readonly time: number; readonly distance: number }[];
  readonly isToStop: boolean;
}

/** A car that is to race: with its most likely run, or as it was timed. */
export interface Entrant {
  readonly id: string;
  /** Its name is what it is called in the race. */
  readonly design: CarDesign;
  /** Full by default. */
  readonly wind?: Wind;
  readonly timed?: TimedRun;
}

/** A car in a race, with its most likely run on the floor that all share, null where it cannot run there; or as it was timed. */
export interface Racer extends Entrant {
  readonly result: RunResult | null;
  /** m by s as it was timed. */
  readonly distanceAt?: (time: number) => number;
}

/** The run of a log or a meet as it was timed; null where no time was taken. `time`: s to the stop. */
export function timedRun(
  distance: number,
  time: number | undefined,
  splits: readonly { readonly at: number; readonly time: number }[] = [],
): TimedRun | null {
  const points = splits.map(({ at, time: s }) => ({ time: s, distance: at }));
  const isToStop = time !== undefined;
  if (isToStop && !points.some((point) => point.distance >= distance)) points.push({ time, distance });
  const inOrder = points.filter((point) => point.time > 0).sort((a, b) => a.time - b.time);
  const rising = inOrder.filter((point, i) => i === 0 || point.time > inOrder[i - 1]!.time);
  return rising.length === 0 ? null : { points: rising, isToStop };
}

/** Where a car is at a moment of the race. SI units. */
export interface RacerAt {
  readonly distance: number;
  readonly speed: number;
  /** m off the line, to the right. */
  readonly drift: number;
  readonly phase: Phase | 'stopped' | 'at-wall' | 'cannot-run' | 'timed';
  readonly pose: Pose | null;
}

function timedRacer(entrant: Entrant, { points, isToStop }: TimedRun): Racer {
  const curve = [[0, 0], ...points.map(({ time, distance }) => [time, distance] as const)] as const;
  const [last, before] = [curve.at(-1)!, curve.at(-2)!];
  return { ...entrant, result: null, distanceAt: monotoneCubic(curve, [0, isToStop ? 0 : (last[1] - before[1]) / (last[0] - before[0])]) };
}

/** The cars on one floor, or each on its own where none is given; what was timed stays as it was. */
export const racersOf = (cars: readonly Entrant[], floor: CarDesign['floor'] | null): readonly Racer[] =>
  cars.slice(0, MOST_RACERS).map((entrant) => {
    const { design, timed, wind = { kind: 'full' } } = entrant;
    if (timed) return timedRacer(entrant, timed);
    const car = floor ? { ...design, floor } : design;
    const prediction = predictRun(car, wind, { trace: true });
    const moved = prediction.kind === 'ran' && prediction.result.trace!.time.length > 1;
    return { ...entrant, design: car, result: moved ? prediction.result : null };
  });

const lastPoint = ({ timed }: Racer) => timed?.points.at(-1);

/** s until the last of them stands, or was last seen. */
export const raceEnd = (racers: readonly Racer[]): number =>
  Math.max(0, ...racers.map((racer) => lastPoint(racer)?.time ?? racer.result?.time ?? 0));

/** m: how far the farthest of them comes. */
export const raceLength = (racers: readonly Racer[]): number =>
  Math.max(0, ...racers.map((racer) => lastPoint(racer)?.distance ?? upToWall(racer.design.floor, racer.result?.distance ?? 0)));

/** s over which a speed is taken of what was timed. */
const MOMENT = 0.05;

/** Where a car is at a time, s, from the start of all. It stops where its run ends, or at the wall. */
export function racerAt({ design, result, distanceAt, timed }: Racer, time: number): RacerAt {
  if (distanceAt) {
    const { time: end } = timed!.points.at(-1)!;
    const isOver = time >= end;
    const [before, after] = [distanceAt(Math.max(time - MOMENT, 0)), distanceAt(Math.min(time + MOMENT, end))];
    return {
      distance: distanceAt(time),
      speed: isOver ? 0 : (after - before) / (Math.min(time + MOMENT, end) - Math.max(time - MOMENT, 0)),
      drift: 0,
      phase: isOver && timed!.isToStop ? 'stopped' : 'timed',
      pose: null,
    };
  }
  if (!result) return { distance: 0, speed: 0, drift: 0, phase: 'cannot-run', pose: null };
  const pose = poseAt(design, result, Math.min(time, result.time));
  const distance = upToWall(design.floor, pose.distance);
  const isAtWall = design.floor.roomLength !== null && distance === design.floor.roomLength;
  const isOver = isAtWall || time >= result.time;
  return {
    distance,
    speed: isOver ? 0 : pose.speed,
    drift: driftAfter(curvatureOf(design), distance),
    phase: isAtWall ? 'at-wall' : isOver ? 'stopped' : pose.phase,
    pose,
  };
}

/** The race as a graph: m by s of one car, so many places evenly in time, up to the wall. */
export function raceLine(
  { design, result, distanceAt, timed }: Racer,
  end: number,
  points = 160,
): readonly { readonly time: number; readonly distance: number }[] {
  const last = distanceAt ? timed!.points.at(-1)!.time : Infinity;
  if (!result && !distanceAt) return [];
  return Array.from({ length: points + 1 }, (_, i) => (end * i) / points)
    .filter((time) => time <= last || timed?.isToStop)
    .map((time) => ({
      time,
      distance: distanceAt
        ? distanceAt(time)
        : upToWall(design.floor, traceAt(result!.trace!, Math.min(time, result!.time)).read('distance')),
    }));
}

import type { CarDesign } from '../car/car-design.ts';
import { upToWall } from '../car/floors.ts';
import { poseAt, type Pose } from '../geometry/pose.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, driftAfter } from '../predict/straightness.ts';
import type { RunResult } from '../run/simulate.ts';
import { traceAt, type Phase } from '../run/trace.ts';

/** A car in a race, with its most likely run on the floor that all share; null where it cannot run there. */
export interface Racer {
  readonly id: string;
  readonly design: CarDesign;
  readonly result: RunResult | null;
}

/** Where a car is at a moment of the race. SI units. */
export interface RacerAt {
  readonly distance: number;
  readonly speed: number;
  /** m off the line, to the right. */
  readonly drift: number;
  readonly phase: Phase | 'stopped' | 'at-wall' | 'cannot-run';
  readonly pose: Pose | null;
}

/** Cars in a race. */
export const MOST_RACERS = 6;

/** The cars on one floor, or each on its own where none is given. */
export const racersOf = (cars: readonly Pick<Racer, 'id' | 'design'>[], floor: CarDesign['floor'] | null): readonly Racer[] =>
  cars.slice(0, MOST_RACERS).map(({ id, design }) => {
    const car = floor ? { ...design, floor } : design;
    const prediction = predictRun(car, { kind: 'full' }, { trace: true });
    const moved = prediction.kind === 'ran' && prediction.result.trace!.time.length > 1;
    return { id, design: car, result: moved ? prediction.result : null };
  });

/** s until the last of them stands. */
export const raceEnd = (racers: readonly Racer[]): number => Math.max(0, ...racers.map(({ result }) => result?.time ?? 0));

/** m: how far the farthest of them comes. */
export const raceLength = (racers: readonly Racer[]): number =>
  Math.max(0, ...racers.map(({ design, result }) => upToWall(design.floor, result?.distance ?? 0)));

/** Where a car is at a time, s, from the start of all. It stops where its run ends, or at the wall. */
export function racerAt({ design, result }: Racer, time: number): RacerAt {
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
  { design, result }: Racer,
  end: number,
  points = 160,
): readonly { readonly time: number; readonly distance: number }[] {
  if (!result) return [];
  return Array.from({ length: points + 1 }, (_, i) => {
    const time = (end * i) / points;
    return { time, distance: upToWall(design.floor, traceAt(result.trace!, Math.min(time, result.time)).read('distance')) };
  });
}

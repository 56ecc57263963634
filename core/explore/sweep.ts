import { askedOf, judgeAim, marksOf } from './aim.ts';
import type { CarDesign } from '../car/car-design.ts';
import { upToWall } from '../car/floors.ts';
import { findSize } from '../car/sizes.ts';
import type { Size } from '../car/size.ts';
import { exploreCar, isBetter, type ExploredCar } from './explored-car.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { predict, type Bounds } from '../predict/uncertainty.ts';

/** One car of a sweep. SI units. */
export interface SweepPoint extends ExploredCar {
  readonly value: number;
}

/**
 * Values at equal intervals, both ends included.
 * @example evenlySpaced(0, 1, 3) // [0, 0.5, 1]
 */
export const evenlySpaced = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => (count === 1 ? from : from + ((to - from) * i) / (count - 1)));

/**
 * Runs a design at each value of one size; what depends on the size moves with it.
 * @param values SI units
 * @returns one point for each value, in their order; NaN where the car cannot run
 */
export const sweep = (design: CarDesign, size: Size, values: readonly number[], workspace = makeWorkspace()): SweepPoint[] =>
  values.map((value) => ({ value, ...exploreCar(size.write(design, value), workspace) }));

/** A point of a sweep with the bounds of its distance, time and launch grip. */
export interface BoundedSweepPoint extends SweepPoint {
  readonly distanceBounds: Bounds;
  readonly timeBounds: Bounds;
  readonly gripBounds: Bounds;
  /** What the aim asks, in its unit; NaN where the car does not get there. */
  readonly asked: number;
  readonly askedBounds: Bounds;
}

/** Cars in the sample behind each point: enough for a band on a chart. */
const RUNS = 32;

const NONE: Bounds = { low: NaN, middle: NaN, high: NaN };

/**
 * The same sweep with the range of cars built to each point.
 * @param sizeId the size by its name, so that a worker can be asked
 * @returns NaN for all figures of a car that cannot run
 */
export const boundedSweep = (design: CarDesign, sizeId: string, values: readonly number[]): BoundedSweepPoint[] => {
  const size = findSize(design, sizeId);
  const workspace = makeWorkspace();
  return sweep(design, size, values, workspace).map((point) => {
    const car = size.write(design, point.value);
    const bounded = predict(car, { runs: RUNS, marks: marksOf(design.aim), workspace });
    const asked = askedOf(design.aim, point.score);
    if (bounded.kind === 'refused') return { ...point, asked, distanceBounds: NONE, timeBounds: NONE, gripBounds: NONE, askedBounds: NONE };
    const { distance, time, launchGripRatio, sample } = bounded.prediction;
    const reached = (metres: number): number => upToWall(car.floor, metres);
    const judged = judgeAim(car, sample, 1, workspace);
    return {
      ...point,
      asked,
      distanceBounds: { low: reached(distance.low), middle: reached(distance.middle), high: reached(distance.high) },
      timeBounds: time,
      gripBounds: launchGripRatio,
      askedBounds: judged.kind === 'ran' ? judged.bounds : NONE,
    };
  });
};

/** The point of a sweep to take, see `isBetter`; null where no car runs. */
export function bestPoint<P extends SweepPoint>(points: readonly P[]): P | null {
  const judged = ({ score, stoppedBy }: P) => ({ score, isStopped: stoppedBy !== null });
  const best = points.reduce<P | null>((lead, point) => (lead === null || isBetter(judged(point), judged(lead)) ? point : lead), null);
  return best && best.score > -Infinity ? best : null;
}

/** kg·m of a sweep over the load: what it carries times how far. */
export const carried = ({ value, distance }: Pick<SweepPoint, 'value' | 'distance'>): number => value * distance;

/** The point of a sweep over the load that carries the most the furthest; null where no car of them runs. What nothing stops comes first. */
export const mostCarried = <P extends SweepPoint>(points: readonly P[]): P | null =>
  bestPoint(points.map((point) => ({ ...point, point, score: Number.isFinite(point.distance) ? carried(point) : -Infinity })))?.point ??
  null;

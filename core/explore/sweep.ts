import type { CarDesign } from '../design/car-design.ts';
import { predictRun } from '../design/predict-run.ts';
import { sizeCalled, type Size } from '../design/sizes.ts';
import { predict, type Bounds } from './uncertainty.ts';

/** One car of a sweep or map. Distance and time are NaN where it cannot run. SI units. */
export interface SweepPoint {
  readonly value: number;
  readonly distance: number;
  readonly time: number;
  readonly launchGripRatio: number;
}

/** `count` values from `from` to `to`, both included. */
export const evenly = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => (count === 1 ? from : from + ((to - from) * i) / (count - 1)));

/** The run of a design at each value of one size; all that hangs on the size moves with it. */
export const sweep = (design: CarDesign, size: Size, values: readonly number[]): SweepPoint[] =>
  values.map((value) => {
    const prediction = predictRun(size.write(design, value));
    if (prediction.kind === 'refused') return { value, distance: NaN, time: NaN, launchGripRatio: NaN };
    const { distance, time, launchGripRatio } = prediction.result;
    return { value, distance, time, launchGripRatio };
  });

/** A point of a sweep with the bounds of its distance and time. */
export interface BoundedSweepPoint extends SweepPoint {
  readonly distanceBounds: Bounds;
  readonly timeBounds: Bounds;
}

/** Cars in the sample behind each point: enough for a band on a chart. */
const RUNS = 32;

/** The same sweep with bounds at every point; what cannot run has NaN for all. The size is named, so that it can be asked of a worker. */
export const boundedSweep = (design: CarDesign, sizeId: string, values: readonly number[]): BoundedSweepPoint[] => {
  const size = sizeCalled(design, sizeId);
  return sweep(design, size, values).map((point) => {
    const bounded = predict(size.write(design, point.value), { runs: RUNS });
    const none = { low: NaN, middle: NaN, high: NaN };
    return bounded.kind === 'ran'
      ? { ...point, distanceBounds: bounded.prediction.distance, timeBounds: bounded.prediction.time }
      : { ...point, distanceBounds: none, timeBounds: none };
  });
};

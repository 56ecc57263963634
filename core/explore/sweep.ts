import type { CarDesign } from '../design/car-design.ts';
import { predictRun } from '../design/predict-run.ts';
import type { Size } from '../design/sizes.ts';

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

import { quantileSorted } from 'simple-statistics';
import type { CarDesign } from '../car/car-design.ts';
import { prepareRun } from './derive-run-setup.ts';
import type { Fault } from '../fault.ts';
import { sampledRuns, type SampledRun, type SampleOptions } from './sampled-runs.ts';

/** Quantiles of a sample: 0.1, 0.5 and 0.9. 8 in 10 lie between `low` and `high`. */
export interface Bounds {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

/** A prediction with its bounds over what is not known exactly. SI units. */
export interface BoundedPrediction {
  readonly runs: number;
  readonly distance: Bounds;
  readonly time: Bounds;
  readonly launchGripRatio: Bounds;
  /** Fractions of the sample that spin their wheels, and that do not get moving. */
  readonly spinning: number;
  readonly stalling: number;
  /** Every car of the sample with its run: for its goal. */
  readonly sample: readonly SampledRun[];
}

export type BoundedOutcome =
  { readonly kind: 'ran'; readonly prediction: BoundedPrediction } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

/**
 * The range of runs of cars built to a design. Uncertain values are log-normal; floors, weights and winding vary too. A low-discrepancy
 * sample stands for all cars: the same seed gives the same answer.
 * @param options winding, full by default; seed, 1 by default; cars in the sample, 128 by default
 * @returns quantiles, SI units; or why the most likely car cannot run
 * Source: Monte Carlo propagation of distributions, JCGM 101:2008.
 */
export function predict(design: CarDesign, options: SampleOptions = {}): BoundedOutcome {
  const prepared = prepareRun(design, options.wind);
  if (prepared.kind === 'refused') return prepared;
  const sample = sampledRuns(design, options);
  const ran = sample.flatMap(({ result }) => result ?? []);
  return {
    kind: 'ran',
    prediction: {
      runs: sample.length,
      distance: boundsOf(sample.map(({ result }) => result?.distance ?? 0)),
      time: boundsOf(ran.map(({ time }) => time)),
      launchGripRatio: boundsOf(ran.map(({ launchGripNeeded, launchGripRatio }) => (launchGripNeeded > 0 ? launchGripRatio : Infinity))),
      spinning: ran.filter(({ slipDistance }) => slipDistance > 0).length / sample.length,
      stalling: sample.filter(({ result }) => result === null || result.stalled).length / sample.length,
      sample,
    },
  };
}

/**
 * Quantiles of a sample in any order.
 * @returns NaN for an empty sample
 * @example boundsOf([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]) // { low: 1.9, middle: 5.5, high: 9.1 }
 */
export function boundsOf(sample: readonly number[]): Bounds {
  const sorted = sample.toSorted((a, b) => a - b);
  const at = (fraction: number): number => (sorted.length === 0 ? NaN : quantileSorted(sorted, fraction));
  return { low: at(0.1), middle: at(0.5), high: at(0.9) };
}

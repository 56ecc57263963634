import { quantileSorted } from 'simple-statistics';
import type { CarDesign } from '../car/car-design.ts';
import { prepareRun } from './derive-run-setup.ts';
import type { Fault } from '../fault.ts';
import { sampledRuns, type SampledRun, type SampleOptions } from './sampled-runs.ts';

/** 8 in 10 lie between `low` and `high`, half below `middle`. */
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
 * The bounds within which a design's runs are to be expected, wound fully by default. Every value is taken as
 * log-normal with its spread, and floors, weights and winding differ too; a low-discrepancy sample of cars represents all. The same seed gives the same answer.
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

/** The bounds of a sample, in any order; NaN of an empty one. */
export function boundsOf(sample: readonly number[]): Bounds {
  const sorted = sample.toSorted((a, b) => a - b);
  const at = (fraction: number): number => (sorted.length === 0 ? NaN : quantileSorted(sorted, fraction));
  return { low: at(0.1), middle: at(0.5), high: at(0.9) };
}

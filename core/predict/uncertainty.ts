import { quantileSorted } from 'simple-statistics';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { deriveRunSetup, prepareRun } from './derive-run-setup.ts';
import type { Fault } from '../fault.ts';
import { simulate } from '../run/simulate.ts';
import { makeWorkspace, type Workspace } from '../run/workspace.ts';
import { CONDITIONS, type Condition } from './conditions.ts';
import { sampledCars } from './sampled-cars.ts';

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
  /** Shares of the sample that spin their wheels, and that do not get moving. */
  readonly spinning: number;
  readonly stalling: number;
  /** Every sampled distance, m, ascending: for the chance to meet an aim. */
  readonly distances: readonly number[];
}

export type BoundedOutcome =
  { readonly kind: 'ran'; readonly prediction: BoundedPrediction } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

const DEFAULT_RUNS = 128;

export interface PredictOptions {
  /** Full unless told otherwise. */
  readonly wind?: Wind;
  /** The same seed gives the same sample; 1 unless told otherwise. */
  readonly seed?: number;
  /** Cars in the sample; 128 unless told otherwise. */
  readonly runs?: number;
  /** What else differs from car to car; all that is known of unless told otherwise. */
  readonly conditions?: readonly Condition[];
  readonly workspace?: Workspace;
}

/**
 * The bounds within which a design's runs are to be expected, wound fully unless told otherwise. Every value is taken as
 * log-normal with its spread, and floors, weights and winding differ too; a low-discrepancy sample of `runs` cars stands for all. The same seed gives the same answer.
 */
export function predict(
  design: CarDesign,
  { wind = { kind: 'full' }, seed = 1, runs = DEFAULT_RUNS, conditions = CONDITIONS, workspace = makeWorkspace() }: PredictOptions = {},
): BoundedOutcome {
  const prepared = prepareRun(design, wind);
  if (prepared.kind === 'refused') return prepared;
  const carAt = sampledCars(design, seed, conditions);
  const distances: number[] = [];
  const times: number[] = [];
  const grips: number[] = [];
  let spinning = 0;
  let stalling = 0;
  for (let n = 0; n < runs; n++) {
    const built = carAt(n);
    // A lever hooked beyond where it can go is hooked where it is told.
    const wound = deriveRunSetup(built.design, wind, built.numbers);
    const first = simulate(wound, { workspace });
    const outcome = first.kind === 'ran' ? first : simulate(deriveRunSetup(design, wind, built.numbers), { workspace });
    // A stretch or angle out of reach for one of the sample: it does not run.
    if (outcome.kind === 'refused') {
      distances.push(0);
      stalling++;
      continue;
    }
    const { result } = outcome;
    distances.push(result.distance);
    times.push(result.time);
    grips.push(result.launchGripNeeded > 0 ? result.launchGripRatio : Infinity);
    if (result.slipDistance > 0) spinning++;
    if (result.stalled) stalling++;
  }
  const ascending = (list: number[]): number[] => list.sort((a, b) => a - b);
  return {
    kind: 'ran',
    prediction: {
      runs,
      distance: boundsOf(ascending(distances)),
      time: boundsOf(ascending(times)),
      launchGripRatio: boundsOf(ascending(grips)),
      spinning: spinning / runs,
      stalling: stalling / runs,
      distances,
    },
  };
}

const boundsOf = (sorted: readonly number[]): Bounds => {
  const at = (share: number): number => (sorted.length === 0 ? NaN : quantileSorted(sorted as number[], share));
  return { low: at(0.1), middle: at(0.5), high: at(0.9) };
};

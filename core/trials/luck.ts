import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import type { Outcome } from '../car/car-design.ts';
import { RUN_SCATTER } from '../predict/next-run.ts';
import { spreadOf, type RunSums } from './spread.ts';

/** A run against what was expected of it. m. */
export interface Against {
  /** How much further than expected. */
  readonly apart: number;
  /** What it is held against: runs wound alike before it, or what was predicted. */
  readonly of: 'runs' | 'prediction';
  /** 'within': luck alone explains it; 'beyond': it does not; 'wall': it would have gone further, so it says no more than that. */
  readonly luck: 'within' | 'beyond' | 'wall';
}

/** 19 in 20 runs of one car lie within what is called luck. */
const TWO_SIDED = 0.975;
/** Runs before it that are needed to know this car's own scatter. */
const OWN = 3;

/**
 * Whether one more run is within luck: with three or more runs alike before it, within t s √(1 + 1/n) of their mean (Student's t for one
 * more observation); else within 1.96 times the usual scatter of the prediction. A wall hit short of what was expected says nothing yet.
 */
export function runAgainst(outcome: Outcome, predicted: number, before: Pick<RunSums, 'stopped' | 'sum' | 'sumOfSquares'>): Against {
  const { mean, deviation } = spreadOf(before);
  const isOwn = before.stopped >= OWN && mean !== null && deviation !== null;
  const expected = isOwn ? mean : predicted;
  const reach = isOwn
    ? tQuantile(TWO_SIDED, before.stopped - 1) * deviation * Math.sqrt(1 + 1 / before.stopped)
    : 1.96 * RUN_SCATTER * predicted;
  const apart = outcome.distance - expected;
  const luck = outcome.kind === 'hit-wall' && apart < reach ? 'wall' : Math.abs(apart) <= reach ? 'within' : 'beyond';
  return { apart, of: isOwn ? 'runs' : 'prediction', luck };
}

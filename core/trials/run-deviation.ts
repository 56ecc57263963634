import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import type { Outcome } from '../car/car-design.ts';
import { RUN_SCATTER } from '../predict/next-run.ts';
import { spreadOf, type RunSums } from './spread.ts';

/** A run against what was expected of it. m. */
export interface RunDeviation {
  /** How much further than expected. */
  readonly apart: number;
  /** What it is held against: runs with the same winding before it, or what was predicted. */
  readonly of: 'runs' | 'prediction';
  /**
   * 'within': luck alone explains it; 'cars': luck does not, but cars built like this one differ by as much; 'beyond': neither does; 'wall': it would
   * have gone further, so it says no more than that.
   */
  readonly luck: 'within' | 'cars' | 'beyond' | 'wall';
}

/** 19 in 20 runs of one car lie within what is called luck. */
const TWO_SIDED = 0.975;
/** Runs before it that are needed to know this car's own scatter. */
const OWN = 3;

/** Prior of the scatter before counts as so many degrees of freedom: an ln-normal of spread ½ is about as wide as a χ² of two. */
const PRIOR_FREEDOM = 2;

/**
 * Whether one more run is within luck: with three or more like runs before it, within t s √(1 + 1/n) of their mean (Student's t for one
 * more observation), where s² weighs how they lie with the usual scatter: (ν₀ s₀² + (n − 1) s²)/(ν₀ + n − 1), the scaled inverse χ² of any
 * text of Bayesian statistics; three runs of 5.00 m do not make 5.01 m a wonder. Else within 1.96 times the usual scatter of the prediction.
 * A wall hit short of what was expected says nothing yet.
 * @param cars m, between what 8 in 10 cars built like it lie, where no run of its own tells which of them it is
 * @param scatter the usual scatter, a fraction of the distance: see `runScatter`
 */
export function runDeviation(
  outcome: Outcome,
  predicted: number,
  before: Pick<RunSums, 'stopped' | 'sum' | 'sumOfSquares'>,
  cars: { readonly low: number; readonly high: number } | null = null,
  scatter = RUN_SCATTER,
): RunDeviation {
  const { mean, deviation } = spreadOf(before);
  const isOwn = before.stopped >= OWN && mean !== null && deviation !== null;
  const expected = isOwn ? mean : predicted;
  const freedom = PRIOR_FREEDOM + before.stopped - 1;
  const reach = isOwn
    ? tQuantile(TWO_SIDED, freedom) *
      Math.sqrt((PRIOR_FREEDOM * (scatter * mean) ** 2 + (before.stopped - 1) * deviation ** 2) / freedom) *
      Math.sqrt(1 + 1 / before.stopped)
    : 1.96 * scatter * predicted;
  const apart = outcome.distance - expected;
  const isOfCars = !isOwn && cars !== null && outcome.distance >= cars.low && outcome.distance <= cars.high;
  const luck = outcome.kind === 'hit-wall' && apart < reach ? 'wall' : Math.abs(apart) <= reach ? 'within' : isOfCars ? 'cars' : 'beyond';
  return { apart, of: isOwn ? 'runs' : 'prediction', luck };
}

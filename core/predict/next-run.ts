import type { Bounds } from './uncertainty.ts';

/** Standard deviation of one car's runs, as a share of the distance, until its own runs say otherwise. Common practice. */
export const RUN_SCATTER = 0.06;
/** Standard normal quantile of 0.9. */
const Z90 = 1.281552;

/** Within what 8 in 10 of this very car's runs lie if it runs as predicted, m: what builds differ by is not in it. */
export const nextRun = (distance: number): Bounds => ({
  low: distance * (1 - Z90 * RUN_SCATTER),
  middle: distance,
  high: distance * (1 + Z90 * RUN_SCATTER),
});

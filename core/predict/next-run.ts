import { standardNormal } from '../numerics/low-discrepancy.ts';
import type { Bounds } from './uncertainty.ts';

/** Standard deviation of one car's runs, as a fraction of the distance, until its own runs say otherwise. Common practice. */
export const RUN_SCATTER = 0.06;
/** How far 8 in 10 lie to either side at most, in standard deviations. */
const EIGHT_IN_TEN = standardNormal(0.9);

/** Within what 8 in 10 of this very car's runs lie if it runs as predicted, m: what builds differ by is not in it. */
export const nextRun = (distance: number): Bounds => ({
  low: distance * (1 - EIGHT_IN_TEN * RUN_SCATTER),
  middle: distance,
  high: distance * (1 + EIGHT_IN_TEN * RUN_SCATTER),
});

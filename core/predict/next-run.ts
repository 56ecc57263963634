import type { CarDesign, Wind } from '../car/car-design.ts';
import { isWoundByFeel, recordOf } from '../car/motors/motors.ts';
import { HAND_DEVIATIONS } from '../car/motors/rubber-motors.ts';
import { standardNormal } from '../numerics/low-discrepancy.ts';
import { predictRun } from './predict-run.ts';
import type { Bounds } from './uncertainty.ts';

/** Standard deviation of one car's runs, as a fraction of the distance, until its own runs say otherwise. Common practice. */
export const RUN_SCATTER = 0.06;
/**
 * Standard deviation of one car's runs, as a fraction of the distance: more where nobody counts its turns, by what these are off from run
 * to run. The design must have no faults.
 */
export function runScatter(design: CarDesign, wind: Wind = { kind: 'full' }): number {
  if (wind.kind !== 'full' || !isWoundByFeel(design)) return RUN_SCATTER;
  const [fewer, more] = [-HAND_DEVIATIONS, HAND_DEVIATIONS].map((deviations) => {
    const { motor } = design;
    const prediction = predictRun({ ...design, motor: recordOf(motor).woundOff(design, motor, deviations) });
    return prediction.kind === 'ran' ? prediction.result.distance : 0;
  });
  return fewer! > 0 && more! > 0 ? Math.hypot(RUN_SCATTER, Math.log(more! / fewer!) / 2) : RUN_SCATTER;
}

/** How far 8 in 10 lie to either side at most, in standard deviations. */
const EIGHT_IN_TEN = standardNormal(0.9);

/** Within what 8 in 10 of this very car's runs lie if it runs as predicted, m: what builds differ by is not in it. */
export const nextRun = (distance: number, scatter = RUN_SCATTER): Bounds => ({
  low: Math.max(distance * (1 - EIGHT_IN_TEN * scatter), 0),
  middle: distance,
  high: distance * (1 + EIGHT_IN_TEN * scatter),
});

import type { CarDesign } from '../car/car-design.ts';
import { START } from '../car/did-not-start.ts';
import { likelyCurvature } from '../predict/straightness.ts';
import type { Goal } from './goal.ts';
import { withinRoom, type GoalRun } from './goals.ts';
import type { MeasuredRun } from './measured-run.ts';
import { valueOfMeasured, type RunValue } from './run-value.ts';

/** One of the cars that an entry may turn out to be, in one round: its run as if nothing hindered it, and what it would be on that floor. */
export interface PossibleRun {
  readonly run: GoalRun;
  readonly free: MeasuredRun;
}

/** By how much runs of one car differ: standard deviation as a fraction of the distance; of their curvature, 1/m. */
export interface RunSpread {
  readonly scatter: number;
  readonly bendScatter: number;
}

/** Of its usual curvature, by how much one car’s runs differ. Our estimate. */
const BENDS = 0.4;

/** How runs of a car differ whose distances scatter so much. */
export const runSpread = (design: CarDesign, scatter: number): RunSpread => ({ scatter, bendScatter: BENDS * likelyCurvature(design) });

/**
 * A run of a car once more: so many standard deviations further along, and more to the right. What goes further by a part is sooner by half of it
 * (kinetic energy). Null where it does not start, or does not count.
 */
export function drawnRun(
  goal: Goal,
  { run, free }: PossibleRun,
  { scatter, bendScatter }: RunSpread,
  along: number,
  aside: number,
): RunValue | null {
  const distance = free.distance * Math.exp(scatter * along);
  if (distance < START) return null;
  const curvature = run.curvature + bendScatter * aside;
  const mark = 'distance' in goal ? goal.distance : Infinity;
  // A car that only just gets there takes as long as its whole run.
  const isTimed = distance >= mark;
  const time = isTimed ? (free.time ?? run.result.time) * Math.exp((-scatter / 2) * along) : undefined;
  const noisy: MeasuredRun = { ...free, distance, curvature, time };
  return valueOfMeasured(goal, withinRoom(goal, run.design.floor, curvature, noisy));
}

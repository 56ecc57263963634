import type { Round } from './brief.ts';
import { GOAL_FORMS, type Goal } from './goal.ts';
import { goalRecord } from './goals.ts';
import type { MeasuredRun } from './measured-run.ts';

/** What a run comes to by its round's goal, SI; at least that where it hit the wall. */
export interface RunValue {
  readonly value: number;
  readonly atLeast: boolean;
}

/** What a measured run comes to by a goal; null where it does not meet it. */
export function valueOfMeasured(goal: Goal, run: MeasuredRun): RunValue | null {
  const { measure, isMet, isAllOrNothing } = goalRecord(goal);
  const value = isAllOrNothing && !isMet!(goal, run) ? null : measure(goal, run);
  if (value === null || Number.isNaN(value)) return null;
  // Short of the mark at the wall: it would have come nearer first, and nobody knows how far beyond.
  const isHidden = GOAL_FORMS[goal.kind].isTakenBeforeStop === true || (goal.kind === 'closest-to' && run.distance < goal.distance);
  return { value, atLeast: run.atLeast === true && !isHidden };
}

/** Values nearer than so much, as a fraction, are alike: a tape tells no more. */
const ALIKE = 1e-9;

/**
 * Which of two values stands before the other by a goal, as for sorting; 0 where they are alike. Of two that are alike, the one that is “at
 * least” is the larger: it stands before where more is better, and after where less is.
 */
export function compareValues(goal: Goal, a: RunValue | null, b: RunValue | null): number {
  return compareNumbers(goalRecord(goal).isLess === true, a?.value ?? NaN, Number(a?.atLeast), b?.value ?? NaN, Number(b?.atLeast));
}

/** The same of values by themselves: NaN for none, `atLeast` 1 for a wall. */
export function compareNumbers(isLess: boolean, a: number, aAtLeast: number, b: number, bAtLeast: number): number {
  // Only what is no number is unlike itself.
  if (a !== a || b !== b) return Number(a !== a) - Number(b !== b);
  const off = a - b;
  const difference = Math.abs(off) <= ALIKE * Math.max(Math.abs(a), Math.abs(b), 1e-12) ? aAtLeast - bAtLeast : off;
  return isLess ? difference : -difference;
}

/** How a round counts; `missing` is as worst unless it is reported. */
export type Counting = Pick<Round, 'goal' | 'counts' | 'runs' | 'missing'>;

const meanOf = (values: readonly RunValue[]): RunValue => ({
  value: values.reduce((sum, { value }) => sum + value, 0) / values.length,
  atLeast: values.some(({ atLeast }) => atLeast),
});

/**
 * What the runs of a round come to together: the best, the mean of the two best, the mean or the sum of all. A run that is missing is nothing
 * where more is better, else the worst that any car made; null where no run counts, or all are needed and one is missing.
 * @param values of the runs that count, the best first
 */
export function countedOf(
  { goal, counts, runs, missing = 'worst' }: Counting,
  values: readonly RunValue[],
  worst: RunValue | null,
): RunValue | null {
  const needed = counts === 'best' ? 1 : counts === 'best-two' ? Math.min(2, runs) : runs;
  if (values.length === 0 || (missing === 'all' && values.length < needed)) return null;
  const least: RunValue = (goalRecord(goal).isLess ? worst : null) ?? { value: 0, atLeast: false };
  const mean = meanOf(Array.from({ length: needed }, (_, i) => values[i] ?? least));
  return counts === 'sum' ? { ...mean, value: mean.value * needed } : mean;
}

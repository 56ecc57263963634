import type { Goal } from '../brief/goal.ts';
import { goalRecord } from '../brief/goals.ts';
import { measuredOfRecord } from '../brief/measured-run.ts';
import { isSameContent, isSameWind } from '../car/same-design.ts';
import { measuresOf } from '../geometry/measures.ts';
import type { RunOfCar } from './compared-runs.ts';
import { didNotStart } from '../car/did-not-start.ts';

/** A run as it is compared: what it came to, at least that where it hit the wall; or that it did not start. */
export interface ScoredRun {
  /** SI, above 0; of one that did not start it says nothing. */
  readonly value: number;
  readonly atLeast: boolean;
  readonly hasStarted: boolean;
  /** Which it was of all runs that are compared, from 0; as they are listed by default. */
  readonly order?: number;
}

/** By what runs are compared. */
export interface Scoring {
  /** The goal, or the distance where that was not measured of these runs. */
  readonly by: 'goal' | 'distance';
  /** The less the better. */
  readonly isLess: boolean;
  /** m, the mark that a stop is to be near; null where more or less is better. */
  readonly target: number | null;
}

/** Runs of two cars that are otherwise the same: floor, winding, direction. */
export interface ComparableRuns {
  readonly before: readonly RunOfCar[];
  readonly after: readonly RunOfCar[];
}
/** The same as they are compared. */
export interface ScoredRuns {
  readonly before: readonly ScoredRun[];
  readonly after: readonly ScoredRun[];
}

/** Runs that stopped at these distances, m. */
export const stoppedAt = (...distances: readonly number[]): ScoredRun[] =>
  distances.map((value) => ({ value, atLeast: false, hasStarted: true }));

/** Runs before and after as pairs of groups, each alike in floor, winding and direction; of what only one of them ran the other is empty. */
export function pairsOfRuns(before: readonly RunOfCar[], after: readonly RunOfCar[]): ComparableRuns[] {
  const isAlike = (a: RunOfCar, b: RunOfCar): boolean =>
    a.record.direction === b.record.direction && isSameWind(a.record.wind, b.record.wind) && isSameContent(a.design.floor, b.design.floor);
  const pairs: { readonly before: RunOfCar[]; readonly after: RunOfCar[] }[] = [];
  for (const [side, runs] of [
    ['before', before],
    ['after', after],
  ] as const)
    for (const run of runs) {
      const known = pairs.find((pair) => isAlike([...pair.before, ...pair.after][0]!, run));
      if (known) known[side].push(run);
      else pairs.push({ before: [], after: [], [side]: [run] });
    }
  return pairs;
}

/** The pairs of which both ran. */
export const comparable = (pairs: readonly ComparableRuns[]): ComparableRuns[] =>
  pairs.filter(({ before, after }) => before.length > 0 && after.length > 0);

/** Runs of each that have to tell what counts, before they are compared by it. */
const FEWEST = 2;
const BY_DISTANCE: Scoring = { by: 'distance', isLess: false, target: null };

/** What a run comes to by a goal; null where it was not measured. */
function scoreOf(goal: Goal, { design, record }: RunOfCar): number | null {
  const { isSteered, measure, quantity } = goalRecord(goal);
  if ((isSteered && record.drift === undefined) || quantity === 'size') return null;
  const run = measuredOfRecord(goal, record, { load: design.load.mass, width: measuresOf(design).width });
  if ('distance' in goal && goalRecord(goal).marks && run.time === undefined) return null;
  const value = goal.kind === 'carry' || goal.kind === 'closest-to' ? run.distance : measure(goal, run);
  return value !== null && value > 0 ? value : null;
}

/** How pairs of runs are compared at a goal: by the goal where enough of both tell it, else by distance. */
export function scored(goal: Goal, pairs: readonly ComparableRuns[]): { readonly scoring: Scoring; readonly runs: readonly ScoredRuns[] } {
  const countOf = (side: keyof ComparableRuns): number =>
    pairs.flatMap((pair) => pair[side]).filter((run) => !didNotStart(run.record.outcome) && scoreOf(goal, run) !== null).length;
  const isByGoal = countOf('before') >= FEWEST && countOf('after') >= FEWEST;
  const { isLess = false } = goalRecord(goal);
  const isNear = goal.kind === 'closest-to';
  const scoring: Scoring = isByGoal ? { by: 'goal', isLess: isLess && !isNear, target: isNear ? goal.distance : null } : BY_DISTANCE;
  const inOrder = pairs
    .flatMap(({ before, after }) => [...before, ...after])
    .toSorted((a, b) => a.record.ranAt.localeCompare(b.record.ranAt));
  const scoredRun = (run: RunOfCar): ScoredRun[] => {
    const { outcome } = run.record;
    const order = inOrder.indexOf(run);
    if (didNotStart(outcome)) return [{ value: NaN, atLeast: false, hasStarted: false, order }];
    const value = isByGoal ? scoreOf(goal, run) : outcome.distance;
    // A time to a mark, or a way off the line, is what it is, wall or not.
    return value === null ? [] : [{ value, atLeast: outcome.kind === 'hit-wall' && !scoring.isLess, hasStarted: true, order }];
  };
  return {
    scoring,
    runs: pairs.map(({ before, after }) => ({ before: before.flatMap(scoredRun), after: after.flatMap(scoredRun) })),
  };
}

/** Changes from one to the other that make runs side by side: A B A B has three. */
const CHANGES = 3;

/** Whether both were run in turn: then a day, a wiped floor or warm rubber is the same for both. */
export function areInTurn({ before, after }: ComparableRuns): boolean {
  const order = [...before.map((run) => [run, 0] as const), ...after.map((run) => [run, 1] as const)]
    .toSorted(([a], [b]) => a.record.ranAt.localeCompare(b.record.ranAt))
    .map(([, side]) => side);
  const changes = order.filter((side, i) => i > 0 && side !== order[i - 1]).length;
  return changes >= Math.max(CHANGES, Math.min(before.length, after.length));
}

import type { RunRecord } from '../car/car-design.ts';
import { isSameCar, isSameContent, isSameWind } from '../car/same-design.ts';
import type { RunOfCar } from './compared-runs.ts';
import { turnsSpun } from './turns-at-wall.ts';
import type { RepairableFault, TrialGroup, TrialRun } from './fit/trial.ts';

/** A fault that was put right, and when. */
export interface Repair {
  readonly fault: RepairableFault;
  readonly at: string;
}

type Made = Pick<TrialGroup, 'design' | 'wind' | 'direction' | 'faults'>;

const isAlike = (a: Made, b: Made): boolean =>
  a.direction === b.direction && isSameContent(a.faults, b.faults) && isSameWind(a.wind, b.wind) && isSameCar(a.design, b.design);

/** Slip from which wheels spin: a tyre that grips creeps by less. Our estimate. */
const SLIPS_FROM = 0.04;
/** Whether wheels spun at the launch, by the slip that a film tells. */
export const isSlipping = ({ ratio, deviation }: { readonly ratio: number; readonly deviation: number }): boolean =>
  ratio > SLIPS_FROM + deviation;

/** A run as the fit takes it. */
const trialRun = ({ design, record }: RunOfCar): TrialRun => {
  const { outcome, time, splits, seen, spunFor = 0, film } = record;
  const isSeenToSpin = seen.includes('spun') || spunFor > 0 || (turnsSpun(design, record) ?? 0) > 0;
  // A dot on the wheel tells it better than the eye.
  return { outcome, time, splits, film, spun: film?.slip ? isSlipping(film.slip) : isSeenToSpin };
};

/** A group of like runs, with the runs it was made of. */
export interface LikeRunGroup extends TrialGroup {
  readonly of: readonly RunOfCar[];
  readonly faults: readonly RepairableFault[];
}

/**
 * Runs put together where car, winding and direction are alike, in the order in which each group first appears. `putRight`: runs before it
 * were made with the fault, and stand apart from those after it.
 */
export function trialGroups(runs: readonly RunOfCar[], putRight: readonly Repair[] = []): LikeRunGroup[] {
  const groups: LikeRunGroup[] = [];
  for (const run of runs) {
    const faults = putRight.filter(({ at }) => run.record.ranAt < at).map(({ fault }) => fault);
    const conditions = { design: run.design, wind: run.record.wind, direction: run.record.direction, faults };
    const at = groups.findIndex((group) => isAlike(group, conditions));
    const group = groups[at];
    if (!group) groups.push({ ...conditions, runs: [trialRun(run)], of: [run] });
    else groups[at] = { ...group, runs: [...group.runs, trialRun(run)], of: [...group.of, run] };
  }
  return groups;
}

/** Turns below which a car is not wound at all. */
const WOUND = 0.01;
/** Whether a car was wound for a run: else that run says nothing of it. */
export const isWound = ({ wind }: Pick<RunRecord, 'wind'>): boolean => wind.kind === 'full' || wind.turns >= WOUND;

/** Groups that are fitted, and runs of each: the newest. More would be waited for, and tell of the car as it no longer is. */
const MOST_GROUPS = 24;
const MOST_RUNS = 30;

/** The newest groups, by their latest run, with the newest runs of each; and how many are older. `inOrder`: all of their runs. */
export function newestGroups(
  groups: readonly LikeRunGroup[],
  inOrder: readonly RunOfCar[],
): { readonly groups: readonly LikeRunGroup[]; readonly earlier: { readonly groups: number; readonly runs: number } } {
  const orderOf = new Map(inOrder.map((run, i) => [run, i]));
  const sorted = groups.toSorted((a, b) => orderOf.get(a.of.at(-1)!)! - orderOf.get(b.of.at(-1)!)!);
  const newest = sorted
    .slice(-MOST_GROUPS)
    .map((group) => ({ ...group, runs: group.runs.slice(-MOST_RUNS), of: group.of.slice(-MOST_RUNS) }));
  const count = (of: readonly LikeRunGroup[]): number => of.reduce((sum, { runs }) => sum + runs.length, 0);
  return { groups: newest, earlier: { groups: sorted.length - newest.length, runs: count(sorted) - count(newest) } };
}

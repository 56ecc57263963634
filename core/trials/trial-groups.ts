import { isSameCar, isSameContent, isSameWind } from '../car/same-design.ts';
import type { RunOfCar } from './compared-runs.ts';
import type { Mendable, TrialGroup, TrialRun } from './fit/trial.ts';

/** A fault that was put right, and when. */
export interface PutRight {
  readonly fault: Mendable;
  readonly at: string;
}

type Made = Pick<TrialGroup, 'design' | 'wind' | 'direction' | 'faults'>;

const isAlike = (a: Made, b: Made): boolean =>
  a.direction === b.direction && isSameContent(a.faults, b.faults) && isSameWind(a.wind, b.wind) && isSameCar(a.design, b.design);

/** A run as the fit takes it. */
const trialRun = ({ record: { outcome, time, splits, seen, spunFor = 0 } }: RunOfCar): TrialRun => ({
  outcome,
  time,
  splits,
  spun: seen.includes('spun') || spunFor > 0,
});

/** A group of like runs, with the runs it was made of. */
export interface RunsAlike extends TrialGroup {
  readonly of: readonly RunOfCar[];
  readonly faults: readonly Mendable[];
}

/**
 * Runs put together where car, winding and direction are alike, in the order in which each group first appears. `putRight`: runs before it
 * were made with the fault, and stand apart from those after it.
 */
export function trialGroups(runs: readonly RunOfCar[], putRight: readonly PutRight[] = []): RunsAlike[] {
  const groups: RunsAlike[] = [];
  for (const run of runs) {
    const faults = putRight.filter(({ at }) => run.record.ranAt < at).map(({ fault }) => fault);
    const made = { design: run.design, wind: run.record.wind, direction: run.record.direction, faults };
    const at = groups.findIndex((group) => isAlike(group, made));
    const group = groups[at];
    if (!group) groups.push({ ...made, runs: [trialRun(run)], of: [run] });
    else groups[at] = { ...group, runs: [...group.runs, trialRun(run)], of: [...group.of, run] };
  }
  return groups;
}

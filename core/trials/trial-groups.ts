import { isSameCar, isSameWind } from '../car/same-design.ts';
import type { RunOfCar } from './compared-runs.ts';
import type { TrialGroup, TrialRun } from './fit/trial.ts';

type Made = Pick<TrialGroup, 'design' | 'wind' | 'direction'>;

const isAlike = (a: Made, b: Made): boolean => a.direction === b.direction && isSameWind(a.wind, b.wind) && isSameCar(a.design, b.design);

/** A run as the fit takes it. */
const trialRun = ({ record: { outcome, time, splits, seen } }: RunOfCar): TrialRun => ({
  outcome,
  time,
  splits,
  spun: seen.includes('spun'),
});

/** A group of like runs, with the runs it was made of. */
export interface RunsAlike extends TrialGroup {
  readonly of: readonly RunOfCar[];
}

/** Runs put together where car, winding and direction are alike, in the order in which each group first appears. */
export function trialGroups(runs: readonly RunOfCar[]): RunsAlike[] {
  const groups: RunsAlike[] = [];
  for (const run of runs) {
    const made: Made = { design: run.design, wind: run.record.wind, direction: run.record.direction };
    const at = groups.findIndex((group) => isAlike(group, made));
    const group = groups[at];
    if (!group) groups.push({ ...made, runs: [trialRun(run)], of: [run] });
    else groups[at] = { ...group, runs: [...group.runs, trialRun(run)], of: [...group.of, run] };
  }
  return groups;
}

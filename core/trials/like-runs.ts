import type { CarDesign, RunRecord, Wind } from '../design/car-design.ts';

/** Runs of one car as it was, wound alike: they have one prediction and may be averaged. */
export interface LikeRuns<T> {
  readonly wind: Wind;
  readonly design: CarDesign;
  readonly runs: readonly T[];
}

/** Everything of a design that its run hangs on, as one comparable text: its name and its aim do not count. */
const substance = ({ name: _name, aim: _aim, ...design }: CarDesign): string => JSON.stringify(design);

/** Whether two designs make the same car. */
export const isSameCar = (a: CarDesign, b: CarDesign): boolean => substance(a) === substance(b);

/** Sorts runs into groups that are alike, in the order in which each group first appears. */
export function likeRuns<T>(runs: readonly T[], recordOf: (run: T) => RunRecord): LikeRuns<T>[] {
  const groups = new Map<string, { wind: Wind; design: CarDesign; runs: T[] }>();
  for (const run of runs) {
    const { wind, design } = recordOf(run);
    const key = `${wind.kind === 'full' ? 'full' : wind.turns}|${substance(design)}`;
    const group = groups.get(key) ?? { wind, design, runs: [] };
    group.runs.push(run);
    groups.set(key, group);
  }
  return [...groups.values()];
}

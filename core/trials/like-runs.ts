import type { CarDesign, RunRecord, Wind } from '../design/car-design.ts';
import { isSameCar } from '../design/same-design.ts';

/** Runs of one car as it was, wound alike: they have one prediction and may be averaged. */
export interface LikeRuns<T> {
  readonly wind: Wind;
  readonly design: CarDesign;
  readonly runs: readonly T[];
}

const isSameWind = (a: Wind, b: Wind): boolean => (a.kind === 'full' ? b.kind === 'full' : b.kind === 'turns' && a.turns === b.turns);

/** Sorts runs into groups that are alike, in the order in which each group first appears. */
export function likeRuns<T>(runs: readonly T[], recordOf: (run: T) => RunRecord): LikeRuns<T>[] {
  const groups: { wind: Wind; design: CarDesign; runs: T[] }[] = [];
  for (const run of runs) {
    const { wind, design } = recordOf(run);
    const group = groups.find((alike) => isSameWind(alike.wind, wind) && isSameCar(alike.design, design));
    if (group) group.runs.push(run);
    else groups.push({ wind, design, runs: [run] });
  }
  return groups;
}

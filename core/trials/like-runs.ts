import type { CarDesign, Wind } from '../car/car-design.ts';
import { isSameCar } from '../car/same-design.ts';
import type { RunTallies } from '../schema/stored.ts';
import { sumsTogether, type RunSums } from './spread.ts';

/** Runs of one car as it was, wound alike: they have one prediction and may be averaged. */
export interface LikeRuns {
  readonly wind: Wind;
  readonly design: CarDesign;
  /** The ids of the designs that make this same car, under whatever name and aim. */
  readonly designIds: readonly string[];
  readonly sums: RunSums;
}

const isSameWind = (a: Wind, b: Wind): boolean => (a.kind === 'full' ? b.kind === 'full' : b.kind === 'turns' && a.turns === b.turns);

/** Tallies by design and wind as groups of like runs, in the order in which each group first appears: a new name makes no other car. */
export function likeRuns({ tallies, designs }: Pick<RunTallies, 'tallies' | 'designs'>): LikeRuns[] {
  const groups: LikeRuns[] = [];
  for (const { designId, turns, ...sums } of tallies) {
    const design = designs[designId]!;
    const wind: Wind = turns === null ? { kind: 'full' } : { kind: 'turns', turns };
    const at = groups.findIndex((alike) => isSameWind(alike.wind, wind) && isSameCar(alike.design, design));
    const group = groups[at];
    if (!group) groups.push({ wind, design, designIds: [designId], sums });
    else groups[at] = { ...group, designIds: [...group.designIds, designId], sums: sumsTogether(group.sums, sums) };
  }
  return groups;
}

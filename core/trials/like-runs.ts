import type { CarDesign, Wind } from '../car/car-design.ts';
import { isSameBuild, isSameCar, isSameContent, isSameWind } from '../car/same-design.ts';
import type { RunTallies } from '../schema/stored.ts';
import { sumsTogether, type RunSums } from './spread.ts';

/** Runs of one car as it was, with the same winding: they have one prediction and may be averaged. */
export interface LikeRuns {
  readonly wind: Wind;
  readonly design: CarDesign;
  /** The ids of the designs that make this same car, under whatever name and aim. */
  readonly designIds: readonly string[];
  readonly sums: RunSums;
}

/** What runs may be put together by: car and winding alike, or one of them alone. */
export type GroupedBy = 'like' | 'version' | 'floor' | 'winding';

type Made = Pick<LikeRuns, 'wind' | 'design'>;
const SAME: Readonly<Record<GroupedBy, (a: Made, b: Made) => boolean>> = {
  like: (a, b) => isSameWind(a.wind, b.wind) && isSameCar(a.design, b.design),
  version: (a, b) => isSameBuild(a.design, b.design),
  floor: (a, b) => isSameContent(a.design.floor, b.design.floor),
  winding: (a, b) => isSameWind(a.wind, b.wind),
};

/**
 * Tallies by design and wind as groups, in the order in which each first appears: a new name makes no other car. Of runs that are alike
 * in one thing only, `wind` and `design` are those of the first.
 */
export function groupedRuns({ tallies, designs }: Pick<RunTallies, 'tallies' | 'designs'>, by: GroupedBy): LikeRuns[] {
  const groups: LikeRuns[] = [];
  for (const { designId, turns, ...sums } of tallies) {
    const ofGroup: Made = { design: designs[designId]!, wind: turns === null ? { kind: 'full' } : { kind: 'turns', turns } };
    const at = groups.findIndex((group) => SAME[by](group, ofGroup));
    const group = groups[at];
    if (!group) groups.push({ ...ofGroup, designIds: [designId], sums });
    else groups[at] = { ...group, designIds: [...new Set([...group.designIds, designId])], sums: sumsTogether(group.sums, sums) };
  }
  return groups;
}

/** Runs of one car on one floor, with the same winding. */
export const likeRuns = (data: Pick<RunTallies, 'tallies' | 'designs'>): LikeRuns[] => groupedRuns(data, 'like');

/** Whether a run of this design, wound so, is one of a group. */
export const isLike = (group: LikeRuns, design: CarDesign, wind: Wind): boolean => SAME.like(group, { design, wind });

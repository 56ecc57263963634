import type { Goal, Round } from '../schema/generated/brief.ts';
import type { Floor } from '../schema/generated/car-design.ts';

/**
 * Points that a figure earns on average against a field: `at[i]` where it equals `figures[i]`, `above[i]` where it lies above it and below the
 * next, `below` where it is worse than all. Figures rise, and the higher is the better: a time is negative.
 */
export interface PointsTable {
  readonly figures: readonly number[];
  readonly at: readonly number[];
  readonly above: readonly number[];
  readonly below: number;
}

/** One round of a contest: on which floor, with what load, how it counts, and what each figure earns in it. */
export interface ContestRound extends Pick<Round, 'name' | 'runs' | 'counts' | 'missing'> {
  readonly goal: Goal;
  readonly floor: Floor;
  /** kg that all carry; null where the load is each car's own choice. */
  readonly load: number | null;
  readonly points: PointsTable;
  /** The figure that half of the field's are better than; NaN where none counts. */
  readonly middle: number;
  /** The worst that a car of the field usually comes to, in the goal's own unit: what is missing counts as that; null where none counts. */
  readonly worst: number | null;
}

/** All rounds of a brief with the field in them, as one car aims at them. */
export interface Contest {
  readonly rounds: readonly ContestRound[];
  /** The round whose floor the car's design stands on. */
  readonly shown: number;
  /** Standard deviation of the car's own runs, as a fraction of the distance. */
  readonly scatter: number;
}

import type { CarDesign } from '../car/car-design.ts';
import type { Workspace } from '../run/workspace.ts';
import type { RoundOutcome } from './all-rounds.ts';
import type { Candidate } from './candidates.ts';
import { exploreCar } from './explored-car.ts';
import { builtSample, hasMoreTrouble, lowerQuantileScorer, shareBetter, type BuiltSample } from './quantile-score.ts';
import type { SearchSpace } from './search-space.ts';

/** One of the changes that make an offered car, and its gain alone. */
export interface SearchedChange {
  /** The present car with this change alone. */
  readonly design: CarDesign;
  /**
   * How much better 8 in 10 such cars then are than the present one, by the aim: m, or s. null where the change works only together with the
   * others, or there is nothing to compare with.
   */
  readonly alone: number | null;
}

/** A car on offer: few changes, better in 8 of 10 builds. Its figures are of a sample that the search did not use. */
export interface OfferedCar extends Omit<Candidate, 'rounds'> {
  /** What 8 in 10 cars built like this exceed, by the aim; and how much that is above the present car’s, null where something stops that. */
  readonly lower: number;
  readonly gain: number | null;
  /** What half of them exceed. */
  readonly middle: number;
  /** What they come to in each round on average, where all rounds are the aim; null elsewhere. */
  readonly rounds: readonly RoundOutcome[] | null;
  /** Fractions of them: better than the same car is now; stopped by the wall. */
  readonly helps: number;
  readonly atWall: number;
  /** In the order in which a builder makes them. */
  readonly changes: readonly SearchedChange[];
}

/** The present car, as offers are compared with it. */
interface PresentCar {
  /** Cars built like it; null where it cannot run. */
  readonly sample: BuiltSample | null;
  /** The check or rule that stops it; null for none. */
  readonly stoppedBy: string | null;
}

/** A change is left out where that costs less than this fraction of the gain; an offer gains more than this fraction. */
export const WORTHWHILE = 0.05;
/** Points that an offer gains at the least. */
const LEAST_POINTS = 0.2;
const leastGain = ({ aim }: CarDesign, before: number): number => Math.max(WORTHWHILE * Math.abs(before), aim.contest ? LEAST_POINTS : 0);
/** Added to the seed of the search for the sample that is reported: the best of many is also the luckiest of its sample. */
const REPORTED_SEED = 1000;

/** Scores points of a space by what 8 in 10 cars built there exceed, and makes offers of them. */
export function offersFor(space: SearchSpace, present: CarDesign, seed: number, workspace: Workspace) {
  const sampleOf = (design: CarDesign): BuiltSample => builtSample(design, seed + REPORTED_SEED, workspace);
  const lowerOf = lowerQuantileScorer(seed, workspace);
  const explored = exploreCar(present, workspace);
  const now: PresentCar = {
    sample: Number.isFinite(explored.score) ? sampleOf(present) : null,
    stoppedBy: explored.stoppedBy,
  };
  const lowerNow = now.stoppedBy === null ? lowerOf(present) : -Infinity;
  const runsFreely = (design: CarDesign): boolean => space.isAllowed(design) && exploreCar(design, workspace).stoppedBy === null;

  /** −∞ where something stops the car with these changes. */
  const lowerWith = (point: ArrayLike<number>, changes: ReadonlySet<number>): number => {
    const design = space.designAt(point, changes);
    return runsFreely(design) ? lowerOf(design) : -Infinity;
  };

  /** The changes at a point that are worth making: whatever is missed least is left out, until few are left and each is worthwhile. */
  const worthwhileChanges = (point: ArrayLike<number>, maxChanges: number): ReadonlySet<number> => {
    const changes = new Set(space.changedAt(point));
    let lower = lowerWith(point, changes);
    for (;;) {
      const [least] = [...changes]
        .map((k) => ({ k, lower: lowerWith(point, new Set([...changes].filter((other) => other !== k))) }))
        .sort((a, b) => b.lower - a.lower);
      if (!least || least.lower === -Infinity) return changes;
      const gain = Number.isFinite(lowerNow) ? lower - lowerNow : Math.abs(lower);
      if (changes.size <= maxChanges && lower - least.lower > WORTHWHILE * gain) return changes;
      changes.delete(least.k);
      lower = least.lower;
    }
  };

  /** Each change alone, with its gain. */
  const changesAlone = (point: ArrayLike<number>, changes: ReadonlySet<number>): SearchedChange[] =>
    [...changes]
      .sort((a, b) => a - b)
      .map((k) => {
        const design = space.designAt(point, new Set([k]));
        const isComparable = now.sample !== null && now.stoppedBy === null && runsFreely(design);
        return { design, alone: isComparable ? sampleOf(design).lower - now.sample!.lower : null };
      });

  /** The offer at a point; null where it is no gain, needs too many changes, or more cars would stall, spin or fail a check than do now. */
  const offerAt = (point: ArrayLike<number>, maxChanges: number): OfferedCar | null => {
    const changes = worthwhileChanges(point, maxChanges);
    if (changes.size === 0 || changes.size > maxChanges) return null;
    const design = space.designAt(point, changes);
    const sample = sampleOf(design);
    const { lower, middle, atWall, rounds } = sample;
    if (now.sample && hasMoreTrouble(sample, now.sample)) return null;
    const before = now.stoppedBy === null ? now.sample : null;
    if (before && !(lower - before.lower > leastGain(design, before.lower))) return null;
    const { score, distance, time } = exploreCar(design, workspace);
    return {
      design,
      score,
      distance,
      time,
      lower,
      middle,
      atWall,
      rounds,
      helps: now.sample ? shareBetter(sample, now.sample) : 1,
      gain: before ? lower - before.lower : null,
      changes: changesAlone(point, changes),
    };
  };
  return { now, lowerOf, offerAt };
}

import type { CarDesign } from '../car/car-design.ts';
import { hasBands } from '../car/motors/motors.ts';
import { sizesOf } from '../car/sizes.ts';
import { lowDiscrepancy, randomGenerator } from '../numerics/low-discrepancy.ts';
import type { Workspace } from '../run/workspace.ts';
import { contestScore, type RoundOutcome } from './all-rounds.ts';
import { exploreCar } from './explored-car.ts';
import type { SearchSpace } from './search-space.ts';

/** A car of a search that ran, and that nothing stops. */
export interface Candidate {
  readonly design: CarDesign;
  /** By the aim; higher is better. */
  readonly score: number;
  /** m; s. */
  readonly distance: number;
  readonly time: number;
  /** What it comes to in each round, where it aims at all of them. */
  readonly rounds?: readonly RoundOutcome[];
}

/** A candidate and where it lies in the search space. */
export interface PlacedCandidate extends Candidate {
  readonly point: ArrayLike<number>;
  /** By what the search finds its way: the score, and of all rounds how far ahead of the field it is too, for many cars earn the same. */
  readonly guide: number;
}

/** Fraction of the tries that are spread evenly; the rest are steps from the best. Tried out. */
const SPREAD_EVENLY = 0.6;
/** Steps start from one of so many of the best, which are sorted again after so many tries. */
const STARTS = 8;
const SORTED_EVERY = 40;
/** Length of a step in each dimension: at first, and at the end. */
const FIRST_STEP = 0.3;
const LAST_STEP = 0.02;
/** Tries between reports of progress. */
const REPORTED_EVERY = 50;

/** Points for being twice as good as the middle of the field in a round. */
const AHEAD = 0.5;
/** Where all rounds are the aim, so many steps in ten start from a car that is the best in one round. */
const OF_ONE_ROUND = 4;

const byGuide = (a: PlacedCandidate, b: PlacedCandidate): number => b.guide - a.guide;

/** The car at a point of a space; null where it is not allowed, does not run, or something stops it. */
export function candidateAt(space: SearchSpace, point: ArrayLike<number>, workspace: Workspace): PlacedCandidate | null {
  const design = space.designAt(point);
  if (!space.isAllowed(design)) return null;
  const { stoppedBy, launchGripRatio: _, ...made } = exploreCar(design, workspace);
  if (stoppedBy !== null || !(made.distance > 0)) return null;
  const { contest } = design.aim;
  return { design, point, guide: contest && made.rounds ? contestScore(contest, made.rounds, AHEAD) : made.score, ...made };
}

/** The best car of each round, where all rounds are the aim: of those that earn as much the one with the better figure. */
function leadersOf(candidates: readonly PlacedCandidate[]): readonly PlacedCandidate[] {
  const worth = ({ rounds }: PlacedCandidate, i: number): number => rounds![i]!.points + rounds![i]!.figure / 1e3;
  return (candidates[0]?.rounds ?? []).map((_, i) => candidates.reduce((best, one) => (worth(one, i) > worth(best, i) ? one : best)));
}

/**
 * Tries designs of a space: a low-discrepancy sample, then random steps from the best that become shorter.
 * @param tries designs that are tried
 * @param seed the same seed tries the same
 * @param onProgress gets the fraction done; false ends the search
 * @returns the candidates, the best first
 */
export function searchCandidates(
  space: SearchSpace,
  { tries, seed, onProgress }: { readonly tries: number; readonly seed: number; readonly onProgress: (fraction: number) => boolean },
  workspace: Workspace,
): PlacedCandidate[] {
  const candidates: PlacedCandidate[] = [];
  const tryAt = (point: ArrayLike<number>): void => {
    const candidate = candidateAt(space, point, workspace);
    if (candidate) candidates.push(candidate);
  };
  const pointAt = lowDiscrepancy(space.dimensions, seed);
  const random = randomGenerator(seed);
  const spread = Math.floor(SPREAD_EVENLY * tries);
  let leaders: readonly PlacedCandidate[] = [];
  for (let n = 0; n < tries; n++) {
    if (n % REPORTED_EVERY === 0 && !onProgress(n / tries)) break;
    if (n < spread || candidates.length === 0) {
      tryAt(pointAt(n));
      continue;
    }
    if (n % SORTED_EVERY === 0 || n === spread) {
      candidates.sort(byGuide);
      leaders = leadersOf(candidates);
    }
    const isOfOne = leaders.length > 0 && random() < OF_ONE_ROUND / 10;
    const start = (
      isOfOne ? leaders[Math.floor(random() * leaders.length)]! : candidates[Math.floor(random() * Math.min(STARTS, candidates.length))]!
    ).point;
    const step = FIRST_STEP * (1 - (n - spread) / (tries - spread)) + LAST_STEP;
    tryAt(Array.from(start, (value) => Math.min(1, Math.max(0, value + step * (2 * random() - 1)))));
  }
  return candidates.sort(byGuide);
}

const withoutPoint = ({ point: _, guide: _guide, ...candidate }: Candidate & Partial<PlacedCandidate>): Candidate => candidate;

/** Candidates than which none is better by both of two figures, the best by the first before; of two figures more is better. */
export function paretoFront(candidates: readonly Candidate[], figures: (candidate: Candidate) => readonly [number, number]): Candidate[] {
  let best = -Infinity;
  return candidates
    .map((candidate) => ({ candidate, figures: figures(candidate) }))
    .sort((a, b) => b.figures[0] - a.figures[0] || b.figures[1] - a.figures[1])
    .filter(({ figures: [, second] }) => {
      if (second <= best) return false;
      best = second;
      return true;
    })
    .map(({ candidate }) => withoutPoint(candidate));
}

/** Quickness against distance. */
export const quickAndFar = ({ distance, time }: Candidate): readonly [number, number] => [distance, -time];

/** What two rounds of a contest come to, by their places in the brief. */
export const inRounds =
  (one: number, other: number) =>
  ({ rounds }: Candidate): readonly [number, number] => [rounds![one]!.figure, rounds![other]!.figure];

/** Every candidate that is on the front of some two rounds. */
export function frontsOfRounds(candidates: readonly Candidate[]): Candidate[] {
  const count = candidates[0]?.rounds?.length ?? 0;
  const found = new Map<CarDesign, Candidate>();
  for (let one = 0; one < count; one++)
    for (let other = 0; other < one; other++)
      for (const candidate of paretoFront(candidates, inRounds(one, other))) found.set(candidate.design, candidate);
  return [...found.values()];
}

/** Cars whose sizes all differ by less than this factor count as one; ballast by less than this, kg. */
const DISTINCT_FACTOR = 1.25;
const DISTINCT_BALLAST = 0.02;

/** Whether a builder would call them two cars: another size of what is searched, or other bands. */
export function areDistinct(a: CarDesign, b: CarDesign): boolean {
  const bandsOf = ({ motor }: CarDesign): string => (hasBands(motor) ? JSON.stringify([motor.band, motor.parallel, motor.series]) : '');
  return (
    bandsOf(a) !== bandsOf(b) ||
    sizesOf(a.motor.kind)
      .filter(({ searchStep }) => searchStep !== undefined)
      .some(({ id, read }) =>
        id === 'ballast'
          ? Math.abs(read(a) - read(b)) > DISTINCT_BALLAST
          : Math.abs(Math.log(read(a) / read(b))) > Math.log(DISTINCT_FACTOR),
      )
  );
}

import type { CarDesign } from '../car/car-design.ts';
import { makeWorkspace, type Workspace } from '../run/workspace.ts';
import {
  areDistinct,
  candidateAt,
  frontsOfRounds,
  paretoFront,
  quickAndFar,
  searchCandidates,
  type Candidate,
  type PlacedCandidate,
} from './candidates.ts';
import { offersFor, WORTHWHILE, type OfferedCar } from './offered-car.ts';
import { randomGenerator } from '../numerics/low-discrepancy.ts';
import { lowerQuantileScorer, type BuiltSample } from './quantile-score.ts';
import type { PartsForSearch } from './search-dimensions.ts';
import { searchSpace, type SearchSpace } from './search-space.ts';

export type { Candidate } from './candidates.ts';
export type { OfferedCar } from './offered-car.ts';

export interface Search {
  /** Cars than which none is both quicker and goes further, by distance. Where all rounds are the aim, those than which none is better in some two. */
  readonly front: readonly Candidate[];
  /** What 8 in 10 cars built like the present one exceed, and half, and the fraction that the wall stops; null where it cannot run. */
  readonly now: Pick<BuiltSample, 'lower' | 'middle' | 'atWall' | 'rounds'> | null;
  /** The check or rule that stops the present car; null where none does. */
  readonly stoppedBy: string | null;
  /** Up to three good cars that differ, each better than the present one if nothing stops that, the best first; among them may be one more, of many changes. */
  readonly best: readonly OfferedCar[];
  /** Cars that ran and that nothing stops. */
  readonly passed: number;
}

/** What a search may use, and how. */
export interface SearchOptions extends PartsForSearch {
  /** @default 1 */
  readonly seed?: number;
  /** Designs that are tried. @default SEARCH_TRIES */
  readonly tries?: number;
  /** The most changes that an offer may need. @default 4, and any number for one that is clearly better */
  readonly mostChanges?: number;
  /** Gets the fraction done; false stops the search. */
  readonly onProgress?: (fraction: number) => boolean;
}

export const SEARCH_TRIES = 2400;

/** Candidates whose offers are looked at: the best by their most likely run. */
const SHORTLIST = 16;
const MAX_OFFERS = 3;
const MAX_CHANGES = 4;
/** Candidates that are looked at for an offer of more changes. */
const SHORTLIST_OF_MANY_CHANGES = 6;

/** The best candidates that differ from each other. */
function shortlistOf(candidates: readonly PlacedCandidate[], most = SHORTLIST): PlacedCandidate[] {
  const shortlist: PlacedCandidate[] = [];
  for (const candidate of candidates) {
    if (shortlist.length === most) break;
    if (shortlist.every(({ design }) => areDistinct(design, candidate.design))) shortlist.push(candidate);
  }
  return shortlist;
}

/** Fractions of the work for all rounds after the tries, and after the steps from the surest. */
const OF_TRIES = 0.25;
const OF_SURE = 0.6;

/** Candidates that are looked at for how surely they earn their points, cars that each is built as, and steps from the surest. */
const LOOKED_AT = 120;
const FEW_CARS = 8;
const SURE_STEPS = 280;
const SURE_STARTS = 6;
/** Length of these steps in each dimension: at first, and at the end. */
const WIDE_STEP = 0.15;
const SMALL_STEP = 0.02;

/**
 * Candidates for all rounds by what 8 in 10 of a few cars built so earn, the surest first: by their most likely run many earn all there is to
 * be had, some of them by luck. From the surest some more steps are taken.
 */
function sureOnes(
  space: SearchSpace,
  candidates: readonly PlacedCandidate[],
  seed: number,
  workspace: Workspace,
  onProgress: (fraction: number) => boolean,
): PlacedCandidate[] {
  const lowerOf = lowerQuantileScorer(seed + 1, workspace, FEW_CARS);
  const sure: PlacedCandidate[] = [];
  for (const candidate of shortlistOf(candidates, LOOKED_AT)) {
    if (!onProgress(OF_TRIES)) break;
    sure.push({ ...candidate, guide: lowerOf(candidate.design) });
  }
  const random = randomGenerator(seed + 2);
  for (let n = 0; n < SURE_STEPS && sure.length > 0 && onProgress(OF_TRIES + (OF_SURE - OF_TRIES) * (n / SURE_STEPS)); n++) {
    sure.sort((a, b) => b.guide - a.guide);
    const { point } = sure[Math.floor(random() * Math.min(SURE_STARTS, sure.length))]!;
    const step = WIDE_STEP + (SMALL_STEP - WIDE_STEP) * (n / SURE_STEPS);
    const tried = candidateAt(
      space,
      Array.from(point, (value) => Math.min(1, Math.max(0, value + step * (2 * random() - 1)))),
      workspace,
    );
    if (tried) sure.push({ ...tried, guide: lowerOf(tried.design) });
  }
  return sure.sort((a, b) => b.guide - a.guide);
}

/**
 * Searches sizes and parts around a design for a car that meets its aim better. Cars that break a limit, use more parts than there are or
 * parts that do not go together, or that a check stops are passed over. An offer is better in 8 of 10 builds, by as few changes as bring
 * that. The same seed gives the same answer.
 * @param design the present car, with its aim and limits
 */
export function findBestCar(design: CarDesign, options: SearchOptions = {}): Search {
  const { seed = 1, tries = SEARCH_TRIES, mostChanges = MAX_CHANGES, onProgress = () => true } = options;
  const workspace = makeWorkspace();
  const space = searchSpace(design, options);
  const isOfAll = design.aim.contest !== undefined;
  // Of all rounds the tries are the smaller part of the work.
  const candidates = searchCandidates(
    space,
    { tries, seed, onProgress: (fraction) => onProgress(isOfAll ? OF_TRIES * fraction : fraction) },
    workspace,
  );
  const { now, lowerOf, offerAt } = offersFor(space, design, seed, workspace);

  const shortlist = shortlistOf(isOfAll ? sureOnes(space, candidates, seed, workspace, onProgress) : candidates)
    .map(({ point, design: car }) => ({ point, lower: lowerOf(car) }))
    .sort((a, b) => b.lower - a.lower);
  const best: OfferedCar[] = [];
  for (const [i, { point }] of shortlist.entries()) {
    if (best.length === MAX_OFFERS || !onProgress(isOfAll ? OF_SURE + (1 - OF_SURE) * (i / shortlist.length) : 1)) break;
    const offer = offerAt(point, mostChanges);
    if (offer && best.every((better) => areDistinct(better.design, offer.design))) best.push(offer);
  }
  // Where more changes bring clearly more, that car is offered too.
  const lead = Math.max(...best.map(({ lower }) => lower));
  const isClearlyBetter = (lower: number): boolean => !(lower - lead <= WORTHWHILE * Math.abs(lead));
  for (const { point, lower } of options.mostChanges === undefined ? shortlist.slice(0, SHORTLIST_OF_MANY_CHANGES) : []) {
    if (!isClearlyBetter(lower)) break;
    const offer = offerAt(point, Infinity);
    if (!offer) continue;
    if (offer.changes.length > mostChanges && isClearlyBetter(offer.lower)) best.push(offer);
    break;
  }
  return {
    front: design.aim.contest ? frontsOfRounds(candidates) : paretoFront(candidates, quickAndFar),
    best: best.sort((a, b) => b.lower - a.lower),
    passed: candidates.length,
    now: now.sample && { lower: now.sample.lower, middle: now.sample.middle, atWall: now.sample.atWall, rounds: now.sample.rounds },
    stoppedBy: now.stoppedBy,
  };
}

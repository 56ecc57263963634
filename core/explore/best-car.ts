import type { CarDesign } from '../car/car-design.ts';
import { makeWorkspace } from '../run/workspace.ts';
import {
  areDistinct,
  frontsOfRounds,
  paretoFront,
  quickAndFar,
  searchCandidates,
  type Candidate,
  type PlacedCandidate,
} from './candidates.ts';
import { offersFor, WORTHWHILE, type OfferedCar } from './offered-car.ts';
import type { BuiltSample } from './quantile-score.ts';
import type { PartsForSearch } from './search-dimensions.ts';
import { searchSpace } from './search-space.ts';

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
function shortlistOf(candidates: readonly PlacedCandidate[]): PlacedCandidate[] {
  const shortlist: PlacedCandidate[] = [];
  for (const candidate of candidates) {
    if (shortlist.length === SHORTLIST) break;
    if (shortlist.every(({ design }) => areDistinct(design, candidate.design))) shortlist.push(candidate);
  }
  return shortlist;
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
  const candidates = searchCandidates(space, { tries, seed, onProgress }, workspace);
  const { now, lowerOf, offerAt } = offersFor(space, design, seed, workspace);

  const shortlist = shortlistOf(candidates)
    .map(({ point, design: car }) => ({ point, lower: lowerOf(car) }))
    .sort((a, b) => b.lower - a.lower);
  const best: OfferedCar[] = [];
  for (const { point } of shortlist) {
    if (best.length === MAX_OFFERS || !onProgress(1)) break;
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

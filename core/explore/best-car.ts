import { judgeRules } from '../brief/rules.ts';
import type { CarDesign } from '../car/car-design.ts';
import { conflictsOf } from '../car/fit.ts';
import { neededAt } from '../car/parts.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { hasBands } from '../car/motors/motors.ts';
import { sizesOf } from '../car/sizes.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { exploreCar } from './explored-car.ts';
import { withMotorPlaced, searchDimensions, type PartsForSearch } from './search-dimensions.ts';
import { builtSample, hasMoreTrouble, shareBetter, lowerQuantileScorer, type BuiltSample } from './quantile-score.ts';
import { lowDiscrepancy, randomGenerator } from '../numerics/low-discrepancy.ts';

/** One change among those that make a car on offer, and what it brings by itself. */
export interface SearchedChange {
  /** The present car with this change alone. */
  readonly design: CarDesign;
  /** How much better 8 in 10 such cars then are than the present one, by its aim: m, or s. null where it works only with the others, or nothing is to be compared with. */
  readonly alone: number | null;
}

/** A car on offer: made by few changes, better in 8 of 10 cars built so. Its figures are of cars that were not searched with. */
export interface OfferedCar extends Candidate {
  /** What 8 in 10 cars built so reach, by the aim, and how much that is above the present car's; null where something stops that. */
  readonly sure: number;
  readonly gain: number | null;
  /** What half of them reach, the share of them that does better than the same car does now, and that the wall stops. */
  readonly middle: number;
  readonly helps: number;
  readonly atWall: number;
  /** In the order a builder makes them. */
  readonly changes: readonly SearchedChange[];
}

/** One car of a search. */
export interface Candidate {
  readonly design: CarDesign;
  readonly score: number;
  readonly distance: number;
  readonly time: number;
}

export interface Search {
  /** Cars than which none is both quicker and goes further, by distance. */
  readonly front: readonly Candidate[];
  /** What cars built as the present one reach, 8 in 10 of them and half, and the share that the wall stops; null where it cannot run. */
  readonly now: { readonly lower: number; readonly middle: number; readonly atWall: number } | null;
  /** The check or rule that stops the present car; null where none does. */
  readonly stoppedBy: string | null;
  /** Up to three good cars that differ, each better than the present one if nothing stops that, the best first; among them may be one more, of many changes. */
  readonly best: readonly OfferedCar[];
  /** Cars that ran and that nothing stops. */
  readonly passed: number;
}

/** What a search may use, and how. */
export interface SearchOptions extends PartsForSearch {
  readonly seed?: number;
  readonly tries?: number;
  /** The most changes that a car on offer may need; unless told otherwise 4, and as many as it takes for one that is clearly better. */
  readonly mostChanges?: number;
  /** Gets the share done; false stops the search. */
  readonly onProgress?: (share: number) => boolean;
}

export const SEARCH_TRIES = 2400;

/** Cars none of whose sizes differ by this factor count as one, and ballast by this much, kg. */
const DISTINCT = 1.25;
const DISTINCT_BALLAST = 0.02;

/** Whether there are as many of each of the builder's own parts as the design uses; those that are not in the list are there. */
function areAtHand(design: CarDesign, own: readonly OwnPart[]): boolean {
  return (Object.keys(design.own ?? {}) as PartSlot[]).every((slot) => {
    const part = own.find(({ kind, name }) => kind === SLOTS[slot].kind && name === design.own![slot]!.name);
    return !part || part.count >= neededAt(design, slot);
  });
}

/** A car of the search with the numbers that made it. */
interface Found extends Candidate {
  readonly point: ArrayLike<number>;
}

/** Of the best by their likeliest run, so many are looked at for what 8 in 10 of them reach. */
const SHORTLIST = 16;
/** Added to the seed of the search for the cars that are told. */
const FRESH = 1000;
/** A change whose undoing costs less than this share of the gain is undone. */
const WORTH = 0.05;
const MOST_CHANGES = 4;
/** So many are looked at for one that needs more. */
const LOOKED_AT_WHOLE = 6;

/**
 * Searches sizes and parts around a design for its aim: an even sample of cars, then small steps from the best. Cars that
 * break a limit, use more parts than there are or parts that do not go together, or that a check stops are passed over. Of the best those are
 * offered that 8 in 10 of cars built so do better with, each by as few changes as bring it. The same seed gives the same answer.
 */
export function findBestCar(design: CarDesign, options: SearchOptions = {}): Search {
  const { seed = 1, tries = SEARCH_TRIES, own = [], mostChanges = MOST_CHANGES, onProgress = () => true } = options;
  const workspace = makeWorkspace();
  const turns = searchDimensions(design, options);
  const conflicts = conflictsOf(design).length;
  const built = (point: ArrayLike<number>, isMade: (turn: number) => boolean = () => true): CarDesign =>
    withMotorPlaced(turns.reduce((made, turn, k) => (isMade(k) ? turn(made, point[k]!) : made), design));
  const isOpen = (made: CarDesign): boolean => !breaksLimits(made) && areAtHand(made, own) && conflictsOf(made).length <= conflicts;
  const found: Found[] = [];
  const tryAt = (point: ArrayLike<number>): void => {
    const made = built(point);
    if (!isOpen(made)) return;
    const { score, distance, time, stoppedBy } = exploreCar(made, workspace);
    if (stoppedBy === null && distance > 0) found.push({ design: made, score, distance, time, point });
  };
  const pointAt = lowDiscrepancy(turns.length, seed);
  const random = randomGenerator(seed);
  const explore = Math.floor(0.6 * tries);
  for (let n = 0; n < tries; n++) {
    if (n % 50 === 0 && !onProgress(n / tries)) break;
    if (n < explore || found.length === 0) tryAt(pointAt(n));
    else {
      if (n % 40 === 0 || n === explore) found.sort((a, b) => b.score - a.score);
      const from = found[Math.floor(random() * Math.min(8, found.length))]!.point;
      const reach = 0.3 * (1 - (n - explore) / (tries - explore)) + 0.02;
      tryAt(Array.from(from, (value) => Math.min(1, Math.max(0, value + reach * (2 * random() - 1)))));
    }
  }
  found.sort((a, b) => b.score - a.score);
  const present = exploreCar(design, workspace);
  // Told are other cars than those that were searched with: whoever picks the best of many has picked luck too.
  const sampleOf = (car: CarDesign): BuiltSample => builtSample(car, seed + FRESH, workspace);
  const now = Number.isFinite(present.score) ? sampleOf(design) : null;
  const scoreOf = lowerQuantileScorer(seed, workspace);
  const before = present.stoppedBy === null ? scoreOf(design) : -Infinity;

  /** What 8 in 10 reach with these changes; −∞ where something stops such a car. */
  const sureWith = (point: ArrayLike<number>, made: ReadonlySet<number>): number => {
    const car = built(point, (k) => made.has(k));
    return isOpen(car) && exploreCar(car, workspace).stoppedBy === null ? scoreOf(car) : -Infinity;
  };
  const offered = (point: ArrayLike<number>, most = mostChanges): OfferedCar | null => {
    const made = new Set(turns.flatMap((turn, k) => (isSame(turn(design, point[k]!), design) ? [] : [k])));
    let sure = sureWith(point, made);
    // Whatever is missed least goes first, until what is left is few and each worth its while.
    for (;;) {
      const without = [...made].map((k) => ({ k, sure: sureWith(point, new Set([...made].filter((other) => other !== k))) }));
      without.sort((a, b) => b.sure - a.sure);
      const least = without[0];
      const gain = Number.isFinite(before) ? sure - before : Math.abs(sure);
      if (!least || least.sure === -Infinity || (made.size <= most && sure - least.sure > WORTH * gain)) break;
      made.delete(least.k);
      sure = least.sure;
    }
    if (made.size === 0 || made.size > most) return null;
    const car = built(point, (k) => made.has(k));
    const sample = sampleOf(car);
    const { lower, middle, atWall } = sample;
    // What nobody would see is not offered, nor what stalls, spins or fails a check more often than the car does now.
    if (now && hasMoreTrouble(sample, now)) return null;
    if (now && present.stoppedBy === null && !(lower - now.lower > WORTH * Math.abs(now.lower))) return null;
    const { score, distance, time } = exploreCar(car, workspace);
    const changes = [...made]
      .sort((a, b) => a - b)
      .map((k): SearchedChange => {
        const alone = built(point, (other) => other === k);
        const works = now !== null && present.stoppedBy === null && isOpen(alone) && exploreCar(alone, workspace).stoppedBy === null;
        return { design: alone, alone: works ? sampleOf(alone).lower - now.lower : null };
      });
    return {
      design: car,
      score,
      distance,
      time,
      sure: lower,
      middle,
      atWall,
      helps: now ? shareBetter(sample, now) : 1,
      gain: now && present.stoppedBy === null ? lower - now.lower : null,
      changes,
    };
  };

  const shortlist: Found[] = [];
  for (const one of found) {
    if (shortlist.length === SHORTLIST) break;
    if (shortlist.every((other) => areDistinct(other.design, one.design))) shortlist.push(one);
  }
  const best: OfferedCar[] = [];
  const bySure = shortlist.map(({ point, design: car }) => ({ point, sure: scoreOf(car) })).sort((a, b) => b.sure - a.sure);
  for (const { point } of bySure) {
    if (best.length === 3 || !onProgress(1)) break;
    const one = offered(point);
    if (one && best.every((better) => areDistinct(better.design, one.design))) best.push(one);
  }
  // Where more changes than that bring clearly more, that car is offered too.
  const lead = Math.max(...best.map(({ sure }) => sure));
  for (const { point, sure } of options.mostChanges === undefined ? bySure.slice(0, LOOKED_AT_WHOLE) : []) {
    if (sure - lead <= WORTH * Math.abs(lead)) break;
    const whole = offered(point, Infinity);
    if (!whole) continue;
    if (whole.changes.length > mostChanges && !(whole.sure - lead <= WORTH * Math.abs(lead))) best.push(whole);
    break;
  }
  return {
    front: frontOf(found),
    best: best.sort((a, b) => b.sure - a.sure),
    passed: found.length,
    now: now && { lower: now.lower, middle: now.middle, atWall: now.atWall },
    stoppedBy: present.stoppedBy,
  };
}

const isSame = (a: CarDesign, b: CarDesign): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Whether a builder would call them two cars: another size of what is searched, or other bands. */
function areDistinct(a: CarDesign, b: CarDesign): boolean {
  const bands = ({ motor }: CarDesign): string => (hasBands(motor) ? JSON.stringify([motor.band, motor.parallel, motor.series]) : '');
  return (
    bands(a) !== bands(b) ||
    sizesOf(a.motor.kind)
      .filter(({ searchStep }) => searchStep !== undefined)
      .some(({ id, read }) =>
        id === 'ballast' ? Math.abs(read(a) - read(b)) > DISTINCT_BALLAST : Math.abs(Math.log(read(a) / read(b))) > Math.log(DISTINCT),
      )
  );
}

function breaksLimits(design: CarDesign): boolean {
  return judgeRules(design, design.limits).some(({ verdict }) => verdict === 'broken');
}

const plain = ({ design, score, distance, time }: Candidate): Candidate => ({ design, score, distance, time });

/** From the furthest car down, each quicker than all that go further. */
function frontOf(found: readonly Candidate[]): Candidate[] {
  let quickest = Infinity;
  return [...found]
    .sort((a, b) => b.distance - a.distance)
    .filter(({ time }) => {
      if (time >= quickest) return false;
      quickest = time;
      return true;
    })
    .map(plain);
}

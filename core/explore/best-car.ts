import { measuresOf } from '../geometry/measures.ts';
import { BANDS, TYRES } from '../car/catalogue.ts';
import type { CarDesign } from '../car/car-design.ts';
import { fitCatalogue, fitOwn, neededAt } from '../car/parts.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { hasBands, isRoller, recordOf } from '../car/motors/motors.ts';
import { sizesOf } from '../car/sizes.ts';
import { taped } from '../car/tape.ts';
import type { Size } from '../car/size.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { exploreCar } from './explored-car.ts';
import { lowDiscrepancy, mulberry } from '../numerics/low-discrepancy.ts';

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
  /** Up to three good cars that differ, each better than the present one if nothing stops that, the best first. */
  readonly best: readonly Candidate[];
  /** Cars that ran and that nothing stops. */
  readonly passed: number;
}

/** What a search may use, and how. */
export interface SearchOptions {
  readonly seed?: number;
  readonly tries?: number;
  /** The builder's own parts, as many as there are of each; with `onlyOwn` no tyre or band but those and the present ones. */
  readonly own?: readonly OwnPart[];
  readonly onlyOwn?: boolean;
  /** Gets the share done; false stops the search. */
  readonly onProgress?: (share: number) => boolean;
}

export const SEARCH_TRIES = 2400;

/** One way in which cars of a search differ: a design changed by a number from 0 to 1. */
type Turn = (design: CarDesign, share: number) => CarDesign;

/** How far from the present car the search goes. */
const FACTOR = 1.8;
/** kg */
const MOST_BALLAST = 0.06;
/** Sleeves of up to so many wraps of tape, over so many turns; half the search has none. */
const MOST_WRAPS = 15;
const MOST_SLEEVE_TURNS = 4;
/** Bands in all: where the rules do not say, and the most that is tried where they allow more. */
const USUAL_BANDS = 4;
const MOST_BANDS = 12;
/** Cars none of whose sizes differ by this factor count as one, and ballast by this much, kg. */
const DISTINCT = 1.25;
const DISTINCT_BALLAST = 0.02;

const between = (low: number, high: number, share: number): number => low + share * (high - low);
const pick = <T>(list: readonly T[], share: number): T => list[Math.min(Math.floor(share * list.length), list.length - 1)]!;

/** The nearest value a builder would make: of those that are to be had, or on the size's step; the present one where it is as near. */
function madeAs({ searchStep = 0, stock }: Size, value: number, present: number, design: CarDesign): number {
  const list = stock?.(design);
  if (list) return list.reduce((nearest, one) => (Math.abs(one - value) < Math.abs(nearest - value) ? one : nearest));
  return Math.abs(value - present) <= searchStep / 2 ? present : Math.round(value / searchStep) * searchStep;
}

function ofSize(size: Size, present: CarDesign): Turn {
  const { id, low, high, searchedUpTo, read, write } = size;
  const value = read(present);
  const highest = searchedUpTo ? Math.max(value, searchedUpTo(present)) : high;
  const [from, to] = id === 'ballast' ? [0, MOST_BALLAST] : [Math.max(low, value / FACTOR), Math.min(highest, value * FACTOR)];
  return (design, share) => write(design, madeAs(size, between(from, to, share), value, design));
}

const sleeveThickness: Turn = (design, share) => {
  if (share < 0.5) return { ...design, sleeve: [] };
  return taped(design, [{ wraps: Math.ceil((2 * share - 1) * MOST_WRAPS) || 1, turns: 1 }]);
};
const sleeveTurns: Turn = (design, share) => ({
  ...design,
  sleeve: design.sleeve.map((step) => ({ ...step, turns: Math.ceil(2 * share * MOST_SLEEVE_TURNS) / 2 || 0.5 })),
});

/** The parts that may be fitted at a place, each as the design with it; the present one is always among them. */
function partsAt(slot: PartSlot, { own = [], onlyOwn = false }: SearchOptions): readonly ((design: CarDesign) => CarDesign)[] {
  const common = onlyOwn ? [] : slot === 'tyre' ? Object.keys(TYRES) : slot === 'band' ? Object.keys(BANDS) : [];
  return [
    (design) => design,
    ...common.map((key) => (design: CarDesign) => fitCatalogue(design, slot, key)),
    ...own.filter(({ kind }) => kind === SLOTS[slot].kind).map((part) => (design: CarDesign) => fitOwn(design, slot, part)),
  ];
}
const ofParts = (slot: PartSlot, options: SearchOptions): Turn[] => {
  const parts = partsAt(slot, options);
  return parts.length > 1 ? [(design, share) => pick(parts, share)(design)] : [];
};

/** Bands beside and behind one another, within the number that the rules allow. */
function ofBandCount(present: CarDesign): Turn[] {
  const { motor, limits } = present;
  if (!hasBands(motor)) return [];
  const most = Math.max(motor.parallel * motor.series, Math.min(limits.bands ?? USUAL_BANDS, MOST_BANDS));
  const counts = Array.from({ length: most }, (_, i) => i + 1);
  const pairs = counts.flatMap((parallel) => counts.filter((series) => parallel * series <= most).map((series) => ({ parallel, series })));
  return [(design, share) => (hasBands(design.motor) ? { ...design, motor: { ...design.motor, ...pick(pairs, share) } } : design)];
}

const placed = (design: CarDesign): CarDesign => recordOf(design.motor).placed(design, design.motor);

/** Everything a search turns, sizes before parts: a part of its own size keeps it. */
const turnsOf = (design: CarDesign, options: SearchOptions): Turn[] => [
  ...sizesOf(design.motor.kind)
    .filter(({ searchStep }) => searchStep !== undefined)
    .map((size) => ofSize(size, design)),
  ...(isRoller(design) ? [] : [sleeveThickness, sleeveTurns]),
  ...ofBandCount(design),
  ...(['tyre', 'band', 'driveWheels', 'axle', 'bearing', 'trap', 'washer'] as const).flatMap((slot) => ofParts(slot, options)),
];

/** Whether there are as many of each of the builder's own parts as the design uses; those that are not in the list are there. */
function areAtHand(design: CarDesign, own: readonly OwnPart[]): boolean {
  return (Object.keys(design.own ?? {}) as PartSlot[]).every((slot) => {
    const part = own.find(({ kind, name }) => kind === SLOTS[slot].kind && name === design.own![slot]!.name);
    return !part || part.count >= neededAt(design, slot);
  });
}

/**
 * Searches sizes and parts around a design for its aim: an even sample of cars, then small steps from the best. Cars that
 * break a limit, use more parts than there are, or that a check stops are passed over. The same seed gives the same answer.
 */
export function findBestCar(design: CarDesign, options: SearchOptions = {}): Search {
  const { seed = 1, tries = SEARCH_TRIES, own = [], onProgress = () => true } = options;
  const workspace = makeWorkspace();
  const turns = turnsOf(design, options);
  const build = (point: ArrayLike<number>): CarDesign => placed(turns.reduce((made, turn, k) => turn(made, point[k]!), design));
  const found: (Candidate & { readonly point: ArrayLike<number> })[] = [];
  const tryAt = (point: ArrayLike<number>): void => {
    const made = build(point);
    if (breaksLimits(made) || !areAtHand(made, own)) return;
    const { score, distance, time, stoppedBy } = exploreCar(made, workspace);
    if (stoppedBy === null && distance > 0) found.push({ design: made, score, distance, time, point });
  };
  const pointAt = lowDiscrepancy(turns.length, seed);
  const random = mulberry(seed);
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
  const best: typeof found = [];
  for (const candidate of found) {
    if (best.length === 3 || (present.stoppedBy === null && candidate.score <= present.score)) break;
    if (best.every((better) => areDistinct(better.design, candidate.design))) best.push(candidate);
  }
  return { front: frontOf(found), best: best.map(plain), passed: found.length };
}

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
  const measures = measuresOf(design);
  return (Object.keys(measures) as (keyof typeof measures)[]).some((key) => {
    const limit = design.limits[key];
    return limit !== null && measures[key] > limit;
  });
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

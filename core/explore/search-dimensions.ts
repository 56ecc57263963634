import { BANDS, TYRES } from '../car/catalogue.ts';
import type { CarDesign } from '../car/car-design.ts';
import { fitCatalogue, fitOwn, tyreBands } from '../car/parts.ts';
import { nearestOf } from '../numerics/nearest.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { hasBands, isRoller, recordOf } from '../car/motors/motors.ts';
import { sizesOf } from '../car/sizes.ts';
import { sleevesFor } from '../car/sleeves.ts';
import type { Size } from '../car/size.ts';

/** The builder's own parts a search may use; with `onlyOwn` no tyre or band but those and the present ones. */
export interface PartsForSearch {
  readonly own?: readonly OwnPart[];
  readonly onlyOwn?: boolean;
}

/** One way in which cars of a search differ: a design changed by a number from 0 to 1. */
export type SearchDimension = (design: CarDesign, fraction: number) => CarDesign;

/** How far from the present car the search goes. */
const FACTOR = 1.8;
/** kg */
const MOST_BALLAST = 0.06;
/** Bands in all: where the rules do not say, and the most that is tried where they allow more. */
const USUAL_BANDS = 4;
const MOST_BANDS = 12;
const between = (low: number, high: number, fraction: number): number => low + fraction * (high - low);
const pick = <T>(list: readonly T[], fraction: number): T => list[Math.min(Math.floor(fraction * list.length), list.length - 1)]!;

/** The nearest value a builder would make: of those that are to be had, or on the size's step; the present one where it is as near. */
function madeAs({ searchStep = 0, stock }: Size, value: number, present: number, design: CarDesign): number {
  const list = stock?.(design);
  if (list) return nearestOf(list, value);
  return Math.abs(value - present) <= searchStep / 2 ? present : Math.round(value / searchStep) * searchStep;
}

/** A design with every size that differs from another’s as a builder would make it, or as it is to be had. */
export const roundedToBuildable = (design: CarDesign, from: CarDesign): CarDesign =>
  design.motor.kind !== from.motor.kind
    ? design
    : sizesOf(design.motor.kind)
        .filter(({ searchStep, read }) => searchStep !== undefined && Math.abs(read(design) - read(from)) > 1e-9)
        .reduce((rounded, size) => size.write(rounded, madeAs(size, size.read(rounded), size.read(from), rounded)), design);

function ofSize(size: Size, present: CarDesign): SearchDimension {
  const { id, low, high, searchedUpTo, read, write } = size;
  const value = read(present);
  const highest = searchedUpTo ? Math.max(value, searchedUpTo(present)) : high;
  const [from, to] = id === 'ballast' ? [0, MOST_BALLAST] : [Math.max(low, value / FACTOR), Math.min(highest, value * FACTOR)];
  return (design, fraction) => write(design, madeAs(size, between(from, to, fraction), value, design));
}

/** Turns over a sleeve that are tried. */
const SLEEVE_TURNS = [0.5, 1, 1.5, 2, 3, 4];

/** Nothing on the axle, for half of the search; else one sleeve as builders make it, the thinner first. */
function ofSleeve({ axleDiameter }: CarDesign): SearchDimension {
  const sleeves = sleevesFor(axleDiameter);
  return (design, fraction) => {
    if (fraction < 0.5 || sleeves.length === 0) return { ...design, sleeve: [] };
    const [which, turns] = [Math.floor((2 * fraction - 1) * sleeves.length), ((2 * fraction - 1) * sleeves.length) % 1];
    const { kind, diameter } = sleeves[Math.min(which, sleeves.length - 1)]!;
    // On the axle that the car has by now.
    return diameter > design.axleDiameter
      ? { ...design, sleeve: [{ kind, diameter, turns: pick(SLEEVE_TURNS, turns) }] }
      : { ...design, sleeve: [] };
  };
}

/** The parts that may be fitted at a place, each as the design with it; the present one is always among them. */
function partsAt(slot: PartSlot, { own = [], onlyOwn = false }: PartsForSearch): readonly ((design: CarDesign) => CarDesign)[] {
  const common = onlyOwn ? [] : slot === 'tyre' ? Object.keys(TYRES) : slot === 'band' ? Object.keys(BANDS) : [];
  return [
    (design) => design,
    ...common.map((key) => (design: CarDesign) => fitCatalogue(design, slot, key)),
    ...own.filter(({ kind }) => kind === SLOTS[slot].kind).map((part) => (design: CarDesign) => fitOwn(design, slot, part)),
  ];
}
const ofParts = (slot: PartSlot, options: PartsForSearch): SearchDimension[] => {
  const parts = partsAt(slot, options);
  return parts.length > 1 ? [(design, fraction) => pick(parts, fraction)(design)] : [];
};

/** Bands beside and behind one another, within the number that the rules allow. */
function ofBandCount(present: CarDesign): SearchDimension[] {
  const { motor, limits } = present;
  if (!hasBands(motor)) return [];
  const most = Math.max(
    motor.parallel * motor.series,
    Math.min(limits.bands === null ? USUAL_BANDS : limits.bands - tyreBands(present), MOST_BANDS),
  );
  const counts = Array.from({ length: most }, (_, i) => i + 1);
  const pairs = counts.flatMap((parallel) => counts.filter((series) => parallel * series <= most).map((series) => ({ parallel, series })));
  return [(design, fraction) => (hasBands(design.motor) ? { ...design, motor: { ...design.motor, ...pick(pairs, fraction) } } : design)];
}

/** The car with its motor placed where its sizes want it, on a body that carries it. */
export const withMotorPlaced = (design: CarDesign): CarDesign => recordOf(design.motor).placed(design, design.motor);

/** Everything a search turns, sizes before parts: a part of its own size keeps it. */
export const searchDimensions = (design: CarDesign, options: PartsForSearch): SearchDimension[] => [
  ...sizesOf(design.motor.kind)
    .filter(({ searchStep }) => searchStep !== undefined)
    .map((size) => ofSize(size, design)),
  ...(isRoller(design) ? [] : [ofSleeve(design)]),
  ...ofBandCount(design),
  ...(['tyre', 'band', 'driveWheels', 'axle', 'bearing', 'trap', 'washer'] as const).flatMap((slot) => ofParts(slot, options)),
];

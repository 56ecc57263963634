import type { CarDesign } from '../car/car-design.ts';
import { fittedKey, fittedName, neededAt } from '../car/parts.ts';
import { SLOTS, type OwnPart, type PartSlot } from '../car/part-slots.ts';
import { sizesOf } from '../car/sizes.ts';
import type { Format } from '../units/quantity.ts';

/** Something that a changed car is made of and the present one is not. */
export interface PartToGet {
  readonly name: string;
  readonly count: number;
  /** Among the builder's own parts there are enough of it. */
  readonly isAtHand: boolean;
}

/** The size that a piece is cut to or comes in, m; null where it is the piece itself. */
const pieceSize = (design: CarDesign, slot: PartSlot): number | null =>
  sizesOf(design.motor.kind)
    .find((size) => size.slot === slot)
    ?.read(design) ?? null;

/** Another piece, or more of them, than the present car has; a lever is only cut shorter. */
function isAnother(from: CarDesign, to: CarDesign, slot: PartSlot): boolean {
  if (fittedKey(from, slot) !== fittedKey(to, slot) || from.own?.[slot]?.name !== to.own?.[slot]?.name) return true;
  if (neededAt(to, slot) > neededAt(from, slot)) return true;
  const [before, after] = [pieceSize(from, slot) ?? 0, pieceSize(to, slot) ?? 0];
  return slot === 'lever' ? after > before + 1e-6 : Math.abs(after - before) > 1e-6;
}

/** The least ballast worth a line, kg. */
const LEAST_BALLAST = 0.001;

/** What a builder needs for `to` that is not on `from`: what the drawer holds enough of is at hand. `print`: sizes and weights in words. */
export function partsToGet(from: CarDesign, to: CarDesign, drawer: readonly OwnPart[], format: Format): PartToGet[] {
  const parts = (Object.keys(SLOTS) as PartSlot[])
    .filter((slot) => fittedKey(to, slot) !== null && isAnother(from, to, slot))
    .map((slot): PartToGet => {
      const { kind } = SLOTS[slot];
      const [key, own, size, count] = [fittedKey(to, slot), to.own?.[slot], pieceSize(to, slot), neededAt(to, slot)];
      const isAtHand = drawer.some(
        (part) => part.kind === kind && (own ? part.name === own.name : part.like === key) && part.count >= count,
      );
      return { name: `${fittedName(to, slot)}${own || size === null ? '' : `, ${format(size, 'size')}`}`, count, isAtHand };
    });
  const more = to.ballast.mass - from.ballast.mass;
  return more > LEAST_BALLAST ? [...parts, { name: `${format(more, 'weight')} of coins or clay`, count: 1, isAtHand: false }] : parts;
}

/** Minutes that changes take, and those of getting or making a part. Our estimates. */
const OF_A_CHANGE = 10;
const OF_A_PART = 15;
/** Minutes at the table for so many changes, and the parts they need. */
export const minutesOf = (changes: number, parts: readonly PartToGet[]): number => OF_A_CHANGE * changes + OF_A_PART * parts.length;

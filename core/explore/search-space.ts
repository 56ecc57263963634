import { judgeRules } from '../brief/rules.ts';
import type { CarDesign } from '../car/car-design.ts';
import { conflictsOf } from '../car/fit.ts';
import { neededAt } from '../car/parts.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { searchDimensions, withMotorPlaced, type PartsForSearch } from './search-dimensions.ts';

/** All designs that a search may come to: points of a unit cube, one number from 0 to 1 for each dimension. */
export interface SearchSpace {
  readonly dimensions: number;
  /**
   * The design at a point.
   * @param applied the dimensions that change the present car; all by default
   */
  readonly designAt: (point: ArrayLike<number>, applied?: ReadonlySet<number>) => CarDesign;
  /** The dimensions in which the design at a point differs from the present car. */
  readonly changedAt: (point: ArrayLike<number>) => ReadonlySet<number>;
  /** Whether a design keeps the limits, needs no more parts than there are, and has no more parts that do not go together than the present car. */
  readonly isAllowed: (design: CarDesign) => boolean;
}

/** Whether there are as many of each of the builder’s own parts as the design uses; those that are not in the list are there. */
function areInStock(design: CarDesign, own: readonly OwnPart[]): boolean {
  return (Object.keys(design.own ?? {}) as PartSlot[]).every((slot) => {
    const part = own.find(({ kind, name }) => kind === SLOTS[slot].kind && name === design.own![slot]!.name);
    return !part || part.count >= neededAt(design, slot);
  });
}

const breaksLimits = (design: CarDesign): boolean => judgeRules(design, design.limits).some(({ verdict }) => verdict === 'broken');

const isSame = (a: CarDesign, b: CarDesign): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The space about a present car. */
export function searchSpace(present: CarDesign, parts: PartsForSearch): SearchSpace {
  const dimensions = searchDimensions(present, parts);
  const conflicts = conflictsOf(present).length;
  return {
    dimensions: dimensions.length,
    designAt: (point, applied) =>
      withMotorPlaced(dimensions.reduce((design, change, k) => (!applied || applied.has(k) ? change(design, point[k]!) : design), present)),
    changedAt: (point) => new Set(dimensions.flatMap((change, k) => (isSame(change(present, point[k]!), present) ? [] : [k]))),
    isAllowed: (design) => !breaksLimits(design) && areInStock(design, parts.own ?? []) && conflictsOf(design).length <= conflicts,
  };
}

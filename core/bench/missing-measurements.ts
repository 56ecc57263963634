import type { CarDesign } from '../car/car-design.ts';
import { neededAt } from '../car/parts.ts';
import type { OwnPart, PartKind } from '../car/part-slots.ts';
import { hasPart } from './apply-to-part.ts';
import type { MeasurementKind } from './measured.ts';

/** Which measurement tells which values of a part of each kind. */
const TOLD_BY: Readonly<Partial<Record<PartKind, readonly (readonly [kind: MeasurementKind, keys: readonly string[]])[]>>> = {
  trap: [['lever-pull', ['preload', 'rate']]],
  band: [['band-pull', ['c1', 'c2']]],
  tyre: [
    ['tilt', ['staticGrip']],
    ['drag', ['slidingGrip']],
  ],
  bearing: [['free-spin', ['friction']]],
  wheel: [['roll-out', ['diameter']]],
  axle: [['thread', ['diameter']]],
};

/** Measurements of a part that were not made yet: those whose values nobody knows with how sure. */
export const missingMeasurements = ({ kind, evidence, spreads, values }: OwnPart): readonly MeasurementKind[] =>
  (TOLD_BY[kind] ?? [])
    .filter(
      ([, keys]) =>
        !keys.every((key) => evidence === 'measured' && (spreads?.[key] !== undefined || (key in values && key !== 'diameter'))),
    )
    .map(([measurement]) => measurement);

/** Where a part of the builder's own is fitted: cars by name, and how many each takes. */
export const usesOf = (part: OwnPart, cars: readonly CarDesign[]): readonly { readonly car: string; readonly count: number }[] =>
  cars.flatMap((car) => {
    const count = hasPart(car, part).reduce((sum, slot) => sum + neededAt(car, slot), 0);
    return count > 0 ? [{ car: car.name, count }] : [];
  });

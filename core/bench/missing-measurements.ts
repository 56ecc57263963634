import type { CarDesign } from '../car/car-design.ts';
import { neededAt } from '../car/parts.ts';
import type { OwnPart } from '../car/part-slots.ts';
import { hasPart } from './apply-to-part.ts';
import type { MeasurementKind } from './measured.ts';
import { MEASUREMENT_KINDS, MEASUREMENTS } from './measurements.ts';

/** Measurements of a part that were not made yet: those of whose values the uncertainty is not known. */
export const missingMeasurements = ({ kind, evidence, spreads, values }: OwnPart): readonly MeasurementKind[] =>
  MEASUREMENT_KINDS.filter((measurement) => {
    const { ofPart } = MEASUREMENTS[measurement];
    const isKnown = (key: string): boolean =>
      evidence === 'measured' && (spreads?.[key] !== undefined || (key in values && key !== 'diameter'));
    return ofPart?.kind === kind && !ofPart.keys.every(isKnown);
  });

/** Where a part of the builder's own is fitted: cars by name, and how many each takes. */
export const usesOf = (part: OwnPart, cars: readonly CarDesign[]): readonly { readonly car: string; readonly count: number }[] =>
  cars.flatMap((car) => {
    const count = hasPart(car, part).reduce((sum, slot) => sum + neededAt(car, slot), 0);
    return count > 0 ? [{ car: car.name, count }] : [];
  });

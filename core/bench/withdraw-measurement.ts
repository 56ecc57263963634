import type { CarDesign } from '../car/car-design.ts';
import { findFacet, type MeasurementHistoryEntry } from './measurement-history.ts';
import { applyMeasurement } from './apply-measurement.ts';
import { isMeasured, measure } from './measure.ts';

/**
 * The car as it would be known without one of its measurements: what that one and all later ones of the same values changed is as it was
 * before, and the later ones are put in again. Null where the version it grew from is gone.
 */
export function withdrawMeasurement(design: CarDesign, done: readonly MeasurementHistoryEntry[], id: string): CarDesign | null {
  const at = done.findIndex((one) => one.id === id);
  const first = done[at];
  if (!first?.from) return null;
  const names = new Set(first.changed);
  const again: MeasurementHistoryEntry[] = [];
  const before = new Map(first.changed.map((name) => [name, first.from!]));
  for (const later of done.slice(at + 1)) {
    if (!later.isIn || !later.from || !later.changed.some((name) => names.has(name))) continue;
    again.push(later);
    for (const name of later.changed) {
      names.add(name);
      if (!before.has(name)) before.set(name, later.from);
    }
  }
  const without = [...before].reduce((car, [name, from]) => findFacet(name).write(car, from), design);
  return again.reduce((car, { measurement }) => {
    const result = measure(measurement);
    return isMeasured(result) ? applyMeasurement(car, result) : car;
  }, without);
}

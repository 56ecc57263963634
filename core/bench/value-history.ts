import type { CarDesign } from '../car/car-design.ts';
import { isSameContent } from '../car/same-design.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import type { Value, ValueKey } from '../car/value-table.ts';
import type { StoredVersion } from '../schema/stored.ts';
import type { MeasurementKind } from './measured.ts';

/** How a value of a car came to be known otherwise. */
export interface ValueStep {
  readonly version: string;
  readonly at: string;
  readonly from: Value;
  readonly to: Value;
  /** By a measurement at the bench; null: by a fit to runs, or typed. */
  readonly by: MeasurementKind | null;
}

/** A value of a car as it is known now, and how it came to be, the oldest first. */
export interface ValueHistory {
  readonly key: ValueKey;
  readonly now: Value;
  readonly steps: readonly ValueStep[];
}

/** Every value that a car depends on, with its history by the versions that were stored. */
export function valueHistories(versions: readonly StoredVersion[], design: CarDesign): ValueHistory[] {
  const inOrder = versions.toSorted((a, b) => a.record.keptAt.localeCompare(b.record.keptAt));
  const known = new Map(inOrder.map((version) => [version.id, version.record.design]));
  return valueKeysOf(design).map((key) => ({
    key,
    now: valueOf(design, key),
    steps: inOrder.flatMap(({ id, record }): ValueStep[] => {
      const parent = record.parent === null ? undefined : known.get(record.parent);
      const isOne = parent && parent.motor.kind === record.design.motor.kind;
      if (!isOne || isSameContent(parent.measured[key], record.design.measured[key])) return [];
      const to = valueOf(record.design, key);
      if (to.evidence === 'estimated') return [];
      return [{ version: id, at: record.keptAt, from: valueOf(parent, key), to, by: record.bench?.measurement.kind ?? null }];
    }),
  }));
}

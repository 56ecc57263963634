import type { CarDesign } from '../car/car-design.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { isSameContent } from '../car/same-design.ts';
import type { ValueKey } from '../car/value-table.ts';
import type { StoredVersion } from '../schema/stored.ts';
import type { Measurement } from './measured.ts';

/** Something of a car that a measurement may change, each by itself. */
interface Facet {
  readonly read: (design: CarDesign) => unknown;
  readonly write: (design: CarDesign, from: CarDesign) => CarDesign;
}
const ofValue = (key: ValueKey): Facet => ({
  read: ({ measured }) => measured[key],
  write: (design, { measured: { [key]: value } }) => {
    const { [key]: _now, ...rest } = design.measured;
    return { ...design, measured: value === undefined ? rest : { ...rest, [key]: value } };
  },
});
const ofSlot = (slot: PartSlot): Facet => ({
  read: ({ own }) => own?.[slot],
  write: ({ own: now, ...design }, { own: before }) => {
    const { [slot]: _now, ...others } = now ?? {};
    const own = { ...others, ...(before?.[slot] && { [slot]: before[slot] }) };
    return Object.keys(own).length > 0 ? { ...design, own } : design;
  },
});
const OTHER_FACETS: Readonly<Record<string, Facet>> = {
  weight: {
    read: ({ rest, weighed }) => ({ rest, weighed }),
    write: (design, { rest, weighed }) => ({ ...design, rest, weighed }),
  },
  'drive wheels': {
    read: ({ driveWheels }) => driveWheels.diameter,
    write: (design, { driveWheels: { diameter } }) => ({ ...design, driveWheels: { ...design.driveWheels, diameter } }),
  },
  axle: { read: ({ axleDiameter }) => axleDiameter, write: (design, { axleDiameter }) => ({ ...design, axleDiameter }) },
  ...Object.fromEntries((Object.keys(SLOTS) as PartSlot[]).map((slot) => [`own ${slot}`, ofSlot(slot)])),
};
/** A facet by its name. */
export const findFacet = (name: string): Facet => OTHER_FACETS[name] ?? ofValue(name as ValueKey);

/** What differs between two designs of what measurements change: values by their keys, and sizes. */
export function facetsChanged(from: CarDesign, to: CarDesign): string[] {
  const names = new Set([...Object.keys(from.measured), ...Object.keys(to.measured), ...Object.keys(OTHER_FACETS)]);
  return [...names].filter((name) => !isSameContent(findFacet(name).read(from), findFacet(name).read(to)));
}

/** The design with one of its values as another design has it. */
export const copyFacet = (design: CarDesign, key: ValueKey, from: CarDesign): CarDesign => ofValue(key).write(design, from);

/** A measurement that a car was given, with the version that it made. */
export interface MeasurementHistoryEntry {
  readonly id: string;
  readonly at: string;
  readonly measurement: Measurement;
  /** The builder's own part that it was put into; null: into the car alone. */
  readonly part: string | null;
  readonly before: { readonly low: number; readonly high: number };
  readonly after: { readonly low: number; readonly high: number };
  readonly from: CarDesign | null;
  readonly to: CarDesign;
  readonly changed: readonly string[];
  /** What it told is in the car as it is now, by itself or with what was measured later. */
  readonly isIn: boolean;
}

/** The measurements that a car's versions tell of, the oldest first. A version whose parent is gone tells what it made, and cannot be taken back. */
export function measurementHistory(versions: readonly StoredVersion[], design: CarDesign): MeasurementHistoryEntry[] {
  const measurements = versions.filter(({ record }) => record.bench).toSorted((a, b) => a.record.keptAt.localeCompare(b.record.keptAt));
  const done = measurements.map(({ id, record }) => {
    const from = versions.find((version) => version.id === record.parent)?.record.design ?? null;
    const { measurement, part = null, before, after } = record.bench!;
    const changed = from ? facetsChanged(from, record.design) : [];
    return { id, at: record.keptAt, measurement, part, before, after, from, to: record.design, changed };
  });
  return done.map((one, i) => ({
    ...one,
    isIn:
      one.changed.length > 0 &&
      one.changed.every((name) =>
        done
          .slice(i)
          .some(({ changed, to }) => changed.includes(name) && isSameContent(findFacet(name).read(to), findFacet(name).read(design))),
      ),
  }));
}

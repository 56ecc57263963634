import type { Measurement, MeasurementKind } from '../../../core/bench/measured.ts';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import { columnsOf } from '../../../core/bench/reading-columns.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatFault } from '../../../core/fault-words.ts';
import { readMeasurement } from '../../../core/files/read.ts';
import type { UnitSystem } from '../../../core/units/quantity.ts';
import { inField } from './reading-tables.tsx';
import type { TypedReadings } from './readings.ts';

/** A measurement as it would be typed: rows of its table, and what is entered once where the design says otherwise. */
export function typedOf(
  measurement: Measurement,
  design: CarDesign,
  units: UnitSystem,
): { readonly rows: TypedReadings['rows']; readonly set: Readonly<Record<string, string>> } {
  const { columns, once } = MEASUREMENTS[measurement.kind];
  const values = columnsOf(measurement);
  const inColumns = columns.map(({ key, quantity, options }) => {
    const list = Array.isArray(values[key]) ? (values[key] as readonly (number | string)[]) : [];
    return [key, list.map((value) => (options ? String(value) : inField(Number(value), quantity, units)))] as const;
  });
  const count = Math.max(...inColumns.map(([, list]) => list.length));
  const set = once.flatMap(({ key, quantity, of, either }) => {
    const value = values[key];
    if (either) return [[key, value ? '1' : '0'] as const];
    const single = Array.isArray(value) ? (value as readonly number[])[0] : (value as number | undefined);
    return single === undefined || Math.abs(single - of(design)) < 1e-9 ? [] : [[key, inField(single, quantity, units)] as const];
  });
  return {
    rows: Array.from({ length: count }, (_, i) => Object.fromEntries(inColumns.map(([key, list]) => [key, list[i] ?? '']))),
    set: Object.fromEntries(set),
  };
}

/** Reads a file of readings of one kind; else what is wrong with it. */
export async function openReadings(
  file: File,
  kind: MeasurementKind,
): Promise<{ readonly measurement: Measurement } | { readonly problem: string }> {
  let value: unknown;
  try {
    value = JSON.parse(await file.text());
  } catch {
    return { problem: 'this file is not JSON. Choose one that was saved here.' };
  }
  const read = readMeasurement(value);
  if (read.kind === 'faulty') return { problem: formatFault(read.faults[0]!) };
  return read.value.kind === kind
    ? { measurement: read.value }
    : { problem: `these belong to “${MEASUREMENTS[read.value.kind].name}”. Open them there.` };
}

import { MEASUREMENTS } from '../bench/measurements.ts';
import type { MeasurementRecord } from '../bench/measurement-record.ts';
import type { Fault } from '../fault.ts';
import type { Measurement } from '../schema/generated/measurement.ts';

type Loose = Readonly<Record<string, unknown>>;
const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value);

/** A measurement as it may be written: a single reading represents a column of one, and one resolution for that of the column that is read. */
export function fullMeasurement(value: unknown): unknown {
  if (!isLoose(value)) return value;
  const record = (MEASUREMENTS as Readonly<Record<string, MeasurementRecord | undefined>>)[String(value.kind)];
  if (!record) return value;
  const { together, alone = [], oneOrEach = [], read } = record.table;
  const all = [...together, ...alone, ...oneOrEach];
  const { readings, resolution } = value;
  const inColumns = isLoose(readings)
    ? Object.fromEntries(Object.entries(readings).map(([key, one]) => [key, all.includes(key) && typeof one === 'number' ? [one] : one]))
    : readings;
  const has = isLoose(readings) ? Object.keys(readings) : [];
  const present = read.filter((column) => has.includes(column));
  return {
    ...value,
    readings: inColumns,
    ...(typeof resolution === 'number' && { resolution: Object.fromEntries(present.map((column) => [column, resolution])) }),
  };
}

/** Columns that belong together but are not as long as each other. */
export function columnFaults({ kind, readings, ...rest }: Measurement): Fault[] {
  const { together, oneOrEach = [], rising = [] } = MEASUREMENTS[kind].table;
  const faultsOf = (of: Loose, path: string): Fault[] => {
    const there = together.filter((column) => Array.isArray(of[column]));
    const count = (of[there[0] ?? ''] as readonly unknown[] | undefined)?.length;
    const wrong = there.filter((column) => (of[column] as readonly unknown[]).length !== count);
    const notRising = rising.flatMap((column) => {
      const values = (of[column] ?? []) as readonly number[];
      const at = values.findIndex((value, i) => i > 0 && value <= values[i - 1]!);
      return at < 0
        ? []
        : [{ path: `${path}.${column}[${at}]`, code: 'expected' as const, what: `above ${values[at - 1]!}, the one before` }];
    });
    const neither = oneOrEach.filter((column) => ![1, count].includes((of[column] as readonly unknown[]).length));
    return [
      ...[...wrong, ...neither].map((column) => ({
        path: `${path}.${column}`,
        code: 'expected' as const,
        what: `as many as there are in ${there[0]}: ${count}`,
      })),
      ...notRising,
    ];
  };
  const back = 'back' in rest && isLoose(rest.back) ? faultsOf(rest.back, 'back') : [];
  return [...faultsOf(readings, 'readings'), ...back];
}

import type { Fault } from '../fault.ts';
import type { Measurement } from '../schema/generated/measurement.ts';

/** Columns that belong together, each kind’s first the one that says how many there are; and the one that a plain resolution is that of. */
const COLUMNS: Readonly<
  Record<
    Measurement['kind'],
    { readonly together: readonly string[]; readonly alone?: readonly string[]; readonly read: readonly string[] }
  >
> = {
  'lever-pull': { together: ['angle', 'torque', 'force'], read: ['torque', 'force'] },
  'band-pull': { together: ['stretchedLength', 'force'], read: ['force'] },
  'rim-pull': { together: ['turns', 'force'], read: ['force'] },
  tilt: { together: ['angle'], read: ['angle'] },
  drag: { together: ['force'], read: ['force'] },
  ramp: { together: ['distance'], alone: ['height'], read: ['distance'] },
  coast: { together: ['marks', 'times'], read: ['times'] },
  'free-spin': { together: ['turns', 'time'], read: ['time'] },
  'roll-out': { together: ['turns', 'length'], read: ['length'] },
  wobble: { together: [], alone: ['inOut', 'upDown'], read: ['inOut', 'upDown'] },
  weights: { together: [], alone: ['drive', 'other', 'raised'], read: ['drive', 'other', 'raised'] },
  thread: { together: ['turns', 'length'], read: ['length'] },
  tape: { together: [], alone: ['before', 'after'], read: ['before', 'after'] },
  push: { together: ['drift', 'distance', 'direction'], read: ['drift'] },
  level: { together: [], alone: ['out', 'back'], read: ['out', 'back'] },
};

type Loose = Readonly<Record<string, unknown>>;
const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value);

/** A measurement as it may be written: a single reading stands for a column of one, and one resolution for that of the column that is read. */
export function fullMeasurement(value: unknown): unknown {
  if (!isLoose(value)) return value;
  const columns = COLUMNS[value.kind as Measurement['kind']] as (typeof COLUMNS)[Measurement['kind']] | undefined;
  if (!columns) return value;
  const all = [...columns.together, ...(columns.alone ?? [])];
  const { readings, resolution } = value;
  const inColumns = isLoose(readings)
    ? Object.fromEntries(Object.entries(readings).map(([key, one]) => [key, all.includes(key) && typeof one === 'number' ? [one] : one]))
    : readings;
  const has = isLoose(readings) ? Object.keys(readings) : [];
  const read = columns.read.filter((column) => has.includes(column));
  return {
    ...value,
    readings: inColumns,
    ...(typeof resolution === 'number' && { resolution: Object.fromEntries(read.map((column) => [column, resolution])) }),
  };
}

/** Columns that belong together but are not as long as each other. */
export function columnFaults({ kind, readings, ...rest }: Measurement): Fault[] {
  const { together, alone = [] } = COLUMNS[kind];
  const faultsOf = (of: Loose, path: string): Fault[] => {
    const there = together.filter((column) => Array.isArray(of[column]));
    const count = (of[there[0] ?? ''] as readonly unknown[] | undefined)?.length;
    const wrong = there.filter((column) => (of[column] as readonly unknown[]).length !== count);
    // A ramp stands as high all along, or each time as it is told.
    // A car passes one mark after another.
    const falling = ['marks', 'times'].flatMap((column) => {
      const values = kind === 'coast' ? ((of[column] ?? []) as readonly number[]) : [];
      const at = values.findIndex((value, i) => i > 0 && value <= values[i - 1]!);
      return at < 0
        ? []
        : [{ path: `${path}.${column}[${at}]`, code: 'expected' as const, what: `above ${values[at - 1]!}, the one before` }];
    });
    const ofRamp = kind === 'ramp' ? alone.filter((column) => ![1, count].includes((of[column] as readonly unknown[]).length)) : [];
    return [
      ...[...wrong, ...ofRamp].map((column) => ({
        path: `${path}.${column}`,
        code: 'expected' as const,
        what: `as many as there are in ${there[0]}: ${count}`,
      })),
      ...falling,
    ];
  };
  const back = 'back' in rest && isLoose(rest.back) ? faultsOf(rest.back, 'back') : [];
  return [...faultsOf(readings, 'readings'), ...back];
}

import { useState } from 'react';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import { NO_READINGS, type TypedReadings } from './readings.ts';

const keyOf = (carId: string, kind: MeasurementKind): string => `bench-${carId}-${kind}`;

function stored(carId: string, kind: MeasurementKind): TypedReadings {
  try {
    return { ...NO_READINGS, ...(JSON.parse(localStorage.getItem(keyOf(carId, kind)) ?? '{}') as Partial<TypedReadings>) };
  } catch {
    return NO_READINGS;
  }
}

/** Rows that are there to be typed into, beyond the last that is. */
const SPARE = 2;

/** What was typed for one measurement of a car, kept in this browser until it is cleared. */
export function useTypedReadings(carId: string, kind: MeasurementKind) {
  const [typed, setTyped] = useState(() => stored(carId, kind));
  const take = (next: TypedReadings): void => {
    const last = next.rows.findLastIndex((row) => Object.values(row).some((text) => text.trim() !== ''));
    const rows = Array.from({ length: Math.max(NO_READINGS.rows.length, last + 1 + SPARE) }, (_, i) => next.rows[i] ?? {});
    const kept = { ...next, rows };
    localStorage.setItem(keyOf(carId, kind), JSON.stringify(kept));
    setTyped(kept);
  };
  // Typed anew they are other readings than those that were put in.
  const { put: _before, ...asTyped } = typed;
  return {
    typed,
    cell: (row: number, key: string, text: string): void =>
      take({ ...asTyped, rows: typed.rows.map((values, i) => (i === row ? { ...values, [key]: text } : values)) }),
    once: (key: string, text: string): void => take({ ...asTyped, once: { ...typed.once, [key]: text } }),
    division: (text: string): void => take({ ...asTyped, division: text }),
    markPut: (put: NonNullable<TypedReadings['put']>): void => take({ ...asTyped, put }),
    fill: (rows: TypedReadings['rows'], told: TypedReadings['once']): void => take({ rows, once: told, division: '' }),
    clear: (): void => {
      localStorage.removeItem(keyOf(carId, kind));
      setTyped(NO_READINGS);
    },
  };
}

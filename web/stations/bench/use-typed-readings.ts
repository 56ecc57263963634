import { useState } from 'react';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import { useUnits } from '../../ui/use-units.ts';
import { useUnitsOfTyping } from '../../ui/use-units-of-typing.ts';
import { NO_READINGS, rereadings, type TypedReadings } from './readings.ts';
import { readLocalStorage } from '../../ui/use-local-storage.ts';
import { spaceStorage } from '../../ui/space.ts';

const keyOf = (carId: string, kind: MeasurementKind): string => `bench-${carId}-${kind}`;

function stored(carId: string, kind: MeasurementKind): TypedReadings {
  return { ...NO_READINGS, ...readLocalStorage<Partial<TypedReadings>>(keyOf(carId, kind), {}) };
}

/** Rows that are there to be typed into, beyond the last that is. */
const SPARE = 2;

/** What was typed for one measurement of a car, stored in this browser until it is cleared. */
export function useTypedReadings(carId: string, kind: MeasurementKind) {
  const [typed, setTyped] = useState(() => stored(carId, kind));
  const units = useUnits();
  const take = (next: TypedReadings): void => {
    const last = next.rows.findLastIndex((row) => Object.values(row).some((text) => text.trim() !== ''));
    const rows = Array.from({ length: Math.max(NO_READINGS.rows.length, last + 1 + SPARE) }, (_, i) => next.rows[i] ?? {});
    const filled = { ...next, rows, units };
    spaceStorage.setItem(keyOf(carId, kind), JSON.stringify(filled));
    setTyped(filled);
  };
  useUnitsOfTyping(typed.units, (reread) => take(rereadings(kind, typed, reread)));
  return {
    typed,
    cell: (row: number, key: string, text: string): void =>
      take({ ...typed, rows: typed.rows.map((values, i) => (i === row ? { ...values, [key]: text } : values)) }),
    once: (key: string, text: string): void => take({ ...typed, once: { ...typed.once, [key]: text } }),
    division: (text: string): void => take({ ...typed, division: text }),
    /** Leaves a row out of the fit, or takes it in again. */
    leaveOut: (row: number, isOut: boolean): void =>
      take({ ...typed, left: [...(typed.left ?? []).filter((one) => one !== row), ...(isOut ? [row] : [])] }),
    /** An odd reading was looked at, and is right. */
    letStand: (row: number): void => take({ ...typed, stands: [...(typed.stands ?? []), row] }),
    /** Puts what an instrument shows into the first row that has nothing there yet. */
    add: (values: Readonly<Record<string, string>>): void => {
      const keys = Object.keys(values);
      const free = typed.rows.findIndex((row) => keys.every((key) => (row[key] ?? '').trim() === ''));
      take({ ...typed, rows: typed.rows.map((row, i) => (i === free ? { ...row, ...values } : row)) });
    },
    fill: (rows: TypedReadings['rows'], once: TypedReadings['once'], division = ''): void => take({ rows, once, division }),
    clear: (): void => {
      spaceStorage.removeItem(keyOf(carId, kind));
      setTyped(NO_READINGS);
    },
  };
}

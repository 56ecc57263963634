import type { MeasurementResult, InsufficientReadings } from './measured.ts';

/** What a value of a measurement can be at all (physics), and what it usually is of such cars (common practice, from memory). SI. */
export interface ValueBounds {
  readonly name: string;
  readonly can: readonly [least: number, most: number];
  readonly usual: readonly [low: number, high: number];
  /** What may have happened where it is not. */
  readonly look: string;
}

/** What to look at where a value is out of bounds. */
export const NEWTON_METRES = 'check that the torque is in N·m, not in N·mm';
export const METRES = 'check that lengths are in metres';
export const PASCALS = 'check that the cross-section is in m² and the force in N';
export const READ_AGAIN = 'repeat the reading';

/** Digits that such a figure is reported with. */
const DIGITS = 3;
const figure = (value: number): string => String(Number(value.toPrecision(DIGITS)));

/**
 * A result that can be shown: what is impossible is refused, what is rare gets a remark. A value that is possible within its uncertainty
 * is shown with a remark.
 * @param column the readings that are named in a refusal
 * @param bounds of each value, by its key
 */
export function plausible(
  result: MeasurementResult,
  column: string,
  bounds: Readonly<Record<string, ValueBounds>>,
): MeasurementResult | InsufficientReadings {
  const remarks: string[] = [];
  for (const [key, { value, interval95 }] of Object.entries(result.values)) {
    const ofValue = bounds[key];
    if (!ofValue) continue;
    const { name, can, usual, look } = ofValue;
    const isNumber = Number.isFinite(value);
    if (!isNumber || interval95[1] < can[0] || interval95[0] > can[1])
      return {
        column,
        needs: isNumber
          ? `readings with the ${name} between ${figure(can[0])} and ${figure(can[1])}: these give ${figure(value)}; ${look}`
          : `readings that give a number for the ${name}; ${look}`,
      };
    if (value < can[0] || value > can[1])
      remarks.push(`The ${name} is ${figure(value)}, which is impossible; within its uncertainty it is possible. Repeat the reading.`);
    else if (value < usual[0] || value > usual[1])
      remarks.push(`The ${name} of ${figure(value)} is far from the usual values (${figure(usual[0])} to ${figure(usual[1])}): ${look}.`);
  }
  return remarks.length === 0 ? result : { ...result, remarks: [...result.remarks, ...remarks] };
}

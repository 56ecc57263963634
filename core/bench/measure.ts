import type { InsufficientReadings, Measurement, MeasurementResult } from './measured.ts';
import type { MeasurementRecord } from './measurement-record.ts';
import { MEASUREMENTS } from './measurements.ts';
import { plausible } from './plausible.ts';

const BOUNDS = Object.assign({}, ...Object.values(MEASUREMENTS).map(({ bounds }) => bounds)) as MeasurementRecord['bounds'];

/**
 * Evaluates a measurement.
 * @returns values with their uncertainty, SI units; or which readings are missing, or make no sense
 */
export function measure(measurement: Measurement): MeasurementResult | InsufficientReadings {
  const { evaluate, table } = MEASUREMENTS[measurement.kind];
  const result = evaluate(measurement);
  return isMeasured(result) ? plausible(result, table.read[0], BOUNDS) : result;
}

/** Whether a measurement could be evaluated. */
export const isMeasured = (result: MeasurementResult | InsufficientReadings): result is MeasurementResult => 'values' in result;

import { hiddenCar, simulatedHand, type HiddenBuild, type Truth } from './hidden-car.ts';
import type { Measurement, MeasurementKind } from './measured.ts';
import { MEASUREMENTS } from './measurements.ts';

/**
 * Readings that somebody would take of a hidden car, with its truth.
 * @param seed the same seed reads the same
 * @returns null for a kind that tells nothing of such a car
 */
export function simulatedReadings(
  kind: MeasurementKind,
  build: HiddenBuild,
  seed: number,
): { readonly measurement: Measurement; readonly truth: Truth } | null {
  const simulated = MEASUREMENTS[kind].simulate(hiddenCar(build), simulatedHand(seed));
  if (!simulated) return null;
  const { readings, resolution, truth, more } = simulated;
  return {
    measurement: { format: 'nimble-axle/measurement', version: 1, kind, readings, resolution, ...more } as Measurement,
    truth,
  };
}

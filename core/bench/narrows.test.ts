import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { predict } from '../predict/uncertainty.ts';
import { simulate } from '../run/simulate.ts';
import { applyMeasurement } from './apply-measurement.ts';
import { isMeasured, measure } from './measure.ts';
import type { MeasurementKind } from './measured.ts';
import { simulatedReadings } from './simulated-readings.ts';

const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
  cars: { design: CarDesign }[];
};
const THREE: readonly MeasurementKind[] = ['weights', 'ramp', 'rim-pull'];

/** 8 in 10 of its runs, m. */
function rangeOf(design: CarDesign): { low: number; high: number } {
  const outcome = predict(design, { runs: 96 });
  if (outcome.kind === 'refused') throw new Error(`${design.name} is refused`);
  return outcome.prediction.distance;
}

/** A hidden car built to a design, with the design as three measurements of it leave it. */
function measuredCar(design: CarDesign, n: number): { readonly told: CarDesign; readonly truth: number } {
  const hidden = sampledCars(design, 3)(1 + n);
  const build = { ...hidden, curvature: 0, slope: 0, outOfTrue: 0.02, offCentre: 0.001 };
  let told = design;
  for (const kind of THREE) {
    const made = simulatedReadings(kind, build, 40 + n);
    if (!made) continue;
    // The rim is pulled on the car as it is known by then.
    const result = measure(made.measurement.kind === 'rim-pull' ? { ...made.measurement, design: told } : made.measurement);
    if (isMeasured(result)) told = applyMeasurement(told, result);
  }
  const outcome = simulate(deriveRunSetup(hidden.design, { kind: 'full' }, hidden.numbers));
  return { told, truth: outcome.kind === 'ran' ? outcome.result.distance : 0 };
}

describe('a roll from a ramp, the weights and a pull at the rim', () => {
  const told = cars.map(({ design }) => ({
    name: design.name,
    before: rangeOf(design),
    after: Array.from({ length: 12 }, (_, n) => {
      const { told: measured, truth } = measuredCar(design, n);
      return { range: rangeOf(measured), truth };
    }),
  }));
  it.each(told)('narrow the range of $name by about half or more', ({ name, before, after }) => {
    const widths = after.map(({ range }) => range.high - range.low).sort((a, b) => a - b);
    const middle = widths[Math.floor(widths.length / 2)]!;
    // The one that spins depends on its grip, the roller on its washer and arm: none of the three tells that.
    expect(middle / (before.high - before.low)).toBeLessThan(['Limpet', 'Bobbin Eel'].includes(name) ? 0.55 : 0.5);
  });
  it('and the narrowed ranges hold the hidden truth as they say: 8 in 10', () => {
    const all = told.flatMap(({ after }) => after);
    const held = all.filter(({ range, truth }) => truth >= range.low && truth <= range.high).length / all.length;
    expect(held).toBeGreaterThan(0.7);
    expect(held).toBeLessThan(0.95);
  });
});

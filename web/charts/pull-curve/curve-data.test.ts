import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { curveOf, rowAt } from './curve-data.ts';
import { axisEnds, curveScale, distanceUnder } from './curve-scale.ts';

const curveFor = (design: CarDesign) => {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  if (prediction.kind === 'refused') throw new Error('refused');
  return { curve: curveOf(prediction.result), result: prediction.result };
};
const car = newCar('x');
const spinning: CarDesign = { ...car, tyre: 'bare-disc', axleDiameter: 0.016, driveLoadShare: 0.3 };

describe('the pull curve', () => {
  it('shows the way under power and a little of the coasting, and is read between its samples', () => {
    const { curve, result } = curveFor(car);
    expect(curve.powerEnd).toBe(result.powerEndDistance);
    expect(curve.end).toBeCloseTo(1.35 * result.powerEndDistance!, 6);
    const row = rowAt(curve, 0.5 * curve.end)!;
    expect(row.distance).toBeCloseTo(0.5 * curve.end, 9);
    expect(row.thrust).toBeGreaterThan(0);
    expect(rowAt(curve, 0)!.thrust).toBeCloseTo(result.launchThrust, 6);
  });
  it('has its area above the resistance for what is left to run on: energy given is thrust over distance', () => {
    const { curve, result } = curveFor(car);
    let energy = 0;
    curve.rows
      .slice(1)
      .forEach((row, i) => (energy += ((row.thrust + curve.rows[i]!.thrust) / 2) * (row.distance - curve.rows[i]!.distance)));
    expect(energy / (result.storedEnergy - result.energy.hysteresis)).toBeCloseTo(1, 2);
  });
  it('tells itself in words', () => {
    const words = (design: CarDesign) => curveFor(design).curve.words((value, quantity) => printQuantity(value, quantity, 'metric'));
    expect(words(car)).not.toContain('spin');
    expect(words(spinning)).toMatch(/the wheels spin for [\d.]+\sm/);
  });
  it('finds the distance under a place across, by distance and by time', () => {
    const { curve } = curveFor(car);
    for (const axis of ['distance', 'time'] as const) {
      const view = { curve, behind: [], axis, width: 572, height: 300 };
      const { x, left } = curveScale(view);
      const under = (px: number) => distanceUnder(px, view);
      expect(under(left)).toBe(0);
      for (const part of [0.1, 0.5, 0.9]) {
        const row = curve.rows[Math.floor(part * curve.rows.length)]!;
        expect(under(x(row))).toBeCloseTo(row.distance, 6);
      }
      // Beyond the end of the curve the axis may run on a little.
      expect(under(552)).toBe(curve.end);
      expect(under(10)).toBeNull();
    }
  });
  it('has axes that stand still through most of a drag, and hold the whole curve', () => {
    const drawn = Array.from({ length: 40 }, (_, i) => curveFor({ ...car, axleDiameter: 0.0032 + i * 2e-5 }).curve);
    const ends = drawn.map((curve) => axisEnds({ curve, behind: [], axis: 'distance' }));
    ends.forEach(({ along, most }, i) => {
      expect(along).toBeGreaterThanOrEqual(drawn[i]!.end);
      expect(along).toBeLessThan(1.13 * drawn[i]!.end);
      expect(most).toBeGreaterThan(1.17 * drawn[i]!.rows[0]!.thrust);
    });
    expect(new Set(ends.map(({ along, most }) => `${along} ${most}`)).size).toBeLessThan(8);
  });
});

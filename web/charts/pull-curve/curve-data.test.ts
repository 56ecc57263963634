import { weighing } from '../../../core/car/reference/weighing.ts';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { curveOf, rowAt } from './curve-data.ts';
import { axisEnds, curveScale, distanceUnder } from './curve-scale.ts';

const curveFor = (design: CarDesign) => {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  if (prediction.kind === 'refused') throw new Error('refused');
  return { curve: curveOf(prediction.result), result: prediction.result };
};
const car = newCar('x');
/** A car that coasts far longer than it is pulled. */
const coaster: CarDesign = { ...car, axleDiameter: 0.012, bearing: 'steel-brass-graphite', care: 'careful' };
/** It rolls little further than it is pulled. */
const rough: CarDesign = { ...car, care: 'rough' };
const spinning: CarDesign = weighing({ ...car, tyre: 'bare-disc', axleDiameter: 0.016 }, { driveLoadShare: 0.3 });

describe('the pull curve', () => {
  it('shows the whole run, and is read between its samples', () => {
    const { curve, result } = curveFor(car);
    expect(curve.powerEnd).toBe(result.powerEndDistance);
    expect(curve.end).toBe(result.distance);
    expect(curve.rows.at(-1)!.distance).toBeCloseTo(result.distance, 9);
    expect(curve.rows.at(-1)!.speed).toBeCloseTo(0, 6);
    const row = rowAt(curve, 0.5 * curve.powerEnd!)!;
    expect(row.distance).toBeCloseTo(0.5 * curve.powerEnd!, 9);
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
    const words = (design: CarDesign) => curveFor(design).curve.words(formatIn('metric'));
    expect(words(car)).not.toContain('spin');
    expect(words(spinning)).toMatch(/the wheels spin for [\d.]+\sm/);
  });
  it('may leave out the middle of a long coasting, never the pull nor the stop', () => {
    expect(curveFor(rough).curve.fold).toBeNull();
    const { curve } = curveFor(coaster);
    const { from, to } = curve.fold!;
    expect(from).toBeGreaterThan(curve.powerEnd!);
    expect(to).toBeGreaterThan(from);
    expect(to).toBeLessThan(curve.end);
    const placed = { curve, behind: [], axis: 'distance', width: 572, height: 300 } as const;
    const [short, whole] = [curveScale({ ...placed, isWhole: false }), curveScale({ ...placed, isWhole: true })];
    const place = (scale: typeof short, distance: number): number => scale.x({ distance, time: 0 });
    // The way under power has more room where the coasting is shortened.
    expect(place(short, curve.powerEnd!)).toBeGreaterThan(1.5 * place(whole, curve.powerEnd!));
    expect(place(short, curve.end)).toBeLessThanOrEqual(short.right);
    expect(place(short, to) - place(short, from)).toBeLessThan(0.1 * (short.right - short.left));
  });
  it.each([
    ['a car that is pulled far', rough, false],
    ['a long coasting, shortened', coaster, false],
    ['a long coasting, whole', coaster, true],
  ] as const)('finds the distance under a place across, by distance and by time: %s', (_what, design, isWhole) => {
    const { curve } = curveFor(design);
    for (const axis of ['distance', 'time'] as const) {
      const view = { curve, behind: [], axis, width: 572, height: 300, isWhole };
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
    const ends = drawn.map((curve) => axisEnds({ curve, behind: [], axis: 'distance', isWhole: true }));
    ends.forEach(({ along, most }, i) => {
      expect(along).toBeGreaterThanOrEqual(drawn[i]!.end);
      expect(along).toBeLessThan(1.13 * drawn[i]!.end);
      expect(most).toBeGreaterThan(1.17 * drawn[i]!.rows[0]!.thrust);
    });
    expect(new Set(ends.map(({ along, most }) => `${along} ${most}`)).size).toBeLessThan(8);
  });
});

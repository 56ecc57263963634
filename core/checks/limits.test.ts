import { standingWeight } from '../car/weights.ts';
import { describe, expect, it } from 'vitest';
import type { CarDesign, Limits, MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { formatIn } from '../units/quantity.ts';
import { measuresOf } from '../geometry/measures.ts';
import { checkCar, stoppedBy } from './check-car.ts';

const metric = formatIn('metric');
const limited = (design: CarDesign, limits: Partial<Limits>): CarDesign => ({ ...design, limits: { ...design.limits, ...limits } });
const resultOf = (design: CarDesign) => {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  return prediction.result;
};
const keys = ['length', 'width', 'height', 'mass', 'bands'] as const;

describe('what a rule measures', () => {
  it('of a lever car is its greatest reach: the lever stands upright once on its way', () => {
    const car = newCar('x');
    if (car.motor.kind !== 'lever') throw new Error('not a lever');
    const { height, mass, bands } = measuresOf(car);
    expect(height).toBeCloseTo(car.driveWheels.diameter / 2 + car.motor.pivotAboveAxle + car.motor.leverLength, 9);
    // By hand: 0.26 + 2 · 0.06 cocked; at rest its tip is at 0.19 + 0.18 cos 0.35, and 0.06 + 0.012 + 0.18 sin 0.35 high.
    expect(measuresOf(car, 'cocked')).toMatchObject({ length: expect.closeTo(0.38, 9), height: expect.closeTo(0.12, 9) });
    expect(measuresOf(car, 'rest')).toMatchObject({ length: expect.closeTo(0.41909, 5), height: expect.closeTo(0.13372, 5) });
    expect(mass).toBe(standingWeight(car).mass);
    // The tyres of its drive wheels are bands.
    expect(bands).toBe(2);
    expect(measuresOf({ ...car, tyre: 'foam' }).bands).toBe(0);
  });
  it('counts ballast as weight, bands side by side and end to end, and the ends of the axles as width', () => {
    const band = newCar('x', 'band');
    if (band.motor.kind !== 'band') throw new Error('not a band');
    const six: CarDesign = { ...band, ballast: { mass: 0.03, fromDriveAxle: 0.02 }, motor: { ...band.motor, parallel: 2, series: 3 } };
    // Four more bands of 3½ × ⅛ × 1/32 in, two strands each, at 1,100 kg/m³.
    const rubber = 4 * 2 * 1100 * (3.5 / 8 / 32) * 0.0254 ** 3;
    expect(measuresOf(six)).toMatchObject({ bands: 6 + 2, mass: expect.closeTo(standingWeight(band).mass + 0.03 + rubber, 9) as number });
    expect(measuresOf(six).width).toBeGreaterThan(band.trackWidth);
    const roller = newCar('x', 'twist');
    expect(measuresOf(roller).width).toBe(roller.motor.kind === 'twist' && roller.motor.hookToHook);
  });
  it('grows with what is built on', () => {
    const car = newCar('x', 'band');
    const before = measuresOf(car);
    expect(measuresOf({ ...car, wheelbase: car.wheelbase + 0.1 }).length).toBeCloseTo(before.length + 0.1, 9);
    expect(measuresOf({ ...car, driveWheels: { ...car.driveWheels, diameter: 0.5 } }).height).toBeCloseTo(0.5, 9);
  });
});

describe('the limits of the rules', () => {
  it.each(['lever', 'band', 'twist'] as MotorKind[])(
    '%s: keep a car that measures as much as they allow, and stop one a little larger',
    (kind) => {
      const car = newCar('x', kind);
      const measures = measuresOf(car, 'cocked');
      for (const key of keys) {
        const checkOf = (limit: number) => {
          const design = limited(car, { [key]: limit });
          const result = resultOf(design);
          const found = checkCar(design, result).find(({ id }) => id === `limit-${key}`)!;
          return { ...found, stops: stoppedBy(design, result) };
        };
        const kept = checkOf(measures[key]);
        expect(kept.verdict, key).toBe(kept.quantity === 'count' ? 'good' : 'warning');
        expect(kept.stops).not.toBe(kept.title);
        if (measures[key] === 0) continue;
        const over = checkOf(0.9 * measures[key]);
        expect(over.verdict, key).toBe('stop');
        expect(over.stops).toBe(over.title);
        expect(over.sentence(metric)).toContain('not allowed');
        expect(kept.sentence(metric)).not.toContain('it would not');
        expect(kept.sentence(metric)).toContain(metric(measures[key], kept.quantity));
      }
    },
  );
  it('are not spoken of where none are set', () =>
    expect(checkCar(newCar('x'), resultOf(newCar('x'))).some(({ id }) => id.startsWith('limit-'))).toBe(false));
});

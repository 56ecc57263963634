import { describe, expect, it } from 'vitest';
import type { CarDesign, MotorKind } from './car-design.ts';
import { newCar } from './new-car.ts';
import { likelyNumbers, valueKeysOf, valueOf } from './values.ts';
import { predictRun } from '../predict/predict-run.ts';
import { VALUE_NAMES, VALUE_UNITS } from './value-table.ts';
import { weighedAt } from './weights.ts';

const KINDS: readonly MotorKind[] = ['lever', 'band', 'twist'];

describe('what is not known exactly', () => {
  it.each(KINDS)('of a %s car has a number, a spread, a name and a unit', (kind) => {
    const car = newCar('x', kind);
    for (const key of valueKeysOf(car)) {
      const { value, spread, evidence } = valueOf(car, key);
      // A floor is taken for level until it is measured.
      if (key === 'slope') expect(value).toBe(0);
      else expect(value, key).toBeGreaterThan(0);
      expect(spread, key).toBeGreaterThan(0);
      expect(spread, key).toBeLessThanOrEqual(1);
      expect(evidence).toBe('estimated');
      expect(VALUE_NAMES[key]).toBeTruthy();
      expect(VALUE_UNITS[key].factor).toBeGreaterThan(0);
    }
    expect(Object.keys(likelyNumbers(car))).toHaveLength(valueKeysOf(car).length);
  });
  it('follows parts and floor: soft tyres roll harder on a smooth floor, carpet grips and rolls harder', () => {
    const car = newCar('x');
    const on = (change: Partial<CarDesign>) => (key: 'rollingLengthDrive' | 'staticGrip') => valueOf({ ...car, ...change }, key).value;
    expect(on({ tyre: 'rubber-band' })('rollingLengthDrive')).toBeGreaterThan(on({ tyre: 'bare-disc' })('rollingLengthDrive'));
    const carpet = { floor: { ...car.floor, kind: 'short-carpet' } } as const;
    expect(on({ ...carpet, tyre: 'bare-disc' })('staticGrip')).toBeCloseTo(2 * 0.3, 12);
    // Grip on carpet is at most 0.9, or what it grips anyhow.
    expect(on({ ...carpet, tyre: 'rubber-band' })('staticGrip')).toBe(0.9);
    expect(on({ ...carpet, tyre: 'sticky-tack' })('staticGrip')).toBe(0.95);
    expect(on(carpet)('rollingLengthDrive')).toBeGreaterThan(on({})('rollingLengthDrive'));
    // 1.2 mm of a car of 150 g, with the root of its load; no more than 1.4 times as much.
    const weighing = (mass: number) => weighedAt(newCar('x'), { mass, driveLoadShare: 0.5 });
    const rolling = (mass: number) => valueOf({ ...weighing(mass), ...carpet }, 'rollingLengthOther').value;
    expect(rolling(0.2)).toBeCloseTo(1.2e-3 * Math.sqrt(0.2 / 0.15), 9);
    expect(rolling(0.5)).toBeCloseTo(1.4 * 1.2e-3, 12);
  });
  // Common practice: what spins on a smooth floor gets away on carpet and goes further there; what does not spin goes less far.
  it('carries a car that spins further on carpet, also on ridged caps, and one that does not less far', () => {
    const bare = newCar('x', 'band');
    const two: CarDesign = { ...bare, tyre: 'bare-disc', motor: { ...bare.motor, parallel: 2 } as CarDesign['motor'] };
    const caps: CarDesign = {
      ...bare,
      tyre: 'bare-disc',
      driveWheels: { kind: 'bottle-cap', diameter: 0.03 },
      otherWheels: { kind: 'bottle-cap', diameter: 0.03 },
    };
    const held: CarDesign = { ...bare, tyre: 'rubber-band', motor: { ...bare.motor, parallel: 1 } as CarDesign['motor'] };
    const reach = (car: CarDesign, kind: CarDesign['floor']['kind']): number => {
      const prediction = predictRun({ ...car, floor: { ...car.floor, kind } });
      return prediction.kind === 'ran' ? prediction.result.distance : NaN;
    };
    for (const car of [two, caps]) expect(reach(car, 'short-carpet')).toBeGreaterThan(reach(car, 'smooth'));
    expect(reach(held, 'short-carpet')).toBeLessThan(0.9 * reach(held, 'smooth'));
    expect(reach(held, 'coir-matting')).toBeLessThan(reach(held, 'short-carpet'));
    expect(reach(held, 'gravel')).toBeGreaterThan(1);
  });
});

describe('a slope that was measured', () => {
  const level = newCar('Tern');
  const measured = { ...level, measured: { slope: { value: 0.001, spread: 0.0002, of: level.floor.slope } } };
  it('holds for the floor it was measured on, and says nothing of one that is told to slope otherwise', () => {
    expect(valueOf(measured, 'slope')).toMatchObject({ value: 0.001, evidence: 'measured' });
    const ramp = { ...measured, floor: { ...measured.floor, slope: 0.035 } };
    expect(valueOf(ramp, 'slope')).toMatchObject({ value: 0.035, evidence: 'estimated' });
  });
});

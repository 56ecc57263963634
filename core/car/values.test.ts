import { describe, expect, it } from 'vitest';
import type { CarDesign, MotorKind } from './car-design.ts';
import { newCar } from './new-car.ts';
import { likelyNumbers, valueKeysOf, valueOf } from './values.ts';
import { VALUE_NAMES, VALUE_UNITS } from './value-table.ts';

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
      expect(spread, key).toBeLessThanOrEqual(0.5);
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
    expect(on({ ...carpet, tyre: 'bare-disc' })('staticGrip')).toBeCloseTo(1.25 * 0.3, 12);
    // Grip on carpet is at most 1.
    expect(on({ ...carpet, tyre: 'sticky-tack' })('staticGrip')).toBe(1);
    expect(on(carpet)('rollingLengthDrive')).toBeGreaterThan(on({})('rollingLengthDrive'));
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

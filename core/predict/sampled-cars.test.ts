import { weighing } from '../car/reference/weighing.ts';
import { standingWeight } from '../car/weights.ts';
import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, LeverDesign, MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import type { ValueKey } from '../car/value-table.ts';
import { likelyNumbers, valueKeysOf } from '../car/values.ts';
import { sampledCars } from './sampled-cars.ts';

/** How far builds of one kind differ in each value, as a relative standard deviation. Common practice, from memory. */
const SPREADS: Readonly<Record<ValueKey, number>> = {
  bearingFriction: 0.2,
  staticGrip: 0.12,
  slidingRatio: 0.08,
  rollingLengthDrive: 0.2,
  rollingLengthOther: 0.2,
  rub: 1,
  dragArea: 0.25,
  massHeight: 0.15,
  driveWheelDensity: 0.1,
  otherWheelDensity: 0.1,
  springPreload: 0.1,
  springRate: 0.1,
  springEfficiency: 0.03,
  c1: 0.12,
  c2: 0.12,
  bandLoss: 0.25,
  washerFriction: 0.3,
  armFriction: 0.2,
  slope: 0.002,
};
/** Whose spread is in their own unit. */
const IN_UNITS: readonly ValueKey[] = ['slope', 'slidingRatio'];
const CARS = 2000;

describe.each(['lever', 'band', 'twist'] as MotorKind[])('many %s cars built to one design', (kind) => {
  const design = newCar('x', kind);
  const at = sampledCars(design, 1);
  const built = Array.from({ length: CARS }, (_, n) => at(n));
  const cars = built.map(({ numbers }) => numbers);
  it.each(valueKeysOf(design))('differ in %s as such builds do, about the likely value', (key) => {
    // A roller wobbles, too.
    const spread = kind === 'twist' && key === 'rollingLengthDrive' ? 0.5 : SPREADS[key];
    const likely = likelyNumbers(design)[key]!;
    const logs = cars.map((numbers) => (IN_UNITS.includes(key) ? numbers[key]! - likely : Math.log(numbers[key]! / likely)));
    const mean = logs.reduce((sum, log) => sum + log, 0) / CARS;
    const deviation = Math.sqrt(logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / CARS);
    // No tyre keeps more than all of its grip: one in ten would.
    const isCut = key === 'slidingRatio';
    expect(Math.abs(mean / spread)).toBeLessThan(isCut ? 0.1 : 0.05);
    expect(Math.abs(deviation / spread - 1)).toBeLessThan(isCut ? 0.15 : 0.05);
  });
  it('weigh what they add up to within 8 %, once weighed within 2 %, and are wound to a quarter of a turn or 2°', () => {
    const deviation = (of: (car: CarDesign) => number): number => {
      const values = built.map((car) => of(car.design) - of(design));
      return Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / CARS);
    };
    const weight = (car: CarDesign): number => standingWeight(car).mass;
    expect(deviation(weight) / (0.08 * weight(design))).toBeCloseTo(1, 1);
    const onScale = weighing(design, {});
    const heavier = sampledCars(onScale, 1)(3).design;
    const same = sampledCars(design, 1)(3).design;
    expect((weight(heavier) - weight(onScale)) / (weight(same) - weight(design))).toBeCloseTo(0.02 / 0.08, 6);
    if (kind === 'lever') expect(deviation(({ motor }) => (motor as LeverDesign).cockedAngle) / 0.035).toBeCloseTo(1, 1);
    else expect(deviation(({ motor }) => (motor as BandDesign).turns) / 0.25).toBeCloseTo(1, 1);
  });
  it('have rubber of one batch: where c1 is strong, c2 is (9 of their 12 % together)', () => {
    if (kind === 'lever') return;
    const off = (key: 'c1' | 'c2'): number[] => cars.map((numbers) => Math.log(numbers[key]! / likelyNumbers(design)[key]!) / 0.12);
    const [first, second] = [off('c1'), off('c2')];
    // Correlation of two sums that share one part: 0.75².
    expect(first.reduce((sum, one, i) => sum + one * second[i]!, 0) / CARS).toBeCloseTo(0.75 ** 2, 1);
  });
  it('are the same again with the same seed, and others with another', () => {
    expect(sampledCars(design, 1)(7)).toEqual(at(7));
    expect(sampledCars(design, 2)(7)).not.toEqual(at(7));
  });
});

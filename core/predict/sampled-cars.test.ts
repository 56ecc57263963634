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
  slidingGrip: 0.12,
  rollingLengthDrive: 0.2,
  rollingLengthOther: 0.2,
  outOfSquare: 0.4,
  dragArea: 0.25,
  massHeight: 0.15,
  driveWheelDensity: 0.1,
  otherWheelDensity: 0.1,
  springPreload: 0.1,
  springRate: 0.1,
  springEfficiency: 0.03,
  c1: 0.12,
  c2: 0.12,
  bandEfficiency: 0.05,
  washerFriction: 0.3,
  armFriction: 0.2,
};
const CARS = 2000;

describe.each(['lever', 'band', 'twist'] as MotorKind[])('many %s cars built to one design', (kind) => {
  const design = newCar('x', kind);
  const at = sampledCars(design, 1);
  const built = Array.from({ length: CARS }, (_, n) => at(n));
  const cars = built.map(({ numbers }) => numbers);
  it.each(valueKeysOf(design))('differ in %s as such builds do, about the likely value', (key) => {
    const logs = cars.map((numbers) => Math.log(numbers[key]! / likelyNumbers(design)[key]!));
    const mean = logs.reduce((sum, log) => sum + log, 0) / CARS;
    const deviation = Math.sqrt(logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / CARS);
    expect(mean / SPREADS[key]).toBeCloseTo(0, 1);
    expect(deviation / SPREADS[key]).toBeCloseTo(1, 1);
  });
  it('stand on floors level to 2 mm in a metre, weigh what they weigh to 2 %, and are wound to a quarter of a turn or 2°', () => {
    const deviation = (of: (car: CarDesign) => number): number => {
      const values = built.map((car) => of(car.design) - of(design));
      return Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / CARS);
    };
    expect(deviation(({ floor }) => floor.slope) / 0.002).toBeCloseTo(1, 1);
    expect(deviation(({ mass }) => mass) / (0.02 * design.mass)).toBeCloseTo(1, 1);
    if (kind === 'lever') expect(deviation(({ motor }) => (motor as LeverDesign).cockedAngle) / 0.035).toBeCloseTo(1, 1);
    else expect(deviation(({ motor }) => (motor as BandDesign).turns) / 0.25).toBeCloseTo(1, 1);
  });
  it('grip less in every way where the floor grips less', () => {
    const ratios = cars.map(({ staticGrip, slidingGrip }) => slidingGrip! / staticGrip!);
    expect(Math.max(...ratios) / Math.min(...ratios)).toBeCloseTo(1, 9);
  });
  it('are the same again with the same seed, and others with another', () => {
    expect(sampledCars(design, 1)(7)).toEqual(at(7));
    expect(sampledCars(design, 2)(7)).not.toEqual(at(7));
  });
});

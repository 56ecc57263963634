import { describe, expect, it } from 'vitest';
import type { CarDesign } from './car-design.ts';
import { newCar } from './new-car.ts';
import { partCount } from './part-count.ts';

describe('how many parts a car has', () => {
  it('by hand, of each kind', () => {
    // Body, 4 wheels, 2 axles, 4 bearings, 2 tyres; trap, lever, string, peg.
    expect(partCount(newCar('x'))).toBe(1 + 4 + 2 + 4 + 2 + 4);
    // The same with two bands and their hook.
    expect(partCount(newCar('x', 'band'))).toBe(1 + 4 + 2 + 4 + 2 + 2 + 1);
    // A roller, two bands, washer, arm; its tyre.
    expect(partCount(newCar('x', 'twist'))).toBe(1 + 2 + 2 + 1);
  });
  it('with what is added: sticks, ballast, a basket, spools, though not tape; without tyres and with one wheel less', () => {
    const car = newCar('x', 'band');
    const more: CarDesign = {
      ...car,
      tyre: 'bare-disc',
      layout: { ...car.layout, otherWheelCount: 1 },
      body: { ...car.body, stiffener: { kind: 'pencil', count: 3 } },
      ballast: { mass: 0.02, fromDriveAxle: 0 },
      load: { ...car.load, in: 'basket' },
      sleeve: [
        { kind: 'tape', diameter: 0.008, turns: 1 },
        { kind: 'cork', diameter: 0.02, turns: 1 },
      ],
    };
    expect(partCount(more) - partCount(car)).toBe(-2 - 1 + 3 + 1 + 1 + 1);
  });
});

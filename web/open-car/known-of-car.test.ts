import { describe, expect, it } from 'vitest';
import { newCar } from '../../core/car/new-car.ts';
import { nextThing } from '../../core/trials/next-thing.ts';
import { knownOfCar } from './known-of-car.ts';

describe('what is known of a car at a glance', () => {
  const car = newCar('Gull');
  it('has a goal once an aim is set in Design, with a brief or without', () => {
    expect(knownOfCar(car, null, 0).hasBrief).toBe(false);
    expect(knownOfCar({ ...car, aim: { kind: 'at-least', distance: 12 } }, null, 0).hasBrief).toBe(true);
    const next = (aim: typeof car.aim) => nextThing({ ...knownOfCar({ ...car, aim }, null, 3), isBuilt: true, outlook: null });
    expect(next(car.aim)).toMatchObject({ station: 'brief' });
    expect(next({ kind: 'at-least', distance: 12 })).toMatchObject({ station: 'tune' });
  });
});

import { describe, expect, it } from 'vitest';
import { newCar } from '../../../core/car/new-car.ts';
import type { ListedCar } from '../../../core/schema/stored.ts';
import { orderCars } from './order-cars.ts';

describe('the cars of the Garage', () => {
  it('stand in the order in which they need their builder: one that cannot run first', () => {
    const car = (id: string, more: object, runCount: number): ListedCar => ({
      ...({ id, version: 1, best: null, updatedAt: '' } as unknown as ListedCar),
      design: { ...newCar(id), ...more },
      runCount,
    });
    const cars = [car('without a goal', {}, 4), car('without a goal either', {}, 0), car('too short', { wheelbase: 0.001 }, 9)];
    expect(orderCars(cars, []).map(({ id }) => id)).toEqual(['too short', 'without a goal', 'without a goal either']);
  });
});

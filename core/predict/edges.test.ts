import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GRAVITY } from '../constants.ts';
import { newCar } from '../car/new-car.ts';
import { simulateValidated } from '../run/simulate.ts';
import { deriveRunSetup } from './derive-run-setup.ts';
import { highestEdge, judgeEdges, speedAfterEdge, type MeetingWheels } from './edges.ts';

const wheels = (radius: number, load: number, inertia = 0): MeetingWheels => ({ radius, load, inertia });

describe('a wheel at an edge (textbook mechanics of a rolling disc at a step)', () => {
  it('keeps all its speed where there is none, and of a bare mass 1 − h/R', () => {
    expect(speedAfterEdge(wheels(0.05, 1, 1e-4), 0)).toBe(1);
    expect(speedAfterEdge(wheels(0.05, 1), 0.01)).toBeCloseTo(0.8, 12);
    // A solid disc, I = ½ m R²: 1 − ⅔ h/R.
    const disc = wheels(0.05, GRAVITY, 0.5 * 0.05 ** 2);
    expect(speedAfterEdge(disc, 0.015)).toBeCloseTo(1 - (2 / 3) * 0.3, 12);
  });
  it('climbs a low edge by its speed: ½ v² (1 − h/R)² = g h for a bare mass', () => {
    const height = highestEdge(wheels(0.06, 1), 0.8, 0);
    expect(0.5 * (0.8 * (1 - height / 0.06)) ** 2).toBeCloseTo(GRAVITY * height, 9);
  });
  it('climbs from rest by a pull: F (R − h) = W √(2Rh − h²)', () => {
    const height = highestEdge(wheels(0.06, 1), 0, 0.5);
    expect(0.5 * (0.06 - height)).toBeCloseTo(Math.sqrt(2 * 0.06 * height - height ** 2), 9);
  });
  it('climbs higher the faster, the harder pulled and the bigger it is', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 3, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true }), (speed, pull) => {
        const height = highestEdge(wheels(0.04, 1, 1e-5), speed, pull);
        expect(highestEdge(wheels(0.04, 1, 1e-5), 1.2 * speed, pull)).toBeGreaterThanOrEqual(height);
        expect(highestEdge(wheels(0.04, 1, 1e-5), speed, pull + 0.3)).toBeGreaterThanOrEqual(height);
        expect(highestEdge(wheels(0.08, 1, 4e-5), speed, pull)).toBeGreaterThanOrEqual(height);
        expect(height).toBeLessThan(0.04);
      }),
    );
  });
});

describe('edges across a run', () => {
  const setup = deriveRunSetup(newCar('x'));
  const { trace, distance } = simulateValidated(setup, { trace: true });
  const judge = (...edges: readonly (readonly [at: number, height: number])[]) =>
    judgeEdges(
      setup,
      trace!,
      edges.map(([at, height]) => ({ at, height })),
    );
  it('are met in their order, up to the first that stops the car', () => {
    expect(judge([4, 0.001], [2, 0.001], [3, 0.055]).map(({ at }) => at)).toEqual([2, 3]);
    expect(judge([2, 0.001], [4, 0.001]).map(({ highest, height }) => highest! > height)).toEqual([true, true]);
  });
  it('leave the less for the next the higher they are', () => {
    const [low, high] = [judge([2, 0.001], [3, 0.001])[1]!, judge([2, 0.01], [3, 0.001])[1]!];
    expect(high.highest).toBeLessThan(low.highest!);
  });
  it('that lies just where a floor changes is met with what the floor before it gives', () => {
    // Long carpet uphill from 3 m on holds back far more: with both axles before it the car has yet to feel it, a metre on it has lost speed.
    const design = newCar('x');
    const onCoir = deriveRunSetup({ ...design, floor: { ...design.floor, stretches: [{ from: 3, kind: 'long-carpet', slope: 0.05 }] } });
    const { trace: along } = simulateValidated(onCoir, { trace: true });
    const at = (place: number): number => judgeEdges(onCoir, along!, [{ at: place, height: 0.0001 }])[0]!.highest!;
    const free = (place: number): number => judge([place, 0.0001])[0]!.highest!;
    expect(at(2.7)).toBeCloseTo(free(2.7), 4);
    expect(at(4.5)).toBeLessThan(free(4.5));
  });
  it('are judged by the axle that comes after too, a wheelbase on', () => {
    // The leading axle is over; the one behind meets the edge with the speed that the car has a wheelbase further on.
    const { wheelbase } = setup.car;
    const last = distance - wheelbase / 2;
    expect(judge([last, 0.0001])[0]!.highest).toBe(0);
    expect(judge([distance - 1.5 * wheelbase, 0.0001])[0]!.highest!).toBeGreaterThan(0);
  });
  it('are not judged beyond the end of the run', () => expect(judge([distance + 1, 0.001])[0]!.highest).toBeNull());
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { curvatureFromDrift, curvatureOf, driftAfter, floorPath, straighteningMoves } from './straightness.ts';

const car = newCar('x');
const aligned = (change: Partial<CarDesign['alignment']>, more: Partial<CarDesign> = {}): CarDesign => ({
  ...car,
  ...more,
  alignment: { ...car.alignment, ...change },
});

describe('the path over the floor (geometry of the circle)', () => {
  it('a bigger left wheel, or a rear axle pointing left, turns the car right; a front axle pointing left turns it left', () => {
    expect(curvatureOf(aligned({ wheelMismatch: 0.001 }))).toBeGreaterThan(0);
    expect(curvatureOf(aligned({ driveToe: 0.01 }))).toBeGreaterThan(0);
    expect(curvatureOf(aligned({ otherToe: 0.01 }))).toBeLessThan(0);
    expect(curvatureOf(aligned({ driveToe: 0.01 }, { layout: { ...car.layout, driveAxle: 'front' } }))).toBeLessThan(0);
  });
  it('two wheels on one axle roll as a cone: it turns about the cone’s tip', () => {
    // R_left/R_right = (r + track/2)/(r − track/2) about a circle of radius r.
    const mismatch = 0.001;
    const radius = 1 / curvatureOf(aligned({ wheelMismatch: mismatch }));
    const [left, right] = [0.06 + mismatch / 2, 0.06 - mismatch / 2];
    expect((radius + car.trackWidth / 2) / (radius - car.trackWidth / 2)).toBeCloseTo(left / right, 9);
  });
  it('drifts by κs²/2 while it is little, and a whole circle’s width at half a turn', () => {
    expect(driftAfter(1e-4, 10)).toBeCloseTo(0.005, 6);
    expect(driftAfter(1, Math.PI)).toBeCloseTo(2, 12);
    const path = floorPath(1, Math.PI, 4);
    expect(path.at(-1)!.x).toBeCloseTo(0, 12);
  });
  it('gives back the curvature of a drift', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.1, max: 0.1, noNaN: true }), fc.double({ min: 1, max: 20, noNaN: true }), (curvature, way) => {
        expect(curvatureFromDrift(driftAfter(curvature, way), way)).toBeCloseTo(curvature, 9);
      }),
    );
  });
  it('says how to move which axle end: doing it takes the drift out', () => {
    const crooked = aligned({ driveToe: 0.012, otherToe: -0.004 });
    const drift = driftAfter(curvatureOf(crooked), 8);
    for (const { axle, end, direction, distance } of straighteningMoves(crooked, drift, 8)) {
      // The right end forward points the wheels left.
      const turn = ((end === 'right' ? 1 : -1) * (direction === 'forward' ? 1 : -1) * distance) / crooked.trackWidth;
      const key = axle === 'drive' ? 'driveToe' : 'otherToe';
      const moved = aligned({ ...crooked.alignment, [key]: crooked.alignment[key] + turn });
      expect(Math.abs(driftAfter(curvatureOf(moved), 8))).toBeLessThan(1e-6);
    }
  });
});

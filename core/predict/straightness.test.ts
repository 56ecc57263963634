import { standingWeight } from '../car/weights.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { curvatureFromDrift, curvatureOf, driftAfter, floorPath, straighteningMoves, worstDrift } from './straightness.ts';

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
  it('two wheels on one axle roll as a cone, about the cone’s tip, where no other axle holds them', () => {
    // R_left/R_right = (r + track/2)/(r − track/2) about a circle of radius r.
    const mismatch = 0.001;
    const roller = newCar('x', 'twist');
    const radius = 1 / curvatureOf({ ...roller, alignment: { ...roller.alignment, wheelMismatch: mismatch } });
    const [left, right] = [0.017 + mismatch / 2, 0.017 - mismatch / 2];
    expect((radius + roller.trackWidth / 2) / (radius - roller.trackWidth / 2)).toBeCloseTo(left / right, 9);
  });
  it('another axle holds against that, so that both balance in yaw (linear creep)', () => {
    const bent = (change: Partial<CarDesign>): number => curvatureOf(aligned({ wheelMismatch: 0.001 }, change));
    const cone = (2 * 0.001) / (car.trackWidth * 0.12);
    const [t, L] = [car.trackWidth, car.wheelbase];
    const shareOf = (count: 1 | 2): number => standingWeight({ ...car, layout: { ...car.layout, otherWheelCount: count } }).driveLoadShare;
    // N_d t (κ₀t − κt)/4 against N_o t² κ/4 + N_o (N_d/W) L² κ, loads in fractions of the weight.
    const pulls = (κ: number, share: number): number => (share * t * t * (cone - κ)) / 4;
    const holds = (κ: number, share: number, solid: 0 | 1): number => ((solid * (1 - share) * t * t) / 4 + (1 - share) * share * L * L) * κ;
    const four = bent({});
    expect(pulls(four, shareOf(2)) / holds(four, shareOf(2), 1)).toBeCloseTo(1, 9);
    const three = bent({ layout: { ...car.layout, otherWheelCount: 1 } });
    expect(pulls(three, shareOf(1)) / holds(three, shareOf(1), 0)).toBeCloseTo(1, 9);
    // About a tenth of the cone's.
    expect(four / cone).toBeGreaterThan(0.05);
    expect(four / cone).toBeLessThan(0.2);
  });
  it('is furthest off where a whole circle’s width is reached, and not less after it', () => {
    expect(worstDrift(0.1, 5)).toBe(driftAfter(0.1, 5));
    expect(worstDrift(0.1, 10 * Math.PI)).toBeCloseTo(20, 9);
    expect(worstDrift(-0.1, 62)).toBe(-20);
    expect(Math.abs(driftAfter(0.1, 62))).toBeLessThan(1);
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
      // The right bearing forward points the wheels left; bearings stand 0.7 of the track width apart.
      const turn = ((end === 'right' ? 1 : -1) * (direction === 'forward' ? 1 : -1) * distance) / (0.7 * crooked.trackWidth);
      const key = axle === 'drive' ? 'driveToe' : 'otherToe';
      const moved = aligned({ ...crooked.alignment, [key]: crooked.alignment[key] + turn });
      expect(Math.abs(driftAfter(curvatureOf(moved), 8))).toBeLessThan(1e-6);
    }
  });
});

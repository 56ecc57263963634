import { describe, expect, it } from 'vitest';
import type { LeverSetup } from '../run/run-setup.ts';
import { cockedAngleAfter, freeString, LEVER, leverTurns } from './lever.ts';
import { makeMotorPoint } from './motor.ts';
import { windingAngle, windingLength } from './winding.ts';

const lever: LeverSetup = {
  kind: 'lever',
  leverLength: 0.2,
  leverMass: 0.006,
  armInertia: 2e-6,
  pivotToAxle: 0.2,
  pivotAboveAxle: 0,
  springPreload: 0.16,
  springRate: 0.11,
  springEfficiency: 1,
  cockedAngle: 3,
  releaseAngle: 0.35,
  spool: [{ radius: 0.002 }],
  stringDiameter: 0,
  windingWidth: 0.012,
  release: 'free',
};

describe('a lever as long as its distance from the axle', () => {
  // Isosceles triangle: the string is 2L cos(α/2) long and is at α/2 to the lever (geometry).
  it('frees 2L cos(α/2) of string', () => expect(freeString(lever, 2)).toBeCloseTo(0.4 * Math.cos(1), 12));
  it('turns a bare axle by the string over its radius', () =>
    expect(leverTurns(lever) * 2 * Math.PI).toBeCloseTo((0.4 * (Math.cos(0.175) - Math.cos(1.5))) / 0.002, 9));
  it('pulls with spring torque over L sin(α/2)', () => {
    const point = makeMotorPoint();
    const segment = LEVER.path(lever).segments[0]!;
    segment.evaluate(segment.from, point);
    expect(point.tension).toBeCloseTo((0.16 + 0.11 * 3) / (0.2 * Math.sin(1.5)), 9);
  });
});

describe('along the whole path', () => {
  const built: LeverSetup = {
    ...lever,
    stringDiameter: 0.0008,
    pivotAboveAxle: 0.015,
    spool: [{ radius: 0.002, turns: 12 }, { radius: 0.005 }],
  };
  const motor = LEVER.path(built);
  const point = makeMotorPoint();
  /** Midpoint sums over one segment of what `value` says at each place. */
  const sumOver = (index: number, value: () => number): number => {
    const { from, to, evaluate } = motor.segments[index]!;
    const n = 20_000;
    let sum = 0;
    for (let k = 0; k < n; k++) {
      evaluate(from + ((to - from) * (k + 0.5)) / n, point);
      sum += (value() * point.angleSlope * (to - from)) / n;
    }
    return sum;
  };
  it('gives up just the energy stored: ∫ torque dθ', () => {
    expect(sumOver(0, () => point.torque) + sumOver(1, () => point.torque)).toBeCloseTo(motor.storedEnergy, 8);
  });
  it('turns the axle by the sum of its steps, the outer first', () => {
    expect(sumOver(0, () => 1)).toBeCloseTo(motor.segments[0]!.angle, 6);
    expect(motor.segments[1]!.angle).toBeCloseTo(12 * 2 * Math.PI, 9);
  });
  it('changes its inertia as said: ∫ (dI/dθ) dθ over a step is the change of I', () => {
    const { from, to, evaluate } = motor.segments[1]!;
    evaluate(from, point);
    const before = point.inertia;
    evaluate(to, point);
    const change = point.inertia - before;
    expect(sumOver(1, () => point.inertiaSlope) / change).toBeCloseTo(1, 5);
  });
  it('wound by N turns holds N turns', () => {
    for (const turns of [3, 12, 14]) expect(leverTurns({ ...built, cockedAngle: cockedAngleAfter(built, turns) })).toBeCloseTo(turns, 9);
  });
});

describe('string on an axle', () => {
  it('winds by length over radius while nothing builds up', () =>
    expect(windingAngle({ bareRadius: 0.002, stringDiameter: 0, growth: 0 }, 0.5)).toBeCloseTo(250, 12));
  it('unwinds to the length it was wound from', () => {
    const layer = { bareRadius: 0.0016, stringDiameter: 0.001, growth: 1e-6 / (Math.PI * 0.005) };
    expect(windingLength(layer, windingAngle(layer, 0.9))).toBeCloseTo(0.9, 12);
  });
});

describe('what cannot run', () => {
  const pathOf = (change: Partial<LeverSetup>): string | undefined => LEVER.faults({ ...lever, ...change })[0]?.path;
  it('names the key', () => {
    expect(pathOf({})).toBeUndefined();
    expect(pathOf({ cockedAngle: 0.3 })).toBe('motor.cockedAngle');
    expect(pathOf({ cockedAngle: 3.3 })).toBe('motor.cockedAngle');
    expect(pathOf({ releaseAngle: -0.1 })).toBe('motor.releaseAngle');
    expect(pathOf({ releaseAngle: 0.1 })).toBe('motor.releaseAngle');
  });
});

import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar, woundByFeel } from '../car/new-car.ts';
import { trialGroups } from './trial-groups.ts';
import { turnsRolled, turnsSpun, windingOfStopped } from './turns-at-wall.ts';

/** A wheel of 100 mm rolls 0.314 m a turn: 2 m are 6.37 turns. */
const design: CarDesign = { ...newCar('x', 'band'), driveWheels: { kind: 'optical-disc', diameter: 0.1 } };
const run = (turnsLeft: number | undefined, turns?: number) => ({
  wind: turns === undefined ? ({ kind: 'full' } as const) : ({ kind: 'turns', turns } as const),
  outcome: { kind: 'hit-wall', distance: 2 } as const,
  ...(turnsLeft !== undefined && { turnsLeft }),
});

describe('turns that were left at the wall', () => {
  it('tell how far a car was wound by feel: what it rolled and what was left, to the half', () => {
    expect(turnsRolled(design, Math.PI)).toBeCloseTo(10, 9);
    expect(windingOfStopped(woundByFeel(design), run(5))).toEqual({ kind: 'turns', turns: 11.5 });
    expect(windingOfStopped(woundByFeel(design), run(undefined))).toEqual({ kind: 'full' });
    expect(windingOfStopped(design, run(5))).toEqual({ kind: 'full' });
    expect(windingOfStopped(woundByFeel(design), run(5, 8))).toEqual({ kind: 'turns', turns: 8 });
  });
  it('tell of a counted winding what its wheels spun; nothing where that is within counting, or nothing was counted', () => {
    // Of 9 turns 6.37 rolled and none was left.
    expect(turnsSpun(design, run(0))).toBe(2.5);
    expect(turnsSpun(design, run(2))).toBe(0);
    expect(turnsSpun(design, run(undefined))).toBeNull();
    expect(turnsSpun(woundByFeel(design), run(2))).toBeNull();
    expect(turnsSpun(woundByFeel(design), run(2, 12))).toBe(3.5);
  });
  it('count as wheelspin in the fit', () => {
    const record = (turnsLeft: number) => ({ ...run(turnsLeft), seen: [], ranAt: '2026-11-21T10:00:00Z' });
    const spun = (turnsLeft: number) => trialGroups([{ design, record: record(turnsLeft) as never }])[0]!.runs.map((one) => one.spun);
    expect([spun(0), spun(2.5)]).toEqual([[true], [false]]);
  });
});

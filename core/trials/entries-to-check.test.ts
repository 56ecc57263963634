import { describe, expect, it } from 'vitest';
import type { CarDesign, Wind } from '../car/car-design.ts';
import { hasBands } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { sizesOf } from '../car/sizes.ts';
import { predictRun } from '../predict/predict-run.ts';
import { entriesToCheck } from './entries-to-check.ts';

const FULL = { kind: 'full' } as const;
const reach = (design: CarDesign, wind: Wind = FULL): number => {
  const prediction = predictRun(design, wind);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};

describe('entries that would explain runs far from what was expected', () => {
  it.each(['lever', 'band', 'twist'] as const)(
    'of a %s car with mistyped wheels: each value told, put in alone, comes as far as was measured',
    (kind) => {
      const wheels = sizesOf(kind).find(({ id }) => id === 'driveWheels')!;
      const truly = newCar('x', kind);
      const typed = wheels.write(truly, 0.7 * wheels.read(truly));
      const entries = entriesToCheck(typed, FULL, reach(truly));
      expect(entries.length).toBeGreaterThan(0);
      expect(entries.length).toBeLessThanOrEqual(3);
      for (const { label, would } of entries) {
        const size = sizesOf(kind).find((one) => one.label === label);
        const came =
          label === 'turns wound' ? reach(typed, { kind: 'turns', turns: would }) : size ? reach(size.write(typed, would)) : null;
        if (came !== null) expect(came / reach(truly)).toBeCloseTo(1, 1);
      }
      const sizes = entries.map(({ entered, would }) => Math.abs(Math.log(would / entered)));
      expect(sizes).toEqual(sizes.toSorted((a, b) => a - b));
    },
  );
  it('of two bands entered as one: two', () => {
    const one = newCar('x', 'band');
    if (!hasBands(one.motor)) throw new Error('no bands');
    const two: CarDesign = { ...one, motor: { ...one.motor, parallel: 2 * one.motor.parallel } };
    expect(entriesToCheck(one, FULL, reach(two))).toContainEqual(
      expect.objectContaining({ label: 'bands side by side', entered: one.motor.parallel, would: 2 * one.motor.parallel }),
    );
  });
  it('that are only a little off are told as little off', () => {
    const design = newCar('x');
    const [nearest] = entriesToCheck(design, FULL, 0.995 * reach(design));
    expect(Math.abs(Math.log(nearest!.would / nearest!.entered))).toBeLessThan(0.03);
  });
  it('no more turns than a full wind', () => {
    const design = newCar('x');
    for (const { label, entered, would } of entriesToCheck(design, FULL, 1.3 * reach(design)))
      if (label === 'turns wound') expect(would).toBeLessThanOrEqual(entered);
  });
});

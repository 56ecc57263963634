import { describe, expect, it } from 'vitest';
import { aimOf, type Goal } from '../brief/goal.ts';
import { hasFallenShort, measureOf } from '../brief/goals.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { assess } from './assess.ts';
import { findBestCar } from './best-car.ts';
import { exploreCar } from './explored-car.ts';
import { boundedSweep, bestPoint, evenlySpaced } from './sweep.ts';

const band = newCar('x', 'band');
const asked = (goal: Goal, car: CarDesign = band): CarDesign => ({ ...car, aim: aimOf(goal) });
const score = (design: CarDesign): number => exploreCar(design).score;

describe('exploring by what is asked', () => {
  it.each<Goal>([
    { kind: 'quickest-to', distance: 4 },
    { kind: 'carry', distance: 4 },
    { kind: 'straightest' },
    { kind: 'speed-and-distance', distance: 4, weight: 5 },
  ])('a search for %o finds a car that is better by just that', (goal) => {
    const design = asked(goal);
    const { best } = findBestCar(design, { tries: 250, seed: 3 });
    expect(best.length).toBeGreaterThan(0);
    expect(best[0]!.lower).toBeGreaterThan(best.at(-1)!.lower - 1e-12);
    expect(score(best[0]!.design)).toBeGreaterThan(score(design));
    expect(best[0]!.design.aim).toEqual(design.aim);
  });
  it('the best of a sweep is the one that carries the most, not the one that goes furthest', () => {
    const carry = boundedSweep(asked({ kind: 'carry', distance: 3 }), 'driveWheels', evenlySpaced(0.06, 0.14, 5));
    const best = bestPoint(carry)!;
    for (const point of carry)
      if (point.stoppedBy === null && Number.isFinite(point.asked)) expect(best.asked).toBeGreaterThanOrEqual(point.asked);
    expect(best.asked).toBeGreaterThan(0.01);
  });
  it('a car that falls short of what is asked is told apart by how far it came, and never measured', () => {
    const far = asked({ kind: 'carry', distance: 400 });
    expect(hasFallenShort(score(far))).toBe(true);
    expect(measureOf({ kind: 'carry', distance: 400 }, score(far))).toBeNaN();
    expect(score({ ...far, bearing: 'wood-card' })).toBeLessThan(score(far));
  });
  it('a car that climbs a twig more nearly has the better score, though neither climbs it', () => {
    const edges = [{ at: 1.5, height: 0.075 }];
    const small = asked({ kind: 'highest-edge' }, { ...band, floor: { ...band.floor, edges } });
    const weaker: CarDesign = { ...small, motor: { ...small.motor, turns: 5 } as CarDesign['motor'] };
    expect(score(small)).toBeGreaterThan(score(weaker));
    expect(score(small)).toBeLessThan(0.075);
  });
  it('remedies are offered by what they bring to it', () => {
    const spinning = asked(
      { kind: 'quickest-to', distance: 3 },
      { ...band, tyre: 'bare-disc', sleeve: [], motor: { ...band.motor, parallel: 2 } as CarDesign['motor'] },
    );
    const assessment = assess(spinning, 'metric')!;
    expect(assessment.asked.kind).toBe('ran');
    const gains = assessment.remedies.map(({ better }) => better);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    for (const { remedy, low, high } of assessment.remedies) {
      const likely = score(remedy.design) - score(spinning);
      expect([low < likely, likely < high]).toEqual([true, true]);
    }
  });
});

import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predict } from '../predict/uncertainty.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { builtSample, lowerQuantileScorer } from './quantile-score.ts';

const car = { ...newCar('x'), care: 'ordinary' } as CarDesign;
const band = newCar('x', 'band');
const scoreOf = lowerQuantileScorer(1, makeWorkspace());

describe('what 8 in 10 cars built to a design exceed', () => {
  it('lies in the range told for them, below the middle', () => {
    for (const design of [car, band, newCar('x', 'twist')]) {
      const outcome = predict(design, { seed: 7, runs: 512 });
      if (outcome.kind === 'refused') throw new Error('refused');
      const { sample, distance } = outcome.prediction;
      // 102 of 512 fall short of it, counted in another and larger sample.
      const short = sample.filter(({ result }) => (result?.distance ?? 0) < scoreOf(design)).length / 512;
      expect(short).toBeGreaterThan(0.08);
      expect(short).toBeLessThan(0.34);
      expect(scoreOf(design)).toBeLessThan(distance.middle);
    }
  });
  it('is the same for the same car, and more for one that is surely better', () => {
    expect(scoreOf(car)).toBe(scoreOf({ ...car }));
    expect(lowerQuantileScorer(2, makeWorkspace())(car)).not.toBe(scoreOf(car));
    expect(scoreOf({ ...car, care: 'careful' })).toBeGreaterThan(scoreOf(car));
    expect(scoreOf({ ...car, care: 'rough' })).toBeLessThan(scoreOf(car));
    // As likely, but less sure.
    const vague: CarDesign = { ...car, measured: { rub: { value: 0.0005, spread: 0.9 } } };
    expect(scoreOf(vague)).toBeLessThan(scoreOf(car));
  });
  it('follows the aim: seconds to a mark, nearness to a distance', () => {
    const quick: CarDesign = { ...car, aim: { kind: 'quickest-to', distance: 3 } };
    expect(-scoreOf(quick)).toBeGreaterThan(0.5);
    expect(-scoreOf(quick)).toBeLessThan(30);
    const near: CarDesign = { ...car, aim: { kind: 'closest-to', distance: 20 } };
    expect(scoreOf(near)).toBeLessThan(0);
  });
});

describe('how many of them fail a check', () => {
  it('is nothing for a sound car, and about half where the likeliest stands on the limit', () => {
    const failing = (design: CarDesign) => builtSample(design, 1, makeWorkspace(), 32).troubles;
    expect(failing(car).get('launch-grip')).toBeUndefined();
    // The launch needs about a tenth: as much as it has.
    const needed = 0.097;
    const edge: CarDesign = { ...car, measured: { staticGrip: { value: needed, spread: 0.2 } } };
    const share = failing(edge).get('launch-grip') ?? 0;
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.9);
    expect(failing(edge)).toEqual(failing(edge));
  });
});

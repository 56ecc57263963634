import fc from 'fast-check';
import { sampleStandardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { isSameCar } from '../car/same-design.ts';
import type { RunTally } from '../schema/stored.ts';
import type { CarDesign } from '../car/car-design.ts';
import { comparedRuns, type RunOfCar } from './compared-runs.ts';
import { groupedRuns, likeRuns } from './like-runs.ts';
import { spreadOf, sumsTogether, type RunSums } from './spread.ts';

const sumsOf = (distances: readonly number[], walls: readonly number[] = []): RunSums => {
  const furthest = Math.max(...distances, ...walls);
  return {
    stopped: distances.length,
    walls: walls.length,
    noStarts: 0,
    sum: distances.reduce((a, b) => a + b, 0),
    sumOfSquares: distances.reduce((a, b) => a + b * b, 0),
    best: { kind: walls.includes(furthest) ? 'hit-wall' : 'stopped', distance: furthest },
  };
};

describe('mean and spread', () => {
  // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, sample variance 32/7 (worked by hand).
  it('are those of the book', () => {
    const spread = spreadOf(sumsOf([2, 4, 4, 4, 5, 5, 7, 9]));
    expect(spread.mean).toBe(5);
    expect(spread.deviation).toBeCloseTo(Math.sqrt(32 / 7), 12);
  });
  it('never average a wall hit, which is only "at least"', () => {
    expect(spreadOf(sumsOf([12], [18.5]))).toEqual({ mean: 12, deviation: null });
    expect(spreadOf(sumsOf([], [18.5]))).toEqual({ mean: null, deviation: null });
  });
  it('of sums put together are those of all runs, against simple-statistics; runs all alike have none', () => {
    const some = fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { minLength: 2, maxLength: 30 });
    fc.assert(
      fc.property(some, some, (a, b) => {
        const { mean, deviation } = spreadOf(sumsTogether(sumsOf(a), sumsOf(b)));
        expect(mean).toBeCloseTo([...a, ...b].reduce((x, y) => x + y) / (a.length + b.length), 9);
        expect(deviation).toBeCloseTo(sampleStandardDeviation([...a, ...b]), 6);
      }),
    );
    expect(spreadOf(sumsOf(Array(7).fill(12.34) as number[])).deviation).toBeLessThan(1e-6);
  });
  it('keep the furthest, and of two as far the one that hit the wall', () => {
    expect(sumsTogether(sumsOf([8]), sumsOf([], [8])).best).toEqual({ kind: 'hit-wall', distance: 8 });
    expect(sumsTogether(sumsOf([], [8]), sumsOf([8])).best).toEqual({ kind: 'hit-wall', distance: 8 });
    expect(sumsTogether(sumsOf([9]), sumsOf([8])).best).toEqual({ kind: 'stopped', distance: 9 });
    expect(sumsTogether(sumsOf([9]), sumsOf([], [8])).best).toEqual({ kind: 'stopped', distance: 9 });
  });
});

describe('runs that are alike', () => {
  it('share wind and car; a new name does not make another car', () => {
    const designs = { tern: newCar('Tern'), renamed: newCar('Tern II'), heavier: { ...newCar('Tern'), mass: 0.2 } };
    const tally = (designId: keyof typeof designs, turns: number | null, distance: number): RunTally => ({
      designId,
      turns,
      latest: '2026-11-21T18:00:00.000Z',
      ...sumsOf([distance]),
    });
    const groups = likeRuns({
      designs,
      tallies: [tally('tern', null, 1), tally('tern', 10, 2), tally('renamed', null, 3), tally('heavier', null, 4)],
    });
    expect(groups.map(({ designIds, sums }) => [designIds, sums.sum])).toEqual([
      [['tern', 'renamed'], 4],
      [['tern'], 2],
      [['heavier'], 4],
    ]);
    expect(isSameCar(newCar('a'), newCar('b'))).toBe(true);
    expect(isSameCar(newCar('a'), designs.heavier)).toBe(false);
  });
});

describe('runs put together by one thing they share', () => {
  const tern = newCar('Tern');
  const designs = { tern, carpet: { ...tern, floor: { ...tern.floor, kind: 'coir-matting' as const } }, long: { ...tern, wheelbase: 0.3 } };
  const tallies = (['tern', 'carpet', 'long'] as const).flatMap((designId, i) =>
    [null, 8].map((turns): RunTally => ({ designId, turns, latest: '2026-11-21T18:00:00.000Z', ...sumsOf([i + 1, i + 2]) })),
  );
  it.each([
    ['like', [['tern'], ['tern'], ['carpet'], ['carpet'], ['long'], ['long']]],
    ['version', [['tern', 'carpet'], ['long']]],
    ['floor', [['tern', 'long'], ['carpet']]],
    [
      'winding',
      [
        ['tern', 'carpet', 'long'],
        ['tern', 'carpet', 'long'],
      ],
    ],
  ] as const)('%s', (by, expected) => {
    const groups = groupedRuns({ tallies, designs }, by);
    expect(groups.map(({ designIds }) => designIds)).toEqual(expected);
    expect(groups.reduce((sum, { sums }) => sum + sums.stopped, 0)).toBe(12);
  });
  it('some that were chosen are laid beside each other, like ones together', () => {
    const run = (design: CarDesign, distance: number, kind: 'stopped' | 'hit-wall' = 'stopped'): RunOfCar => ({
      design,
      record: {
        format: 'nimble-axle/run-record',
        version: 1,
        ranAt: '',
        wind: { kind: 'full' },
        outcome: { kind, distance },
        seen: [],
        note: '',
      },
    });
    expect(comparedRuns([run(tern, 8), run(designs.long, 9), run(tern, 10), run(tern, 12, 'hit-wall')])).toMatchObject([
      { count: 3, walls: 1, mean: 9 },
      { count: 1, walls: 0, mean: 9, deviation: null },
    ]);
  });
});

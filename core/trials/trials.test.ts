import { describe, expect, it } from 'vitest';
import { newCar, type RunRecord } from '../design/car-design.ts';
import { isSameCar } from '../design/same-design.ts';
import { likeRuns } from './like-runs.ts';
import { spreadOf } from './spread.ts';

const run = (distance: number, more: Partial<RunRecord> = {}): RunRecord => ({
  format: 'nimble-axle/run-record',
  version: 1,
  ranAt: '2026-11-21T18:00:00.000Z',
  wind: { kind: 'full' },
  outcome: { kind: 'stopped', distance },
  seen: [],
  note: '',
  design: newCar('Tern'),
  ...more,
});
const wall = (distance: number): RunRecord => run(distance, { outcome: { kind: 'hit-wall', distance } });

describe('mean and spread', () => {
  // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, sample variance 32/7 (worked by hand).
  it('are those of the book', () => {
    const spread = spreadOf([2, 4, 4, 4, 5, 5, 7, 9].map((d) => run(d)));
    expect(spread).toMatchObject({ count: 8, walls: 0, mean: 5, best: 9 });
    expect(spread.deviation).toBeCloseTo(Math.sqrt(32 / 7), 12);
  });
  it('never average a wall hit, which is only "at least"', () => {
    expect(spreadOf([run(12), wall(18.5)])).toEqual({ count: 1, walls: 1, mean: 12, deviation: null, best: 18.5 });
    expect(spreadOf([])).toMatchObject({ mean: null, best: null });
  });
});

describe('runs that are alike', () => {
  it('share wind and car; a new name does not make another car', () => {
    const other = { ...newCar('Tern'), mass: 0.2 };
    const groups = likeRuns(
      [run(1), run(2, { wind: { kind: 'turns', turns: 10 } }), run(3, { design: newCar('Tern II') }), run(4, { design: other })],
      (r) => r,
    );
    expect(groups.map(({ runs }) => runs.map(({ outcome }) => outcome.distance))).toEqual([[1, 3], [2], [4]]);
    expect(isSameCar(newCar('a'), newCar('b'))).toBe(true);
    expect(isSameCar(newCar('a'), other)).toBe(false);
  });
});

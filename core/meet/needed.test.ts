import { describe, expect, it } from 'vitest';
import type { Goal } from '../brief/goal.ts';
import { neededFor } from './needed.ts';
import { idOf, meetOf, ran, result, round, standing } from './reference/made-meets.ts';

const needs = (...asked: Parameters<typeof neededFor>) => neededFor(...asked).map(({ place, value }) => [place, Number(value.toFixed(6))]);

describe('what a car needs', () => {
  it('to take each better place where the best run counts: as far as whoever has it', () => {
    const meet = meetOf(3, [round({ runs: 3 })]);
    const results = standing(ran(0, 16.2), ran(1, 18.4, 17), ran(2, 12));
    expect(needs(meet, results, idOf(2), 0)).toEqual([
      [1, 18.4],
      [2, 16.2],
    ]);
    expect(needs(meet, results, idOf(0), 0)).toEqual([[1, 18.4]]);
    // Whoever leads needs nothing, and whoever has no run left can take nothing.
    expect(needs(meet, results, idOf(1), 0)).toEqual([]);
    expect(needs(meet, standing(ran(0, 16.2), ran(1, 18.4), ran(2, 12, 11, 10)), idOf(2), 0)).toEqual([]);
  });
  it('is a time or less where sooner is better, and nothing is needed of nobody', () => {
    const quick: Goal = { kind: 'quickest-to', distance: 6 };
    const meet = meetOf(2, [round({ runs: 2, goal: quick })]);
    const first = result(0, 0, { distance: 7, time: 4.1 });
    expect(neededFor(meet, standing([first]), idOf(1), 0)).toEqual([{ place: 1, value: 4.1, isLess: true }]);
    expect(neededFor(meet, [], idOf(1), 0)).toEqual([]);
  });
  it('of a mean or sum is told when one run is left: by hand 3 · 10 − (8 + 9) = 13 m, 25 − 17 = 8 m', () => {
    const mean = meetOf(2, [round({ runs: 3, counts: 'mean' })]);
    expect(needs(mean, standing(ran(0, 10, 10, 10), ran(1, 8, 9)), idOf(1), 0)).toEqual([[1, 13]]);
    expect(needs(mean, standing(ran(0, 10, 10, 10), ran(1, 8)), idOf(1), 0)).toEqual([]);
    const sum = meetOf(2, [round({ runs: 3, counts: 'sum' })]);
    expect(needs(sum, standing(ran(0, 10, 10, 5), ran(1, 8, 9)), idOf(1), 0)).toEqual([[1, 8]]);
    const two = meetOf(2, [round({ runs: 3, counts: 'best-two' })]);
    expect(needs(two, standing(ran(0, 10, 10), ran(1, 8, 9)), idOf(1), 0)).toEqual([]);
  });
});

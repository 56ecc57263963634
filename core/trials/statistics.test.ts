import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Outcome } from '../car/car-design.ts';
import { atTheMark } from './at-the-mark.ts';
import { censoredGroup, kaplanMeier } from './censored.ts';
import { didItHelp, permutationP, superiority, welch } from './did-it-help.ts';
import { mulberry, standardNormal } from '../numerics/low-discrepancy.ts';
import { ownScatter } from './own-scatter.ts';
import { trendOf } from './trend.ts';

interface Reference {
  readonly groups: readonly {
    readonly distances: readonly number[];
    readonly hitWall: readonly boolean[];
    readonly censoredNormal: { readonly mean: number; readonly deviation: number; readonly interval95: readonly [number, number | null] };
    readonly kaplanMeier: readonly (readonly [number, number])[];
  }[];
  readonly trends: readonly {
    readonly distances: readonly number[];
    readonly kendallTau: number;
    readonly p: number;
    readonly theilSen: number;
  }[];
  readonly pairs: readonly {
    readonly before: readonly number[];
    readonly after: readonly number[];
    readonly welch: {
      readonly t: number;
      readonly df: number;
      readonly p: number;
      readonly difference: number;
      readonly interval95: readonly [number, number];
    };
    readonly permutation: { readonly p: number };
    readonly superiority: number;
  }[];
}
/** Made with SciPy (`norm.fit` by likelihood, `ecdf`, `kendalltau`, `theilslopes`, `ttest_ind`, `permutation_test`). */
const { groups, trends, pairs } = JSON.parse(
  readFileSync(new URL('../bench/reference/reference-trials.json', import.meta.url), 'utf8'),
) as Reference;

describe('a group of like runs, walls as "at least"', () => {
  it.each(groups.map((group, i) => [i, group] as const))(
    'group %i is SciPy’s',
    (_i, { distances, hitWall, censoredNormal, kaplanMeier: steps }) => {
      const outcomes = distances.map((distance, i): Outcome => ({ kind: hitWall[i] ? 'hit-wall' : 'stopped', distance }));
      const found = censoredGroup(outcomes);
      if (found) {
        expect(found.mean).toBeCloseTo(censoredNormal.mean, 2);
        expect(found.deviation).toBeCloseTo(censoredNormal.deviation, 2);
        const [low, high] = censoredNormal.interval95;
        expect(found.low).toBeCloseTo(low, 1);
        if (high !== null && found.high !== null) expect(found.high / high).toBeCloseTo(1, 2);
        else expect(found.high).toBe(high);
      } else expect(hitWall.filter((wall) => !wall).length).toBeLessThan(2);
      const curve = kaplanMeier(outcomes);
      expect(curve.map(([at]) => at)).toEqual(steps.map(([at]) => at));
      curve.forEach(([, beyond], i) => expect(beyond).toBeCloseTo(steps[i]![1], 5));
    },
  );
});

describe('runs one after another', () => {
  it.each(trends.map((trend, i) => [i, trend] as const))('trend %i is SciPy’s', (_i, { distances, kendallTau, p, theilSen }) => {
    const found = trendOf(distances)!;
    expect(found.tau).toBeCloseTo(kendallTau, 5);
    expect(found.p / p).toBeCloseTo(1, 4);
    expect(found.slope).toBeCloseTo(theilSen, 6);
  });
});

describe('before and after', () => {
  it.each(pairs.map((pair, i) => [i, pair] as const))('Welch, permutation and superiority of pair %i are SciPy’s', (_i, pair) => {
    const found = welch(pair.before, pair.after);
    expect(found.t).toBeCloseTo(pair.welch.t, 4);
    expect(found.freedom).toBeCloseTo(pair.welch.df, 3);
    expect(found.p).toBeCloseTo(pair.welch.p, 5);
    found.interval95.forEach((edge, i) => expect(edge).toBeCloseTo(pair.welch.interval95[i]!, 3));
    expect(permutationP(pair.before, pair.after)).toBeCloseTo(pair.permutation.p, 6);
    expect(superiority(pair.before, pair.after)).toBeCloseTo(pair.superiority, 6);
  });
  it('says better, worse, the same, or that it cannot tell and how many runs would', () => {
    const base = [10, 10.3, 9.8, 10.1];
    expect(didItHelp(base, [12, 12.4, 11.9, 12.2])!.verdict).toBe('better');
    expect(didItHelp([12, 12.4, 11.9, 12.2], base)!.verdict).toBe('worse');
    const many = Array.from({ length: 16 }, (_, i) => 10 + 0.1 * ((i % 5) - 2));
    expect(didItHelp(many, many.toReversed(), { isSideBySide: true })!.verdict).toBe('no-difference');
    const unsure = didItHelp([10, 10.9, 9.4], [10.6, 11.2, 9.9])!;
    expect(unsure.verdict).toBe('cannot-tell');
    expect(unsure.more).toBeGreaterThan(0);
    expect(unsure.chance).toBeGreaterThan(0.5);
    expect(didItHelp([10], [12, 13])).toBeNull();
  });
});

describe('two groups at what is asked', () => {
  const around = (middle: number): number[] => [0.97, 0.99, 1.01, 1.03].map((by) => middle * by);
  const furthest = { kind: 'furthest' } as const;
  it('are even where they are alike, and it is sure where they are far apart', () => {
    expect(atTheMark(around(10), around(10), furthest)!).toEqual({ beats: expect.closeTo(0.5, 6), mark: null });
    expect(atTheMark(around(10), around(15), furthest)!.beats).toBeGreaterThan(0.98);
    expect(atTheMark([10], around(10), furthest)).toBeNull();
  });
  it('tell how many come to the mark: half of those that lie about it', () => {
    const { mark } = atTheMark(around(12), around(16), { kind: 'at-least', distance: 12 })!;
    expect(mark!.reach[0]).toBeCloseTo(0.5, 2);
    expect(mark!.reach[1]).toBeGreaterThan(0.98);
  });
  it('of a mark to stop at, the one about it wins, from either side', () => {
    const near = { kind: 'closest-to', distance: 12 } as const;
    expect(atTheMark(around(12), around(16), near)!.beats).toBeLessThan(0.1);
    expect(atTheMark(around(8), around(12), near)!.beats).toBeGreaterThan(0.9);
  });
});

describe('the scatter of a builder’s own runs', () => {
  it('is what is usual until there are groups, then what they show, and surer with more', () => {
    // ln s of three runs at 0.97, 1, 1.03 is about 3 %.
    const steady = [9.7, 10, 10.3];
    const none = ownScatter([[10, 11]]);
    expect(none.median).toBeCloseTo(0.06, 12);
    expect(none.spread).toBeCloseTo(0.5, 12);
    const [few, many] = [ownScatter([steady, steady]), ownScatter(Array<number[]>(20).fill(steady))];
    expect(few.median).toBeLessThan(none.median);
    expect(many.median).toBeLessThan(few.median);
    expect(many.spread).toBeLessThan(few.spread);
    expect(few.spread).toBeLessThan(none.spread);
  });
  it('is the truth over many groups of three: what s of so few misses on average is put right', () => {
    const random = mulberry(5);
    const groups = Array.from({ length: 400 }, () => Array.from({ length: 3 }, () => 10 * Math.exp(0.05 * standardNormal(random()))));
    expect(ownScatter(groups).median).toBeCloseTo(0.05, 2);
    expect(Math.abs(ownScatter(groups).median / 0.05 - 1)).toBeLessThan(0.08);
  });
});

import { readFileSync } from 'node:fs';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { describe, expect, it } from 'vitest';
import type { Goal } from '../brief/goal.ts';
import type { Outcome } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import type { RunOfCar } from './compared-runs.ts';
import { atTheMark } from './at-the-mark.ts';
import { censoredGroup, kaplanMeier } from './censored.ts';
import { chanceStartsMore, didItHelp, meanMiss, type Comparison, type ComparisonOptions } from './did-it-help.ts';
import { scatterPosterior } from './scatter-posterior.ts';
import { areInTurn, comparable, stoppedAt, type ScoredRun, type ScoredRuns } from './scored-runs.ts';
import { permutationP, superiority, welch } from './two-sample-tests.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
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

describe('runs one after another, some alike', () => {
  // 5, 5, 6: no inversion, one or two are as likely of the three orders of two alike and one; twice a third (by hand).
  it.each([
    [[5, 5, 6], 2 / 3],
    // One of its four unlike pairs falls: of the six words two have no more than one; twice a third.
    [[5, 6, 5, 6], 2 / 3],
    // Of six words of two and two, one has no inversion: twice a sixth.
    [[5, 5, 6, 6], 1 / 3],
    // Of four orders of one and three alike, one: twice a quarter.
    [[4, 5, 5, 5], 0.5],
    [[5, 5, 5], 1],
  ])('%o comes of luck with p = %f', (distances, p) => expect(trendOf(distances)!.p).toBeCloseTo(p, 12));
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
  const compared = (before: readonly ScoredRun[], after: readonly ScoredRun[], options?: ComparisonOptions): Comparison =>
    didItHelp([{ before, after }], options)!;
  const help = (before: readonly number[], after: readonly number[], options?: ComparisonOptions): Comparison =>
    compared(stoppedAt(...before), stoppedAt(...after), options);
  /** The same, run one after the other in turn. */
  const inTurn = (before: readonly number[], after: readonly number[]): ScoredRuns => ({
    before: stoppedAt(...before).map((run, i) => ({ ...run, order: 2 * i })),
    after: stoppedAt(...after).map((run, i) => ({ ...run, order: 2 * i + 1 })),
  });
  const walls = (...distances: readonly number[]): ScoredRun[] => stoppedAt(...distances).map((run) => ({ ...run, atLeast: true }));
  const noStart: ScoredRun = { value: NaN, atLeast: false, hasStarted: false };

  it('says better, worse, the same, or that it cannot tell and how many runs would', () => {
    const base = [10, 10.3, 9.8, 10.1];
    expect(help(base, [12, 12.4, 11.9, 12.2]).verdict).toBe('better');
    expect(help([12, 12.4, 11.9, 12.2], base).verdict).toBe('worse');
    const many = Array.from({ length: 16 }, (_, i) => 10 + 0.1 * ((i % 5) - 2));
    expect(help(many, many.toReversed(), { isInTurn: true }).verdict).toBe('no-difference');
    const unsure = help([10, 10.9, 9.4], [10.6, 11.2, 9.9], { isInTurn: true });
    expect(unsure.verdict).toBe('cannot-tell');
    expect(unsure.more).toBeGreaterThan(0);
    expect(unsure.chance).toBeGreaterThan(0.5);
    expect(help([10], [12, 13])).toBeNull();
    // Runs that go up and down tell of no drift.
    expect(help(many, many.toReversed(), { isInTurn: true }).drift).toBeNull();
  });
  it('has the interval of the book where the scatter is known: +10 %, 5 % of 4 and 4, 9 in 10 within 1.645 · 0.05 √½ of ln 1.1', () => {
    const known = { median: 0.05, spread: 1e-3, upwards: 1 };
    const { gain } = help([10, 10, 10, 10], [11, 11, 11, 11], { scatter: known, isInTurn: true });
    const reach = 1.644854 * 0.05 * Math.SQRT1_2;
    // In turn, a drift of 0.8 % a run that one in two runs may have moves it by a thousandth.
    expect(Math.abs(Math.log1p(gain!.middle) - Math.log(1.1))).toBeLessThan(0.002);
    expect(Math.abs(Math.log1p(gain!.low) - Math.log(1.1) + reach)).toBeLessThan(0.003);
    expect(Math.abs(Math.log1p(gain!.high) - Math.log(1.1) - reach)).toBeLessThan(0.003);
    // On two days 2 % more.
    const wide = ({ low, high }: { readonly low: number; readonly high: number }): number => Math.log1p(high) - Math.log1p(low);
    const apart = didItHelp([inTurn([10, 10, 10, 10], [11, 11, 11, 11])], { scatter: known })!.gain!;
    expect(wide(apart)).toBeCloseTo(2 * 1.644854 * Math.hypot(0.05 * Math.SQRT1_2, 0.02), 2);
  });
  it('takes walls as at least: 8 m, then four walls at 9 m, is better', () => {
    expect(compared(stoppedAt(8, 8.2, 7.9), walls(9, 9, 9, 9))).toMatchObject({ verdict: 'better' });
    // One short of the wall beside three into it is no less than the wall.
    const after = compared(stoppedAt(8, 8.2, 7.9), [...stoppedAt(8.9), ...walls(9, 9, 9)]);
    expect(after.verdict).toBe('better');
    expect(after.gain!.middle).toBeGreaterThan(compared(stoppedAt(8, 8.2, 7.9), stoppedAt(8.9, 9, 9, 9)).gain!.middle);
  });
  it('puts floors and directions side by side, each with its own: 19 and 30 m become 21 and 33, 10 % more', () => {
    const pairs = [
      { before: stoppedAt(19, 19.2, 18.8), after: stoppedAt(20.9, 21.1, 20.7) },
      { before: stoppedAt(30, 30.3, 29.7), after: stoppedAt(33, 33.3, 32.7) },
    ];
    const told = didItHelp(pairs, { isInTurn: true })!;
    expect(told.verdict).toBe('better');
    expect(told.gain!.middle).toBeCloseTo(0.1, 2);
    // Twice the runs: surer than one pair alone.
    const alone = didItHelp(pairs.slice(0, 1), { isInTurn: true })!;
    expect(told.gain!.high - told.gain!.low).toBeLessThan(alone.gain!.high - alone.gain!.low);
  });
  it('judges by what is asked: nearer to the mark is better, however far it goes, and less time is', () => {
    const near = { by: 'goal', isLess: false, target: 12 } as const;
    const past = help([15, 15.2, 14.9, 15.1], [12.1, 12.3, 11.9, 12], { scoring: near });
    expect(past).toMatchObject({ verdict: 'better', more: null });
    // 3.05 m off, less about 0.3 of scatter about the mark.
    expect(past.gain!.middle).toBeGreaterThan(2.5);
    expect(past.gain!.middle).toBeLessThan(3);
    expect(help([3.1, 3.2, 3.15], [2.5, 2.55, 2.6], { scoring: { by: 'goal', isLess: true, target: null } }).verdict).toBe('better');
    // Of a normal about the mark the mean miss is σ √(2/π): ln-normal of 1 % about 12 m.
    expect(meanMiss(Math.log(12), 0.01, 12)).toBeCloseTo(12 * 0.01 * Math.sqrt(2 / Math.PI), 4);
    expect(meanMiss(Math.log(15), 0.001, 12)).toBeCloseTo(3, 4);
  });
  it('counts runs that did not start by themselves: from nothing to 1 m', () => {
    const told = compared([noStart, noStart, noStart], stoppedAt(1, 1.1, 0.9));
    expect(told).toMatchObject({ verdict: 'better', gain: null, more: null });
    expect(told.starts).toEqual({ before: { started: 0, runs: 3 }, after: { started: 3, runs: 3 } });
    expect(told.middle.before).toBeNaN();
    // Three of three against none of three: beta, 69/70 (by hand, 1 − ∫∫).
    expect(chanceStartsMore({ started: 0, runs: 3 }, { started: 3, runs: 3 })).toBeCloseTo(69 / 70, 3);
    expect(chanceStartsMore({ started: 1, runs: 2 }, { started: 1, runs: 2 })).toBeCloseTo(0.5, 9);
  });
  it('what it says of more runs comes true: so many more settle it about two times in three; where the day hides it, none do', () => {
    const random = randomGenerator(3);
    const runs = (middle: number, count: number): number[] =>
      Array.from({ length: count }, () => middle * Math.exp(0.05 * standardNormal(random())));
    let [told, settled] = [0, 0];
    while (told < 60) {
      const truth = 10 * Math.exp(0.08 * standardNormal(random()));
      const [before, after] = [runs(10, 3), runs(truth, 3)];
      const first = help(before, after, { isInTurn: true });
      if (first.more === null) continue;
      told++;
      const later = help([...before, ...runs(10, first.more)], [...after, ...runs(truth, first.more)], { isInTurn: true });
      if (later.verdict !== 'cannot-tell') settled++;
    }
    expect(settled / told).toBeGreaterThan(0.5);
    expect(settled / told).toBeLessThan(0.9);
    // +3 % on different days, which differ by 2 % themselves: no number of runs tells, and it says so.
    const many = Array.from({ length: 300 }, (_, i) => 10 * Math.exp(0.05 * standardNormal((i + 0.5) / 300)));
    const further = many.map((distance) => 1.03 * distance);
    // In no order of their sizes: that would be a drift.
    const shuffled = (of: readonly number[]): number[] => of.map((_, i) => of[(i * 77) % of.length]!);
    expect(didItHelp([inTurn(shuffled(many), shuffled(further))])).toMatchObject({ verdict: 'cannot-tell', more: null });
  });
});

describe('the means of groups', () => {
  const known = (median: number) => ({ median, spread: 1e-6, upwards: 1 });
  const ordered = (values: readonly number[], from = 0) => values.map((ln, i) => ({ ln, atLeast: false, order: from + i }));

  it('are those of the book where nothing drifts: the mean, s²/n', () => {
    const level = scatterPosterior([ordered([0.99, 1, 1.01]), ordered([1.1, 1.12], 3)], known(0.05)).filter(({ trend }) => trend === 0);
    expect(level.length).toBeGreaterThan(0);
    for (const { means } of level) {
      expect(means[0]!.mean).toBeCloseTo(1, 3);
      expect(means[1]!.mean).toBeCloseTo(1.11, 3);
      expect(means[0]!.variance).toBeCloseTo(0.05 ** 2 / 3, 4);
      expect(means[1]!.variance).toBeCloseTo(0.05 ** 2 / 2, 4);
    }
  });
  it('hardly heed an odd run: what is left of it is what integration says', () => {
    // Four runs, the last spoiled: posterior mean of a contaminated normal, 19 in 20 with 3 %, else with 18 %, by brute force.
    const [runs, scatter] = [[1, 1.02, 0.98, 0.5], 0.03];
    const density = (x: number, s: number): number => Math.exp(-0.5 * (x / s) ** 2) / s;
    let [total, first] = [0, 0];
    for (let at = 0; at < 2; at += 1e-4) {
      const weight = runs.reduce((product, x) => product * (0.95 * density(x - at, scatter) + 0.05 * density(x - at, 6 * scatter)), 1);
      total += weight;
      first += at * weight;
    }
    const level = scatterPosterior([ordered(runs)], known(scatter)).filter(({ trend }) => trend === 0);
    expect(level[0]!.means[0]!.mean).toBeCloseTo(first / total, 2);
    expect(first / total).toBeGreaterThan(0.98);
  });
  it('allow for runs that were getting shorter anyway: the slope is that of the line through both groups', () => {
    // −1 % a run, right on a line: by hand, after lies 4 runs later and 4 % lower, and no further.
    const line = [0, -0.01, -0.02, -0.03, -0.04, -0.05, -0.06, -0.07];
    const places = scatterPosterior([ordered(line.slice(0, 4)), ordered(line.slice(4), 4)], known(0.002));
    const drifting = places.filter(({ trend }) => trend !== 0);
    expect(drifting.reduce((sum, { weight }) => sum + weight, 0)).toBeGreaterThan(0.99);
    const gain = drifting.reduce((sum, { weight, means }) => sum + weight * (means[1]!.mean - means[0]!.mean), 0);
    expect(Math.abs(gain)).toBeLessThan(0.003);
    const told = didItHelp([{ before: stoppedAt(...line.slice(0, 4).map(Math.exp)), after: stoppedAt(...line.slice(4).map(Math.exp)) }], {
      scatter: known(0.002),
    })!;
    expect(told).toMatchObject({ verdict: 'no-difference', drift: expect.closeTo(-0.01, 3) });
  });
});

describe('a group with a wall', () => {
  it('has ten times the mean, scatter and range where all distances are ten times as long', () => {
    const outcomes = (by: number): Outcome[] => [
      ...[10, 14].map((x): Outcome => ({ kind: 'stopped', distance: by * x })),
      ...[20, 20, 20, 20].map((x): Outcome => ({ kind: 'hit-wall', distance: by * x })),
    ];
    const [near, far] = [censoredGroup(outcomes(0.2))!, censoredGroup(outcomes(10))!];
    expect(far.mean).toBeGreaterThan(220);
    for (const key of ['mean', 'deviation', 'low'] as const) expect(far[key]! / near[key]!).toBeCloseTo(50, 2);
  });
  it('has the mean and variance at the top of its likelihood, found by plain search', () => {
    const [s, stops, wall] = [0.1, [Math.log(10), Math.log(10.8)], Math.log(11)];
    const walled = stoppedAt(10, 10.8).concat({ value: 11, atLeast: true, hasStarted: true });
    const lnRunsOf = walled.map(({ value, atLeast }, order) => ({ ln: Math.log(value), atLeast, order }));
    const steady = scatterPosterior([lnRunsOf], { median: s, spread: 1e-9, upwards: 1 }).filter(({ trend }) => trend === 0);
    const { mean, variance } = steady.reduce((a, b) => (b.weight > a.weight ? b : a)).means[0]!;
    // Source: the normal with one run in twenty six times as wide, a wall as Φ, its prior ln 3 wide from the wall on.
    const normal = (z: number): number => Math.exp(-0.5 * z * z);
    const ln = (m: number): number =>
      stops.reduce((sum, x) => sum + Math.log(0.95 * normal((x - m) / s) + (0.05 / 6) * normal((x - m) / s / 6)), 0) +
      Math.log(normalCdf((m - wall) / s, 0, 1)) -
      0.5 * ((m - wall - Math.log(3) / 2) / (Math.log(3) / Math.sqrt(12))) ** 2;
    const grid = Array.from({ length: 4001 }, (_, i) => 2.2 + i / 10000);
    const top = grid.reduce((a, b) => (ln(b) > ln(a) ? b : a));
    expect(mean).toBeCloseTo(top, 2);
    expect(variance * -((ln(top + 0.01) - 2 * ln(top) + ln(top - 0.01)) / 0.01 ** 2)).toBeCloseTo(1, 1);
  });
});

describe('forty runs one after another', () => {
  it('have the chance of the normal: S = −20 of twenty up, then twenty up from below; p = 2 Φ(−20/√(40 · 39 · 85/18))', () => {
    const runs = Array.from({ length: 40 }, (_, i) => (i < 20 ? 21 + i : i - 19));
    expect(trendOf(runs)!.p).toBeCloseTo(2 * normalCdf(-20 / Math.sqrt((40 * 39 * 85) / 18), 0, 1), 12);
    // Two runs that tie take 2 · 1 · 9/18 from the variance, and one from S.
    expect(trendOf(runs.with(0, 22))!.p).toBeCloseTo(2 * normalCdf(-21 / Math.sqrt((40 * 39 * 85 - 18) / 18), 0, 1), 12);
  });
});

describe('runs made in turn', () => {
  const at = (minute: number): RunOfCar => ({
    design: newCar('x'),
    record: { ranAt: `2026-11-21T18:0${minute}:00Z` } as RunOfCar['record'],
  });
  it('are those that change sides each time, in whatever order they are listed', () => {
    expect(areInTurn({ before: [at(4), at(0), at(2)], after: [at(5), at(1), at(3)] })).toBe(true);
    expect(areInTurn({ before: [at(0), at(1), at(2)], after: [at(3), at(4), at(5)] })).toBe(false);
    // A B A B, then more of the second: as often as there are of the fewer.
    expect(areInTurn({ before: [at(0), at(2)], after: [at(1), at(3), at(4), at(5), at(6), at(7)] })).toBe(true);
  });
});

describe('groups before and after', () => {
  it('can be compared where both ran', () => {
    const run = { design: newCar('x'), record: {} as RunOfCar['record'] };
    expect(comparable([{ before: [run], after: [] }, { before: [], after: [run] }, { before: [run], after: [run] }])).toHaveLength(1); // prettier-ignore
  });
});

describe('two samples', () => {
  it('that tie count half: of four pairs two are higher and one ties, 2.5/4', () => expect(superiority([1, 2], [1, 3])).toBe(0.625));
});

describe('what is too little to tell', () => {
  const outcome = (kind: 'stopped' | 'hit-wall', distance: number) => ({ kind, distance }) as const;
  it('one run that stopped among walls has no scatter; two have', () => {
    const walls = [outcome('hit-wall', 10), outcome('hit-wall', 10)];
    expect(censoredGroup([outcome('stopped', 9), ...walls])).toBeNull();
    const told = censoredGroup([outcome('stopped', 9), outcome('stopped', 9.6), ...walls])!;
    expect(told.mean).toBeGreaterThan(9.3);
  });
  it('one run on either side compares nothing', () => {
    expect(didItHelp([{ before: stoppedAt(10, 10.2, 9.9), after: stoppedAt(11) }])).toBeNull();
    expect(didItHelp([{ before: stoppedAt(10), after: stoppedAt(11, 11.1, 10.9) }])).toBeNull();
    expect(didItHelp([{ before: stoppedAt(10, 10.1), after: stoppedAt(11, 11.1) }])).not.toBeNull();
  });
});

describe('two groups at what is asked', () => {
  const around = (middle: number): number[] => [0.97, 0.99, 1.01, 1.03].map((by) => middle * by);
  const furthest = { kind: 'furthest' } as const;
  const at = (before: readonly number[], after: readonly number[], goal: Goal) =>
    atTheMark(
      { before: stoppedAt(...before), after: stoppedAt(...after) },
      { isLess: false, target: goal.kind === 'closest-to' ? goal.distance : null },
      'distance' in goal ? goal.distance : null,
    );
  it('are even where they are alike, and it is sure where they are far apart', () => {
    expect(at(around(10), around(10), furthest)!).toEqual({ beats: expect.closeTo(0.5, 6), mark: null });
    expect(at(around(10), around(15), furthest)!.beats).toBeGreaterThan(0.98);
    expect(at([10], around(10), furthest)).toBeNull();
  });
  it('tell how many come to the mark: half of those that lie about it', () => {
    const { mark } = at(around(12), around(16), { kind: 'at-least', distance: 12 })!;
    expect(mark!.reach[0]).toBeCloseTo(0.5, 2);
    expect(mark!.reach[1]).toBeGreaterThan(0.98);
  });
  it('counts those that did not start as runs that do not come there: four of five started, so (4 + 1)/(5 + 2)', () => {
    const didNot = { value: 0, atLeast: false, hasStarted: false };
    const reach = (before: ScoredRun[], after: ScoredRun[]) =>
      atTheMark({ before, after }, { isLess: false, target: null }, 12)!.mark!.reach;
    const [sound, some] = [stoppedAt(...around(16)), [...stoppedAt(...around(16)), didNot]];
    const [all] = reach(sound, sound);
    expect(reach(sound, some)[1]).toBeCloseTo((all * 5) / 7, 9);
    expect(reach(some, sound)[0]).toBeCloseTo((all * 5) / 7, 9);
  });
  it('of a mark to stop at, the one about it wins, from either side', () => {
    const near = { kind: 'closest-to', distance: 12 } as const;
    expect(at(around(12), around(16), near)!.beats).toBeLessThan(0.1);
    expect(at(around(8), around(12), near)!.beats).toBeGreaterThan(0.9);
  });
});

describe('the scatter of a builder’s own runs', () => {
  it('is what is usual until there are groups, then what they show, and surer with more', () => {
    // ln s of three runs at 0.97, 1, 1.03 is about 3 %.
    const steady = [9.7, 10, 10.3];
    const none = ownScatter([[10, 11]]);
    // Runs that did not start tell nothing of it: two that did are too few.
    expect(ownScatter([[10, 11, 0, 0.01]])).toEqual(none);
    expect(none.median).toBeCloseTo(0.06, 12);
    expect(none.spread).toBeCloseTo(0.5, 12);
    const [few, many] = [ownScatter([steady, steady]), ownScatter(Array<number[]>(20).fill(steady))];
    expect(few.median).toBeLessThan(none.median);
    expect(many.median).toBeLessThan(few.median);
    expect(many.spread).toBeLessThan(few.spread);
    expect(few.spread).toBeLessThan(none.spread);
  });
  it('is the truth over many groups of three: what s of so few misses on average is put right', () => {
    const random = randomGenerator(5);
    const groups = Array.from({ length: 400 }, () => Array.from({ length: 3 }, () => 10 * Math.exp(0.05 * standardNormal(random()))));
    expect(ownScatter(groups).median).toBeCloseTo(0.05, 2);
    expect(Math.abs(ownScatter(groups).median / 0.05 - 1)).toBeLessThan(0.08);
  });
});

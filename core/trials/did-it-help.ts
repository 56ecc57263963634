import { bisect, bisectWhole } from '../numerics/bisect.ts';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { mean } from 'simple-statistics';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { USUAL_SCATTER, type ScatterPrior } from './fit/scale-grid.ts';
import { shareBelow, type Mixture } from './fit/mixture.ts';
import { logRuns, scatterPosterior, type GroupMean, type OrderedRun, type ScatterNode } from './scatter-posterior.ts';
import type { ScoredRun, ScoredRuns, Scoring } from './scored-runs.ts';

/** What a change did, as far as runs tell. */
export type Verdict = 'better' | 'worse' | 'no-difference' | 'cannot-tell';

/** How many of so many runs started. */
export interface Starts {
  readonly started: number;
  readonly runs: number;
}

/** Two cars compared by their runs. */
export interface Comparison {
  readonly verdict: Verdict;
  readonly scoring: Scoring;
  /**
   * How much better the second is: as a fraction of the first or, at a mark to stop at, m nearer; the middle, and where 9 in 10 lie. Null where
   * too few of one of them started.
   */
  readonly gain: { readonly middle: number; readonly low: number; readonly high: number } | null;
  /** Chance that the second is better. */
  readonly chance: number;
  /** How many started, where not all did. */
  readonly starts: { readonly before: Starts; readonly after: Starts } | null;
  /** What those that started come to before and after, the middle; NaN where none did. SI. */
  readonly middle: { readonly before: number; readonly after: number };
  /** Runs more of each that would settle it in two of three cases, where it cannot be determined yet; null beyond what anybody would make. */
  readonly more: number | null;
  /** Whether they were run in turn. */
  readonly isInTurn: boolean;
  /** How runs grew longer or shorter from one to the next, ln, whatever was changed; null where that is not likely. */
  readonly drift: number | null;
}

/** A difference below this is none that matters; and it is none where its interval lies within this. Fractions of the distance. */
const RELEVANT_GAIN = 0.03;
const EQUIVALENCE_MARGIN = 0.05;
/** Two groups on different days differ by so much more. */
export const SESSION = 0.02;
/** How sure a verdict is. */
const VERDICT_PROBABILITY = 0.95;
const TAIL_PROBABILITY = 0.05;
/** Runs that started which are needed of each. */
const MIN_RUNS = 2;

/** Runs before and after of one floor, winding and direction, in ln. */
interface LnPair {
  readonly before: readonly OrderedRun[];
  readonly after: readonly OrderedRun[];
}

/** The runs that started, in the order of their records; else as listed, one after the other or in turn. */
function orderedPairs(pairs: readonly ScoredRuns[], isInTurn: boolean): readonly LnPair[] {
  let first = 0;
  return pairs.map(({ before, after }) => {
    const listed = (runs: readonly ScoredRun[], side: 0 | 1): ScoredRun[] =>
      runs.map((run, i) => ({ order: first + (isInTurn ? 2 * i + side : i + side * before.length), ...run }));
    const [was, is] = [listed(before, 0), listed(after, 1)];
    first += before.length + after.length;
    return { before: logRuns(was), after: logRuns(is) };
  });
}

/** How likely it must be that runs change from one to the next before it is reported. */
const DRIFTING = 0.75;
/** How runs change from one to the next, ln; null where that is not likely. */
function driftOf(nodes: readonly ScatterNode[]): number | null {
  const growing = nodes.filter(({ trend }) => trend !== 0);
  const fraction = growing.reduce((sum, { weight }) => sum + weight, 0);
  return fraction < DRIFTING ? null : growing.reduce((sum, { weight, trend }) => sum + weight * trend, 0) / fraction;
}

/** How much better something is, as a distribution. */
interface Difference {
  /** Fraction of it below a gain. */
  readonly below: (gain: number) => number;
  /** Between these all of it lies. */
  readonly range: readonly [low: number, high: number];
  /** The gain that matters, and the one within which nothing does. */
  readonly matters: number;
  readonly nothing: number;
}

const HALVINGS = 45;
function quantileOf({ below, range }: Difference, fraction: number): number {
  const { low, high } = bisect((gain) => below(gain) < fraction, ...range, HALVINGS);
  return (low + high) / 2;
}

/** Means of several groups as one, each as sure as it is. */
function pooled(means: readonly GroupMean[]): GroupMean {
  const precision = means.reduce((sum, { variance }) => sum + 1 / variance, 0);
  return { mean: means.reduce((sum, { mean, variance }) => sum + mean / variance, 0) / precision, variance: 1 / precision };
}

/** Means before and after by turns, as `scatterPlaces` was asked for them. */
const inPairs = ({ means }: ScatterNode): { readonly before: GroupMean; readonly after: GroupMean }[] =>
  Array.from({ length: means.length / 2 }, (_, k) => ({ before: means[2 * k]!, after: means[2 * k + 1]! }));

/** Of values of which more or less is better: normal in ln at each scatter. Pairs of groups differ alike, whatever floor they ran on. */
function relativeDifference(nodes: readonly ScatterNode[], isLess: boolean, session: number): Difference {
  const mixture: Mixture = nodes.map((node) => {
    const { mean, variance } = pooled(
      inPairs(node).map(({ before, after }) => ({
        mean: (isLess ? -1 : 1) * (after.mean - before.mean),
        variance: before.variance + after.variance,
      })),
    );
    return { weight: node.weight, mean, variance: variance + session ** 2 };
  });
  const far = 8 * Math.sqrt(Math.max(...mixture.map(({ variance }) => variance)));
  const means = mixture.map(({ mean }) => mean);
  return {
    below: (gain) => shareBelow(mixture, Math.log1p(gain)),
    range: [Math.expm1(Math.min(...means) - far), Math.expm1(Math.max(...means) + far)],
    matters: RELEVANT_GAIN,
    nothing: EQUIVALENCE_MARGIN,
  };
}

/** Mean distance from a mark of what is ln-normal about a median: E|X − D| = m (2Φ(d + s) − 1) − D (2Φ(d) − 1), d = ln(median/D)/s, m its mean. */
export function meanMiss(lnMedian: number, scatter: number, mark: number): number {
  const d = (lnMedian - Math.log(mark)) / scatter;
  const mean = Math.exp(lnMedian + scatter ** 2 / 2);
  return mean * (2 * normalCdf(d + scatter, 0, 1) - 1) - mark * (2 * normalCdf(d, 0, 1) - 1);
}

/** Places in equal shares over what a mean may be. */
const NODES = Array.from({ length: 7 }, (_, i) => normalQuantile((i + 0.5) / 7, 0, 1));

/** Of a mark to stop at: m by which the second stops nearer on average, over what scatter and means may be. */
function missDifference(nodes: readonly ScatterNode[], mark: number, session: number): Difference {
  const gains = nodes.flatMap((node) => {
    const [pair] = inPairs(node);
    const missesOf = ({ mean, variance }: GroupMean): number[] =>
      NODES.map((z) => meanMiss(mean + z * Math.sqrt(variance + session ** 2 / 2), node.scatter, mark));
    const [before, after] = [missesOf(pair!.before), missesOf(pair!.after)];
    const weight = node.weight / NODES.length ** 2;
    return before.flatMap((was) => after.map((is) => ({ gain: was - is, weight })));
  });
  gains.sort((a, b) => a.gain - b.gain);
  let total = 0;
  const fractions = gains.map(({ weight }) => (total += weight));
  return {
    below: (gain) => {
      const last = bisectWhole((n) => gains[n]!.gain < gain, -1, gains.length);
      return last < 0 ? 0 : fractions[last]!;
    },
    range: [gains[0]!.gain - 1e-9, gains.at(-1)!.gain + 1e-9],
    matters: RELEVANT_GAIN * mark,
    nothing: EQUIVALENCE_MARGIN * mark,
  };
}

function verdictOf({ below, matters, nothing }: Difference): Verdict {
  const worse = below(0);
  const isMiddleSmall = below(-matters) < 0.5 && below(matters) > 0.5;
  if (isMiddleSmall && below(-nothing) < TAIL_PROBABILITY && below(nothing) > 1 - TAIL_PROBABILITY) return 'no-difference';
  if (1 - worse >= VERDICT_PROBABILITY) return 'better';
  return worse >= VERDICT_PROBABILITY ? 'worse' : 'cannot-tell';
}

/** Steps of the integral over how likely a start is. */
const START_STEPS = 200;
/** Chance that the second starts more often than the first, by how many did: each chance of a start beta, flat before. Source: any text of Bayesian statistics. */
export function chanceStartsMore(before: Starts, after: Starts): number {
  const density = ({ started, runs }: Starts): number[] => {
    const at = Array.from({ length: START_STEPS }, (_, i) => (i + 0.5) / START_STEPS);
    const heights = at.map((p) => p ** started * (1 - p) ** (runs - started));
    const total = heights.reduce((sum, height) => sum + height, 0);
    return heights.map((height) => height / total);
  };
  const [first, second] = [density(before), density(after)];
  let [below, chance] = [0, 0];
  second.forEach((height, i) => {
    chance += height * (below + first[i]! / 2);
    below += first[i]!;
  });
  return chance;
}

const startsOf = (runs: readonly ScoredRun[]): Starts => ({
  started: runs.filter(({ hasStarted }) => hasStarted).length,
  runs: runs.length,
});
const middleOf = (runs: readonly Pick<OrderedRun, 'ln'>[]): number => Math.exp(runs.reduce((sum, { ln }) => sum + ln, 0) / runs.length);

export interface ComparisonOptions {
  readonly scoring?: Scoring;
  readonly isInTurn?: boolean;
  /** Prior of the scatter before: the builder’s own history. */
  readonly scatter?: ScatterPrior;
  /** Whether how many runs more would settle it need not be determined. */
  readonly noMore?: boolean;
}

/**
 * Whether runs after a change are better than those before, in pairs of groups that are otherwise the same: the posterior of how much better
 * their mean is, with their common scatter integrated over, its prior ln-normal. Runs that hit the wall are right-censored; those that did
 * not start are counted by themselves. Runs may grow longer or shorter from one to the
 * next whatever was changed, and odd ones count little. Groups not run in turn (A B A B) differ by 2 % more. Null without two runs of each.
 */
export function didItHelp(
  pairs: readonly ScoredRuns[],
  {
    scoring = { by: 'distance', isLess: false, target: null },
    isInTurn = false,
    scatter = USUAL_SCATTER,
    noMore = false,
  }: ComparisonOptions = {},
): Comparison | null {
  const [allBefore, allAfter] = [pairs.flatMap(({ before }) => before), pairs.flatMap(({ after }) => after)];
  if (allBefore.length < MIN_RUNS || allAfter.length < MIN_RUNS) return null;
  const starts = { before: startsOf(allBefore), after: startsOf(allAfter) };
  const areAll = starts.before.started === allBefore.length && starts.after.started === allAfter.length;
  const common = {
    scoring,
    isInTurn,
    starts: areAll ? null : starts,
    middle: { before: middleOf(logRuns(allBefore)), after: middleOf(logRuns(allAfter)) },
  };
  const startsMore = areAll ? 0.5 : chanceStartsMore(starts.before, starts.after);
  const byStarts: Verdict = startsMore >= VERDICT_PROBABILITY ? 'better' : startsMore <= 1 - VERDICT_PROBABILITY ? 'worse' : 'cannot-tell';
  const started = orderedPairs(pairs, isInTurn)
    .filter(({ before, after }) => before.length > 0 && after.length > 0)
    // A stop near a mark is no ratio that floors have in common: the pair with the most runs.
    .toSorted((a, b) => Math.min(b.before.length, b.after.length) - Math.min(a.before.length, a.after.length))
    .slice(0, scoring.target === null ? undefined : 1);
  const count = (side: 'before' | 'after'): number => started.reduce((sum, pair) => sum + pair[side].length, 0);
  if (count('before') < MIN_RUNS || count('after') < MIN_RUNS)
    return { ...common, verdict: byStarts, gain: null, chance: startsMore, more: null, drift: null };
  const placesOf = (groups: readonly LnPair[], fineness?: number): readonly ScatterNode[] =>
    scatterPosterior(
      groups.flatMap(({ before, after }) => [before, after]),
      scatter,
      fineness,
    );
  const differenceOf = (nodes: readonly ScatterNode[]): Difference => {
    const session = isInTurn ? 0 : SESSION;
    return scoring.target === null ? relativeDifference(nodes, scoring.isLess, session) : missDifference(nodes, scoring.target, session);
  };
  const nodes = placesOf(started);
  const difference = differenceOf(nodes);
  const byGain = verdictOf(difference);
  const isTorn = byStarts !== 'cannot-tell' && byGain !== 'no-difference' && byGain !== 'cannot-tell' && byGain !== byStarts;
  const verdict = isTorn ? 'cannot-tell' : byStarts === 'cannot-tell' ? byGain : byStarts;
  const [low, middle, high] = [TAIL_PROBABILITY, 0.5, 1 - TAIL_PROBABILITY].map((fraction) => quantileOf(difference, fraction));
  return {
    ...common,
    verdict,
    gain: { middle: middle!, low: low!, high: high! },
    drift: driftOf(nodes),
    chance: byStarts === 'cannot-tell' || isTorn ? 1 - difference.below(0) : startsMore,
    more:
      verdict === 'cannot-tell' && !isTorn && !noMore
        ? runsMore(started, nodes, (groups) => verdictOf(differenceOf(placesOf(groups, COARSE))))
        : null,
  };
}

/** Numbers of further runs of each that are tried, the draws of what they may come to, and the fraction of these that must settle it. */
const MORE = [1, 2, 3, 4, 5, 6, 8, 10, 13, 17, 22];
const DRAWS = 48;
/** Places of the scatter while they are judged. */
const COARSE = 9;
const SETTLED = 2 / 3;

/**
 * Runs more of each after which two in three of the ways in which they may come out end in a verdict: simulated from what is known now. Null
 * where even the most that anybody would make settle it less often.
 */
function runsMore(groups: readonly LnPair[], nodes: readonly ScatterNode[], judge: (groups: readonly LnPair[]) => Verdict): number | null {
  const orders = groups.flatMap(({ before, after }) => [...before, ...after].map(({ order }) => order));
  const [latest, middle] = [Math.max(...orders), mean(orders)];
  const isSettled = (more: number): boolean => {
    const random = randomGenerator(1);
    let [settled, draw] = [0, 0];
    // Only until it is decided.
    for (; settled < SETTLED * DRAWS && draw - settled <= (1 - SETTLED) * DRAWS; draw++) {
      let left = random();
      const node = nodes.find(({ weight }) => (left -= weight) <= 0) ?? nodes.at(-1)!;
      const pairs = inPairs(node);
      const after = (runs: readonly OrderedRun[], { mean, variance }: GroupMean, count: number, side: 0 | 1): OrderedRun[] => {
        const truth = mean + Math.sqrt(variance) * standardNormal(random());
        return [
          // What a wall hid is taken as it would then have been.
          ...runs.map(({ ln, atLeast, order }) => ({ ln: atLeast ? Math.max(ln, truth) : ln, atLeast: false, order })),
          ...Array.from({ length: count }, (_, i) => {
            const order = latest + 1 + 2 * i + side;
            return { ln: truth + node.trend * (order - middle) + node.scatter * standardNormal(random()), atLeast: false, order };
          }),
        ];
      };
      // They are all made of the pair that has the most, in turn.
      const then = groups.map((group, k) => ({
        before: after(group.before, pairs[k]!.before, k === 0 ? more : 0, 0),
        after: after(group.after, pairs[k]!.after, k === 0 ? more : 0, 1),
      }));
      if (judge(then) !== 'cannot-tell') settled++;
    }
    return settled >= SETTLED * DRAWS;
  };
  if (!isSettled(MORE.at(-1)!)) return null;
  return MORE[bisectWhole((n) => !isSettled(MORE[n]!), -1, MORE.length - 1) + 1]!;
}

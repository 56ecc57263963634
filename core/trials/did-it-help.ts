import tCdf from '@stdlib/stats-base-dists-t-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { mean, sampleVariance } from 'simple-statistics';
import { quantileOf, shareBelow, type Mixture } from './fit/mixture.ts';
import { USUAL_SCATTER, type ScatterPrior } from './fit/fit-car.ts';

/** What a change did, as far as runs tell. */
export type Verdict = 'better' | 'worse' | 'no-difference' | 'cannot-tell';

/** Two groups of runs compared by their distances. */
export interface Comparison {
  readonly verdict: Verdict;
  /** How much further the second goes, as a share of the first: the middle, and where 9 in 10 lie. */
  readonly gain: number;
  readonly low: number;
  readonly high: number;
  /** Chance that the second goes further. */
  readonly chance: number;
  /** Runs more of each that would most likely settle it, where it cannot be told yet; null beyond what anybody would make. */
  readonly more: number | null;
}

/** A difference below this is none that matters; and it is none where its interval lies within this. */
const MATTERS = 0.03;
const NOTHING = 0.05;
/** Two groups on different days differ by so much more. */
export const SESSION = 0.02;
/** How sure a verdict is. */
const SURE = 0.942;
const SIDE = 0.05;
const PLACES = 41;
const REACH = 3.5;
/** The most runs of each that are told. */
const MOST_MORE = 40;

/** ln of distances, m; a car that did not move went a centimetre. */
export const lnDistances = (distances: readonly number[]): number[] => distances.map((distance) => Math.log(Math.max(distance, 0.01)));

/** What groups’ common scatter may be, and how likely each is: an ln-normal prior, and the likelihood of how they lie about their means. */
export function scatterPlaces(
  lnGroups: readonly (readonly number[])[],
  prior: ScatterPrior,
): readonly { readonly scatter: number; readonly weight: number }[] {
  const freedom = lnGroups.reduce((sum, group) => sum + group.length - 1, 0);
  const squares = lnGroups.reduce((sum, group) => sum + group.reduce((all, x) => all + (x - mean([...group])) ** 2, 0), 0);
  const places = Array.from({ length: PLACES }, (_, i) => {
    const off = -REACH + (2 * REACH * i) / (PLACES - 1);
    const scatter = prior.median * Math.exp(prior.spread * off);
    return { scatter, lnWeight: -0.5 * off * off - freedom * Math.log(scatter) - squares / (2 * scatter ** 2) };
  });
  const most = Math.max(...places.map(({ lnWeight }) => lnWeight));
  const total = places.reduce((sum, { lnWeight }) => sum + Math.exp(lnWeight - most), 0);
  return places.map(({ scatter, lnWeight }) => ({ scatter, weight: Math.exp(lnWeight - most) / total }));
}

/** The difference of two groups’ ln distance as a mixture over their common scatter, whose prior is the builder’s own history. */
function differenceOf(before: readonly number[], after: readonly number[], isSideBySide: boolean, prior: ScatterPrior): Mixture {
  const [a, b] = [lnDistances(before), lnDistances(after)];
  const session = isSideBySide ? 0 : SESSION ** 2;
  return scatterPlaces([a, b], prior).map(({ scatter, weight }) => ({
    weight,
    mean: mean(b) - mean(a),
    variance: scatter ** 2 * (1 / a.length + 1 / b.length) + session,
  }));
}

function verdictOf(difference: Mixture): Verdict {
  const better = 1 - shareBelow(difference, 0);
  const [low, high] = [SIDE, 1 - SIDE].map((share) => Math.expm1(quantileOf(difference, share)));
  const middle = Math.expm1(quantileOf(difference, 0.5));
  if (Math.abs(middle) < MATTERS && low! > -NOTHING && high! < NOTHING) return 'no-difference';
  if (better >= SURE) return 'better';
  return better <= 1 - SURE ? 'worse' : 'cannot-tell';
}

/**
 * Whether runs after a change go further than those before, m: posterior of the difference of ln d with the scatter integrated over, its
 * prior ln-normal. Groups not run side by side (A B A B) differ by 2 % more. Null without two runs of each.
 */
export function didItHelp(
  before: readonly number[],
  after: readonly number[],
  { isSideBySide = false, scatter = USUAL_SCATTER }: { readonly isSideBySide?: boolean; readonly scatter?: ScatterPrior } = {},
): Comparison | null {
  if (before.length < 2 || after.length < 2) return null;
  const difference = differenceOf(before, after, isSideBySide, scatter);
  const verdict = verdictOf(difference);
  const [low, middle, high] = [SIDE, 0.5, 1 - SIDE].map((share) => Math.expm1(quantileOf(difference, share)));
  return {
    verdict,
    gain: middle!,
    low: low!,
    high: high!,
    chance: 1 - shareBelow(difference, 0),
    more: verdict === 'cannot-tell' ? runsMore(difference, before.length, after.length) : null,
  };
}

/** Runs more of each with which a difference as large as it looks would be told, or told to be none. */
function runsMore(difference: Mixture, before: number, after: number): number | null {
  const middle = difference[0]!.mean;
  for (let more = 1; more <= MOST_MORE; more++) {
    const shrunk = (1 / (before + more) + 1 / (after + more)) / (1 / before + 1 / after);
    const then = difference.map((place) => ({ ...place, mean: middle, variance: place.variance * shrunk }));
    if (verdictOf(then) !== 'cannot-tell') return more;
  }
  return null;
}

/** Welch’s test of two means, told on demand. Source: Welch 1947. */
export function welch(before: readonly number[], after: readonly number[]) {
  const [a, b] = [before, after].map((group) => sampleVariance([...group]) / group.length) as [number, number];
  const difference = mean([...after]) - mean([...before]);
  const error = Math.sqrt(a + b);
  const freedom = (a + b) ** 2 / (a ** 2 / (before.length - 1) + b ** 2 / (after.length - 1));
  const t = difference / error;
  const reach = tQuantile(0.975, freedom) * error;
  return { t, freedom, p: 2 * tCdf(-Math.abs(t), freedom), difference, interval95: [difference - reach, difference + reach] as const };
}

/** Orders beyond which the exact count would be waited for. */
const MOST_ORDERS = 200_000;

const ROUNDING = 1e-9;

/** Share of all ways to share the runs out whose difference of means is as large as this one: twice that of the rarer side; null for too many ways. Source: Fisher, Pitman. */
export function permutationP(before: readonly number[], after: readonly number[]): number | null {
  const all = [...before, ...after];
  const take = before.length;
  let orders = 1;
  for (let k = 0; k < take; k++) orders = (orders * (all.length - k)) / (k + 1);
  if (orders > MOST_ORDERS) return null;
  const total = all.reduce((sum, x) => sum + x, 0);
  const difference = (sum: number): number => (total - sum) / (all.length - take) - sum / take;
  const seen = difference(before.reduce((sum, x) => sum + x, 0));
  let [count, below, above] = [0, 0, 0];
  const choose = (from: number, left: number, sum: number): void => {
    if (left === 0) {
      count++;
      const apart = difference(sum) - seen;
      if (apart <= ROUNDING) below++;
      if (apart >= -ROUNDING) above++;
      return;
    }
    for (let i = from; i <= all.length - left; i++) choose(i + 1, left - 1, sum + all[i]!);
  };
  choose(0, take, 0);
  return Math.min(1, (2 * Math.min(below, above)) / count);
}

/** Chance that a run after beats one before, ties halved, from the runs alone. */
export const superiority = (before: readonly number[], after: readonly number[]): number =>
  before.reduce((sum, a) => sum + after.reduce((all, b) => all + (b > a ? 1 : b === a ? 0.5 : 0), 0), 0) / (before.length * after.length);

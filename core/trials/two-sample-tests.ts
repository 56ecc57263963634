import tCdf from '@stdlib/stats-base-dists-t-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { mean, sampleVariance } from 'simple-statistics';

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

/** Fraction of all ways to share the runs out whose difference of means is as large as this one: twice that of the rarer side; null for too many ways. Source: Fisher, Pitman. */
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

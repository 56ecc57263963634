import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { median } from 'simple-statistics';

/** Whether runs grow longer or shorter from one to the next. */
export interface Trend {
  /** Kendall’s τ, from −1 to 1, and how likely so much comes of luck. */
  readonly tau: number;
  readonly p: number;
  /** m from run to run (Theil and Sen). */
  readonly slope: number;
}

/** Runs up to which the chance is counted out, as in the tables. */
const COUNTED = 33;

/** Fractions of all orders of `taken` things among `all` that have 0, 1, … inversions against the others: the Gaussian binomial coefficient. */
function inversionsOf(taken: number, all: number): readonly number[] {
  // Row by row: the last thing is one of those taken, or it stands behind all of them.
  let row: readonly (readonly number[])[] = [[1]];
  for (let n = 1; n <= all; n++)
    row = Array.from({ length: Math.min(n, taken) + 1 }, (_, k) => {
      const counts = new Array<number>(k * (n - k) + 1).fill(0);
      row[k - 1]?.forEach((fraction, i) => (counts[i]! += (fraction * k) / n));
      row[k]?.forEach((fraction, i) => (counts[i + k]! += (fraction * (n - k)) / n));
      return counts;
    });
  return row[taken]!;
}

/** Fraction of all orders of some values, in groups of these sizes that are alike, with at most so many inversions: each group among those before it. */
function atMostInversions(groups: readonly number[], most: number): number {
  let [counts, placed]: [readonly number[], number] = [[1], 0];
  for (const size of groups) {
    placed += size;
    const more = inversionsOf(size, placed);
    const next = new Array<number>(counts.length + more.length - 1).fill(0);
    counts.forEach((fraction, i) => more.forEach((other, j) => (next[i + j]! += fraction * other)));
    counts = next;
  }
  return counts.slice(0, most + 1).reduce((sum, fraction) => sum + fraction, 0);
}

/** The trend of distances in the order they were run, ties as they are; null for fewer than three. Source: Kendall 1938 and, for ties, *Rank Correlation Methods*; Sen 1968. */
export function trendOf(distances: readonly number[]): Trend | null {
  const n = distances.length;
  if (n < 3) return null;
  let [up, down] = [0, 0];
  const slopes: number[] = [];
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const step = distances[j]! - distances[i]!;
      slopes.push(step / (j - i));
      if (step > 0) up++;
      else if (step < 0) down++;
    }
  const pairs = (n * (n - 1)) / 2;
  const tau = (up - down) / Math.sqrt(pairs * Math.max(up + down, 1));
  const sizes = [...new Set(distances)].map((value) => distances.filter((other) => other === value).length);
  // Runs that are alike take from what is left to luck.
  const spread =
    [n, ...sizes].map((size) => size * (size - 1) * (2 * size + 5)).reduce((sum, one, i) => (i === 0 ? one : sum - one), 0) / 18;
  const p =
    up + down === 0
      ? 1
      : n <= COUNTED
        ? Math.min(1, 2 * atMostInversions(sizes, Math.min(up, down)))
        : 2 * normalCdf(-Math.abs(up - down) / Math.sqrt(spread), 0, 1);
  return { tau, p, slope: median(slopes) };
}

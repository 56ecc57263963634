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

/** Share of all orders of n things with at most so many inversions. */
function atMostInversions(n: number, most: number): number {
  // Ways to have each number of inversions, as shares: placing one more thing adds 0 to k − 1.
  let ways = [1];
  for (let k = 2; k <= n; k++) {
    const next = new Array<number>(ways.length + k - 1).fill(0);
    ways.forEach((share, inversions) => {
      for (let more = 0; more < k; more++) next[inversions + more]! += share / k;
    });
    ways = next;
  }
  return ways.slice(0, most + 1).reduce((sum, share) => sum + share, 0);
}

/** The trend of distances in the order they were run; null for fewer than three. Source: Kendall 1938; Sen 1968. */
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
  const isTied = up + down < pairs;
  const tau = (up - down) / Math.sqrt(pairs * Math.max(up + down, 1));
  const p =
    !isTied && n <= COUNTED
      ? Math.min(1, 2 * atMostInversions(n, Math.min(up, down)))
      : 2 * normalCdf(-Math.abs(up - down) / Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18), 0, 1);
  return { tau, p, slope: median(slopes) };
}

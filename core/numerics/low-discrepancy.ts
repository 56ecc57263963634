import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/**
 * Points spread evenly over the unit cube of any dimension: the additive recurrence x_n = frac(s + n α), α_k = φ^−k, φ the
 * root of x^(d+1) = x + 1 (a generalised golden ratio), shifted by a seed. Source: M. Roberts, *The unreasonable
 * effectiveness of quasirandom sequences* (2018); random shift: Cranley & Patterson, SIAM J. Numer. Anal. 13 (1976). From memory.
 */
export function lowDiscrepancy(dimensions: number, seed: number): (n: number) => Float64Array {
  let root = 2;
  for (let step = 0; step < 40; step++) root = (1 + root) ** (1 / (dimensions + 1));
  const random = randomGenerator(seed);
  const shift = Float64Array.from({ length: dimensions }, random);
  const steps = Float64Array.from({ length: dimensions }, (_, k) => root ** -(k + 1));
  return (n) => Float64Array.from({ length: dimensions }, (_, k) => (shift[k]! + (n + 1) * steps[k]!) % 1);
}

/** Numbers in [0, 1) from a seed: the 32-bit generator called mulberry32 (public domain). From memory. */
export function randomGenerator(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A fraction of 0 or 1 would be infinitely far out: taken as one in a million. */
const LEAST_SHARE = 1e-6;

/** The standard normal value below which this share lies: `standardNormal(0.975) // 1.959964`. `share` in [0, 1]. */
export const standardNormal = (fraction: number): number =>
  normalQuantile(Math.min(Math.max(fraction, LEAST_SHARE), 1 - LEAST_SHARE), 0, 1);

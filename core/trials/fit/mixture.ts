import { bisect } from '../../numerics/bisect.ts';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';

/** Normals mixed by their weights, which add up to 1. */
export type Mixture = readonly { readonly weight: number; readonly mean: number; readonly variance: number }[];

/** Fraction of a mixture below a value. */
export const shareBelow = (mixture: Mixture, value: number): number =>
  mixture.reduce((sum, { weight, mean, variance }) => sum + weight * normalCdf(value, mean, Math.sqrt(variance)), 0);

/** The value below which this fraction of a mixture lies. */
export function quantileOf(mixture: Mixture, fraction: number): number {
  const far = 8 * Math.sqrt(Math.max(...mixture.map(({ variance }) => variance)));
  const means = mixture.map(({ mean }) => mean);
  const { low, high } = bisect((value) => shareBelow(mixture, value) < fraction, Math.min(...means) - far, Math.max(...means) + far);
  return (low + high) / 2;
}

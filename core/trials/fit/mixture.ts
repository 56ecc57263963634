import normalCdf from '@stdlib/stats-base-dists-normal-cdf';

/** Normals mixed by their weights, which add up to 1. */
export type Mixture = readonly { readonly weight: number; readonly mean: number; readonly variance: number }[];

/** Share of a mixture below a value. */
export const shareBelow = (mixture: Mixture, value: number): number =>
  mixture.reduce((sum, { weight, mean, variance }) => sum + weight * normalCdf(value, mean, Math.sqrt(variance)), 0);

/** Halvings of the search: a millionth of where it began. */
const HALVINGS = 50;

/** The value below which this share of a mixture lies. */
export function quantileOf(mixture: Mixture, share: number): number {
  const far = 8 * Math.sqrt(Math.max(...mixture.map(({ variance }) => variance)));
  let low = Math.min(...mixture.map(({ mean }) => mean)) - far;
  let high = Math.max(...mixture.map(({ mean }) => mean)) + far;
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (shareBelow(mixture, middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

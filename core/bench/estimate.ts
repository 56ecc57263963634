import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { mean, median } from 'simple-statistics';

/** A measured value: how far it may be off (standard deviation), and from how many degrees of freedom that is known. */
export interface Estimate {
  readonly value: number;
  readonly deviation: number;
  /** What 19 in 20 such measurements would hold. */
  readonly interval95: readonly [low: number, high: number];
  /** Infinity where the spread is an instrument's own. */
  readonly degreesOfFreedom: number;
}

/** How many standard deviations to either side hold a share, by Student's t; `share` from 0 to 1. */
const reachOf = (fraction: number, freedom: number): number =>
  Number.isFinite(freedom) ? tQuantile((1 + fraction) / 2, freedom) : normalQuantile((1 + fraction) / 2, 0, 1);

/** Where a fraction of such measurements lies. Example: `within({ value: 5, deviation: 1, freedom: Infinity }, 0.9)` // about [3.36, 6.64] */
export function confidenceInterval(
  { value, deviation, degreesOfFreedom: freedom }: Omit<Estimate, 'interval95'>,
  fraction: number,
): readonly [number, number] {
  const reach = reachOf(fraction, freedom) * deviation;
  return [value - reach, value + reach];
}

/** A value with its spread, as an estimate. */
export const makeEstimate = (value: number, deviation: number, freedom = Infinity): Estimate => ({
  value,
  deviation,
  degreesOfFreedom: freedom,
  interval95: confidenceInterval({ value, deviation, degreesOfFreedom: freedom }, 0.95),
});

/** A number that is taken as it is. */
export const exactEstimate = (value: number): Estimate => makeEstimate(value, 0);

/** Standard deviation of a reading that is reported in divisions of so much: uniform within one. */
export const resolutionUncertainty = (division: number): number => division / Math.sqrt(12);

/** Prior of the repeatability before counts as so many readings more. */
const PRIOR_FREEDOM = 3;

/** How far readings of one thing scatter, and from how many degrees of freedom that is known; these may be none. */
export interface Scatter {
  readonly deviation: number;
  readonly freedom: number;
}

/**
 * Scatter of readings that leave `squares` of their means with `freedom` degrees, weighed with how well such readings repeat (a standard
 * deviation in their own unit): s² = (ν₀ r² + Σ(x − x̄)²)/(ν₀ + ν), the scaled inverse χ² of any text of Bayesian statistics. Alike by luck,
 * or read only once, they are no surer than that; and never surer than their division allows.
 */
export function repeatScatter(squares: number, freedom: number, division: number, repeatability = 0): Scatter {
  const prior = repeatability > 0 ? PRIOR_FREEDOM : 0;
  const all = freedom + prior;
  const deviation = all > 0 ? Math.sqrt((squares + prior * repeatability ** 2) / all) : 0;
  return { deviation: Math.max(deviation, resolutionUncertainty(division)), freedom: all };
}

/** The mean of readings of one thing, as sure as they scatter; see `scatterOf`. */
export function meanEstimate(readings: readonly number[], division: number, repeatability = 0): Estimate {
  const middle = mean([...readings]);
  const squares = readings.reduce((sum, reading) => sum + (reading - middle) ** 2, 0);
  const { deviation, freedom } = repeatScatter(squares, readings.length - 1, division, repeatability);
  return makeEstimate(middle, deviation / Math.sqrt(readings.length), freedom === 0 ? Infinity : freedom);
}

/** Step of a derivative, in standard deviations of the value: curves are straight so near. */
const STEP = 0.01;

/**
 * What comes of measured values that are off independently: variance by the derivatives, degrees of freedom by Welch and Satterthwaite.
 * Source: JCGM 100 (GUM), 5.1.2 and G.4.1.
 */
export function propagateUncertainty(inputs: readonly Estimate[], f: (...values: readonly number[]) => number): Estimate {
  const at = inputs.map(({ value }) => value);
  const parts = inputs.map(({ deviation }, i) => {
    if (deviation === 0) return 0;
    const moved = (by: number): number => f(...at.with(i, at[i]! + by * STEP * deviation));
    return (moved(1) - moved(-1)) / (2 * STEP);
  });
  const variance = parts.reduce((sum, part) => sum + part * part, 0);
  const fourths = parts.reduce(
    (sum, part, i) => sum + (Number.isFinite(inputs[i]!.degreesOfFreedom) ? part ** 4 / inputs[i]!.degreesOfFreedom : 0),
    0,
  );
  return makeEstimate(f(...at), Math.sqrt(variance), fourths > 0 ? variance ** 2 / fourths : Infinity);
}

/** One thing measured several times: weighed by how sure each is; never surer than how far they lie apart allows (Birge's ratio). Null of none. */
export function weightedMean(estimates: readonly Estimate[]): { readonly estimate: Estimate; readonly disagree: boolean } | null {
  if (estimates.length === 0) return null;
  if (estimates.length === 1) return { estimate: estimates[0]!, disagree: false };
  const weights = estimates.map(({ deviation }) => 1 / Math.max(deviation, 1e-300) ** 2);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const value = estimates.reduce((sum, one, i) => sum + weights[i]! * one.value, 0) / total;
  const square = estimates.reduce((sum, one, i) => sum + weights[i]! * (one.value - value) ** 2, 0) / (estimates.length - 1);
  const freedom = estimates.reduce((sum, one) => sum + one.degreesOfFreedom, 0);
  return { estimate: makeEstimate(value, Math.sqrt(Math.max(1, square) / total), freedom), disagree: square > DISAGREE };
}
/** Mean square of the differences, in their own spreads, from which measurements are said to disagree: two and a half times over. */
const DISAGREE = 6.25;

/** In what residuals usually lie: median absolute deviation over 0.6745 about their median, a normal's standard deviation; never below `least`, that of the instrument. */
export function priorScatter(residuals: readonly number[], least: number): number {
  const middle = median([...residuals]);
  return Math.max(median(residuals.map((residual) => Math.abs(residual - middle))) / 0.6745, least);
}

/** Readings further than 3.5 robust standard deviations from what is fitted: to be looked at, never dropped. `residuals`: what the fit leaves; `least`: the standard deviation of the instrument. */
export function findOutliers(residuals: readonly number[], least: number): number[] {
  if (residuals.length < 4) return [];
  const middle = median([...residuals]);
  const robust = priorScatter(residuals, least);
  return residuals.flatMap((residual, i) => (Math.abs(residual - middle) > ODD * robust ? [i] : []));
}
const ODD = 3.5;

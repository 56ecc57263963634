import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { makeEstimate, resolutionUncertainty, type Estimate } from './estimate.ts';

/** Readings: y taken at x. */
export interface Readings {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

/** One parameter of a curve: where the search begins, and within what. */
export interface Sought {
  readonly start: number;
  readonly min: number;
  readonly max: number;
}

export type Curve = (parameters: readonly number[]) => (x: number) => number;

/** Sum of squares of what a curve leaves of the readings. */
const leftOver = (curve: Curve, { x, y }: Readings, parameters: readonly number[]): number => {
  const at = curve(parameters);
  return x.reduce((sum, place, i) => sum + (y[i]! - at(place)) ** 2, 0);
};

/** Rounds of the search; most fits end in twenty. */
const ROUNDS = 80;
/** Step of a derivative, as a fraction of the parameter: the cube root of the numbers' own fineness. */
const STEP = 6e-6;

/**
 * The parameters that leave the least sum of squares (Levenberg 1944, Marquardt 1963), begun from one place after another and taken from
 * the best of them. A search that gains nothing ends where it began.
 */
export function fitCurve(curve: Curve, readings: Readings, starts: readonly (readonly Sought[])[]): readonly number[] {
  const found = starts.map((sought) => {
    const { parameterValues } = levenbergMarquardt({ x: [...readings.x], y: [...readings.y] }, (parameters) => curve(parameters), {
      initialValues: sought.map(({ start }) => start),
      minValues: sought.map(({ min }) => min),
      maxValues: sought.map(({ max }) => max),
      gradientDifference: sought.map(({ start }) => STEP * Math.max(Math.abs(start), STEP)),
      centralDifference: true,
      maxIterations: ROUNDS,
      errorTolerance: 0,
      damping: 1e-3,
      dampingStepUp: 4,
      dampingStepDown: 4,
    });
    return parameterValues;
  });
  return found.reduce((best, next) => (leftOver(curve, readings, next) < leftOver(curve, readings, best) ? next : best));
}

/** How well a fit holds: what it leaves of each reading, and the spread of its parameters. */
export interface FitSpread {
  readonly residuals: readonly number[];
  /** Standard deviation of one reading, never below the instrument's own. */
  readonly scatter: number;
  readonly estimates: readonly Estimate[];
  /** What the fitted curve says at a place, with the spread of all parameters together. */
  readonly at: (x: number) => Estimate;
}

/**
 * Spread of fitted parameters, linear about them: s² (JᵀJ)⁻¹, s² = sum of squares / (n − p), never below the resolution's; intervals by
 * Student's t with n − p degrees of freedom. `resolution`: one division of the instrument, in the readings' unit. Needs n > p.
 * Source: any textbook of regression, e.g. Draper & Smith, Applied Regression Analysis.
 */
export function spreadOfFit(curve: Curve, { x, y }: Readings, parameters: readonly number[], resolution: number): FitSpread {
  const at = curve(parameters);
  const residuals = x.map((place, i) => y[i]! - at(place));
  const freedom = x.length - parameters.length;
  const scatter = Math.max(
    Math.sqrt(residuals.reduce((sum, residual) => sum + residual ** 2, 0) / freedom),
    resolutionUncertainty(resolution),
  );
  const slopesAt = parameters.map((value, k) => {
    const step = STEP * Math.max(Math.abs(value), STEP);
    const moved = (by: number) => curve(parameters.with(k, value + by));
    const [up, down] = [moved(step), moved(-step)];
    return (place: number): number => (up(place) - down(place)) / (2 * step);
  });
  const jacobian = new Matrix(slopesAt.map((slopeAt) => x.map(slopeAt))).transpose();
  const covariance = inverse(jacobian.transpose().mmul(jacobian), true).mul(scatter ** 2);
  return {
    residuals,
    scatter,
    estimates: parameters.map((value, k) => makeEstimate(value, Math.sqrt(Math.max(0, covariance.get(k, k))), freedom)),
    at: (place) => {
      const row = slopesAt.map((slopeAt) => slopeAt(place));
      const variance = row.reduce((sum, by, i) => sum + row.reduce((all, other, j) => all + by * other * covariance.get(i, j), 0), 0);
      return makeEstimate(at(place), Math.sqrt(Math.max(0, variance)), freedom);
    },
  };
}

import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { choleskyRoot, forwardSolved, halfLnDeterminant } from '../../numerics/cholesky.ts';
import type { ScatterDirections } from './scatter.ts';
import { STALL } from './outputs.ts';
import type { Instruments, TrialRun } from './trial.ts';

/** Degrees of freedom of Student's t: one run in eight may be an odd one. */
const FREEDOM = 7;
/** The scatter is a standard deviation: the t’s own scale is smaller by √((ν − 2)/ν). */
const SCALE = (FREEDOM - 2) / FREEDOM;
/** ln s of a watch that is pressed by hand, and of gates, beside their own fineness. */
const HAND = 0.015;
const GATES = 0.01;
/** A wheelspin that is seen, or not, by mistake; and how sharply it sets in, as a share of the grip. */
const MISTAKEN = 0.05;
const SETS_IN = 0.1;

/** What one run adds: ln of its likelihood, and the gradient and curvature of that over the outputs it saw. */
export interface RunTerm {
  readonly value: number;
  /** Places in the outputs, gradient there, and minus the curvature, row by row. */
  readonly places: readonly number[];
  readonly gradient: Float64Array;
  readonly curvature: Float64Array;
}

/** The outputs a run observed: which, and what. */
export interface Observed {
  readonly places: readonly number[];
  readonly values: readonly number[];
  /** Variance of the instrument at each. */
  readonly instrument: readonly number[];
}

/** What a run tells, as the model's outputs are counted. `marks`: m. Of one that hit the wall only the distance counts. */
export function observedOf(run: TrialRun, marks: readonly number[], { tape, watch, gate }: Instruments): Observed {
  const { outcome, time, splits = [] } = run;
  const rows: (readonly [place: number, value: number, variance: number])[] = [
    [0, Math.log(outcome.distance + STALL), (tape / (outcome.distance + STALL)) ** 2],
  ];
  if (outcome.kind === 'stopped') {
    if (time !== undefined && time > 0) rows.push([1, Math.log(time), HAND ** 2 + (watch / time) ** 2]);
    for (const split of splits) {
      const mark = marks.indexOf(split.at);
      if (mark >= 0) rows.push([2 + mark, Math.log(split.time), GATES ** 2 + (gate / split.time) ** 2]);
    }
  }
  return {
    places: rows.map(([place]) => place),
    values: rows.map(([, value]) => value),
    instrument: rows.map(([, , variance]) => variance),
  };
}

const LN_2PI = Math.log(2 * Math.PI);
const density = (x: number): number => Math.exp(-0.5 * (x * x + LN_2PI));
/** ln Φ, and its slope φ/Φ, far out too. */
function lnNormal(x: number): { readonly value: number; readonly slope: number } {
  if (x < -8) return { value: -0.5 * (x * x + LN_2PI) - Math.log(-x), slope: -x + 1 / -x };
  const share = normalCdf(x, 0, 1);
  return { value: Math.log(share), slope: density(x) / share };
}

/** ln Γ-free constant of the multivariate t is the same for all values of the scatter, so it is left out. */
export function runTerm(observed: Observed, isWall: boolean, model: Float64Array, directions: ScatterDirections, scatter: number): RunTerm {
  const { resistance, energy } = directions;
  if (isWall) {
    const sigma = Math.sqrt(scatter ** 2 * (resistance[0]! ** 2 + energy[0]! ** 2) + observed.instrument[0]!);
    const x = (model[0]! - observed.values[0]!) / sigma;
    const { value, slope } = lnNormal(x);
    return {
      value,
      places: [0],
      gradient: Float64Array.of(slope / sigma),
      curvature: Float64Array.of(Math.max((slope * (x + slope)) / sigma ** 2, 0)),
    };
  }
  const seen = observed.places.flatMap((place, i) => (Number.isFinite(model[place]) ? [i] : []));
  const n = seen.length;
  const covariance = new Float64Array(n * n);
  seen.forEach((i, row) =>
    seen.forEach((j, column) => {
      const [p, q] = [observed.places[i]!, observed.places[j]!];
      covariance[row * n + column] =
        SCALE * (scatter ** 2 * (resistance[p]! * resistance[q]! + energy[p]! * energy[q]!) + (i === j ? observed.instrument[i]! : 0));
    }),
  );
  const root = choleskyRoot(covariance, n);
  const white = forwardSolved(
    root,
    seen.map((i) => observed.values[i]! - model[observed.places[i]!]!),
  );
  const square = white.reduce((sum, value) => sum + value * value, 0);
  const weight = (FREEDOM + n) / (FREEDOM + square);
  // Columns of the root's inverse.
  const whitened = seen.map((_, i) => forwardSolved(root, new Float64Array(n).with(i, 1)));
  const gradient = new Float64Array(n);
  const curvature = new Float64Array(n * n);
  whitened.forEach((column, i) => {
    gradient[i] = weight * column.reduce((sum, by, k) => sum + by * white[k]!, 0);
    whitened.forEach((other, j) => (curvature[i * n + j] = weight * column.reduce((sum, by, k) => sum + by * other[k]!, 0)));
  });
  return {
    value: -0.5 * (FREEDOM + n) * Math.log1p(square / FREEDOM) - halfLnDeterminant(root, n),
    places: seen.map((i) => observed.places[i]!),
    gradient,
    curvature,
  };
}

/** ln of how likely wheelspin is seen, and its slope over ln(grip). */
export function spinTerm(grip: number): { readonly value: number; readonly slope: number } {
  const x = -grip / SETS_IN;
  const likely = MISTAKEN + (1 - 2 * MISTAKEN) * normalCdf(x, 0, 1);
  return { value: Math.log(likely), slope: (-(1 - 2 * MISTAKEN) * density(x)) / SETS_IN / likely };
}

import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import tCdf from '@stdlib/stats-base-dists-t-cdf';
import { choleskyFactor, solveLower, halfLogDeterminant } from '../../numerics/cholesky.ts';
import { runVariance, type ScatterDirections } from './scatter.ts';
import { didNotStart, START } from '../../car/did-not-start.ts';
import { STALL } from './outputs.ts';
import type { Instruments, TrialRun } from './trial.ts';

/** Degrees of freedom of Student's t: one run in eight may be an odd one. */
const DEGREES_OF_FREEDOM = 7;
/** The scatter is a standard deviation: the t’s own scale is smaller by √((ν − 2)/ν). */
const SCALE = (DEGREES_OF_FREEDOM - 2) / DEGREES_OF_FREEDOM;
/** ln s of a watch that is pressed by hand, and of gates, beside their own fineness. */
const HAND_TIMING_SD = 0.015;
const GATE_TIMING_SD = 0.01;
/** ln s by which the model’s own times along the way are off, where a film tells them finely and from the first decimetres on. Tried out. */
const LAUNCH_MISFIT_SD = 0.04;
/** A wheelspin that is seen, or not, by mistake; and how sharply it sets in, as a fraction of the grip. */
const SPIN_ERROR_RATE = 0.02;
const SPIN_ONSET_WIDTH = 0.1;

/** What one run adds: ln of its likelihood, and the gradient and curvature of that over the outputs it saw. */
export interface RunTerm {
  readonly value: number;
  /** Places in the outputs, gradient there, and minus the curvature, row by row. */
  readonly places: readonly number[];
  readonly gradient: Float64Array;
  readonly curvature: Float64Array;
}

/** What a run says of its distance: how far, at least so far, that it did not start, or that it is said to go further or less far than that. */
export type DistanceObservation = 'distance' | 'at-least' | 'did-not-start' | 'further' | 'less-far';

/** The outputs a run observed: which, and what. */
export interface RunObservation {
  readonly kind: DistanceObservation;
  readonly places: readonly number[];
  readonly values: readonly number[];
  /** Variance of the instrument at each. */
  readonly instrument: readonly number[];
  /** What the moment of the release puts each off by together, one standard deviation: a film finds it, and counts all times from it. */
  readonly release: readonly number[];
}

/** What a run tells, as the model's outputs are counted. `marks`: m. Of one that hit the wall, or did not start, only the distance counts. */
export function observationOf(run: TrialRun, marks: readonly number[], { tape, watch, gate }: Instruments): RunObservation {
  const { outcome, time, splits = [], film } = run;
  const rows: (readonly [place: number, value: number, variance: number, release: number])[] = [
    [0, Math.log(outcome.distance + STALL), (tape / (outcome.distance + STALL)) ** 2, 0],
  ];
  const start = film?.startDeviation ?? 0;
  const kind = run.said ?? (didNotStart(outcome) ? 'did-not-start' : outcome.kind === 'hit-wall' ? 'at-least' : 'distance');
  if (kind === 'distance') {
    const stop = film?.stopDeviation;
    if (time)
      rows.push(
        stop === undefined
          ? [1, Math.log(time), HAND_TIMING_SD ** 2 + (watch / time) ** 2, 0]
          : [1, Math.log(time), GATE_TIMING_SD ** 2 + (stop / time) ** 2, start / time],
      );
    for (const { at, time: passed, deviation } of splits) {
      const mark = marks.indexOf(at);
      if (mark >= 0)
        rows.push([
          2 + mark,
          Math.log(passed),
          deviation === undefined ? GATE_TIMING_SD ** 2 + (gate / passed) ** 2 : LAUNCH_MISFIT_SD ** 2 + (deviation / passed) ** 2,
          deviation === undefined ? 0 : start / passed,
        ]);
    }
  }
  return {
    kind,
    places: rows.map(([place]) => place),
    values: rows.map(([, value]) => value),
    instrument: rows.map(([, , variance]) => variance),
    release: rows.map(([, , , release]) => release),
  };
}

const LN_2PI = Math.log(2 * Math.PI);
const density = (x: number): number => Math.exp(-0.5 * (x * x + LN_2PI));
/** ln Φ, and its slope φ/Φ, far out too. */
function lnNormal(x: number): { readonly value: number; readonly slope: number } {
  if (x < -8) return { value: -0.5 * (x * x + LN_2PI) - Math.log(-x), slope: -x + 1 / -x };
  const fraction = normalCdf(x, 0, 1);
  return { value: Math.log(fraction), slope: density(x) / fraction };
}

/** ln Γ(4) − ln Γ(3.5) − ½ ln 7π: the height of Student’s t with seven degrees of freedom at its middle. */
const LN_T_HEIGHT = Math.log(6) - Math.log(1.875 * Math.sqrt(Math.PI)) - 0.5 * Math.log(DEGREES_OF_FREEDOM * Math.PI);
/** How sharply a start is distinguished from none, or one way from a longer one, beside the scatter: it is seen, not measured; ln. */
const COMPARISON_SD = 0.15;

/**
 * That a distance is only known to lie on one side of `limit`, ln: above (`side` 1) or below it (−1), by the same Student t as those that were
 * measured, whose tails leave a model that is far off a way to get there. `variance`: of what is compared.
 */
function oneSidedTerm(model: Float64Array, limit: number, side: 1 | -1, variance: number): RunTerm {
  const sigma = Math.sqrt(SCALE * (variance + COMPARISON_SD ** 2));
  const x = (side * (model[0]! - limit)) / sigma;
  const fraction = Math.max(tCdf(x, DEGREES_OF_FREEDOM), 1e-300);
  const slope = Math.exp(LN_T_HEIGHT - ((DEGREES_OF_FREEDOM + 1) / 2) * Math.log1p((x * x) / DEGREES_OF_FREEDOM)) / fraction;
  const bend = slope * (((DEGREES_OF_FREEDOM + 1) * x) / (DEGREES_OF_FREEDOM + x * x) + slope);
  return {
    value: Math.log(fraction),
    places: [0],
    gradient: Float64Array.of((side * slope) / sigma),
    curvature: Float64Array.of(Math.max(bend / sigma ** 2, 0)),
  };
}

/** ln Γ-free constant of the multivariate t is the same for all values of the scatter, so it is left out. */
export function runTerm(observed: RunObservation, model: Float64Array, directions: ScatterDirections, scatter: number): RunTerm {
  const { resistance, energy, grip, winding } = directions;
  const deviation = Math.sqrt(runVariance(directions, scatter));
  if (observed.kind === 'did-not-start') return oneSidedTerm(model, Math.log(START + STALL), -1, deviation ** 2);
  // Of two runs each scatters.
  if (observed.kind === 'further') return oneSidedTerm(model, observed.values[0]!, 1, 2 * deviation ** 2);
  if (observed.kind === 'less-far') return oneSidedTerm(model, observed.values[0]!, -1, 2 * deviation ** 2);
  if (observed.kind === 'at-least') {
    const sigma = Math.sqrt(deviation ** 2 + observed.instrument[0]!);
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
        SCALE *
        (scatter ** 2 * (resistance[p]! * resistance[q]! + energy[p]! * energy[q]!) +
          grip[p]! * grip[q]! +
          winding[p]! * winding[q]! +
          observed.release[i]! * observed.release[j]! +
          (i === j ? observed.instrument[i]! : 0));
    }),
  );
  const root = choleskyFactor(covariance, n);
  const white = solveLower(
    root,
    seen.map((i) => observed.values[i]! - model[observed.places[i]!]!),
  );
  const square = white.reduce((sum, value) => sum + value * value, 0);
  const weight = (DEGREES_OF_FREEDOM + n) / (DEGREES_OF_FREEDOM + square);
  // What runs tell on average, not by luck: the Fisher information of a multivariate t (Lange, Little & Taylor, JASA 1989, app. B).
  const information = (DEGREES_OF_FREEDOM + n) / (DEGREES_OF_FREEDOM + n + 2);
  // Columns of the root's inverse.
  const whitened = seen.map((_, i) => solveLower(root, new Float64Array(n).with(i, 1)));
  const gradient = new Float64Array(n);
  const curvature = new Float64Array(n * n);
  whitened.forEach((column, i) => {
    gradient[i] = weight * column.reduce((sum, by, k) => sum + by * white[k]!, 0);
    whitened.forEach((other, j) => (curvature[i * n + j] = information * column.reduce((sum, by, k) => sum + by * other[k]!, 0)));
  });
  return {
    value: -0.5 * (DEGREES_OF_FREEDOM + n) * Math.log1p(square / DEGREES_OF_FREEDOM) - halfLogDeterminant(root, n),
    places: seen.map((i) => observed.places[i]!),
    gradient,
    curvature,
  };
}

/** ln of how likely wheelspin is seen, and its slope over ln(grip). */
export function spinTerm(grip: number): { readonly value: number; readonly slope: number } {
  const x = -grip / SPIN_ONSET_WIDTH;
  const likely = SPIN_ERROR_RATE + (1 - 2 * SPIN_ERROR_RATE) * normalCdf(x, 0, 1);
  return { value: Math.log(likely), slope: (-(1 - 2 * SPIN_ERROR_RATE) * density(x)) / SPIN_ONSET_WIDTH / likely };
}

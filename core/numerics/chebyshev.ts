/**
 * Spectral quadrature on one panel: a smooth function is held by its values at the Chebyshev–Lobatto points
 * of [−1, 1], both ends included. Source: Trefethen, *Spectral Methods in MATLAB* (2000), ch. 5, 6 and 12;
 * barycentric form: Berrut & Trefethen, SIAM Review 46 (2004).
 */

/** Points in a panel. Twelve hold the pull of every motor here to about nine digits in a few panels. */
export const POINTS = 12;
const LAST = POINTS - 1;

/** The points themselves, ascending from −1 to 1. */
export const NODES = Float64Array.from({ length: POINTS }, (_, j) => -Math.cos((Math.PI * j) / LAST));

/** Row k: the weights that give the k-th Chebyshev coefficient from the values at the points. */
const coefficientRow = (k: number): Float64Array =>
  Float64Array.from({ length: POINTS }, (_, j) => {
    const ends = (j === 0 || j === LAST ? 0.5 : 1) * (k === 0 || k === LAST ? 0.5 : 1);
    return ((2 * ends) / LAST) * Math.cos((k * Math.PI * (LAST - j)) / LAST);
  });
const COEFFICIENTS = Array.from({ length: POINTS }, (_, k) => coefficientRow(k));

/** ∫₋₁ˢ T_k: T_0 → T_1, T_1 → (T_2 − T_0)/4, T_k → T_(k+1)/2(k+1) − T_(k−1)/2(k−1), less its value at −1. */
function chebyshevIntegral(k: number, s: number): number {
  const T = (n: number, at: number): number => Math.cos(n * Math.acos(Math.max(-1, Math.min(1, at))));
  const raw = (at: number): number =>
    k === 0 ? at : k === 1 ? (at * at) / 2 : T(k + 1, at) / (2 * (k + 1)) - T(k - 1, at) / (2 * (k - 1));
  return raw(s) - raw(-1);
}

/** Row-major matrix: values at the points → the integral from −1 to each point. */
const INTEGRAL = (() => {
  const matrix = new Float64Array(POINTS * POINTS);
  for (let i = 0; i < POINTS; i++)
    for (let j = 0; j < POINTS; j++) {
      let sum = 0;
      for (let k = 0; k < POINTS; k++) sum += chebyshevIntegral(k, NODES[i]!) * COEFFICIENTS[k]![j]!;
      matrix[i * POINTS + j] = sum;
    }
  return matrix;
})();

/** Rows summed side by side: a processor waits for one sum, but adds to several at once. */
const ABREAST = 4;

/** Writes into `into` the integral of the function from −1 to each point. */
export function integrate(values: Float64Array, into: Float64Array): void {
  for (let i = 0; i < POINTS; i += ABREAST) {
    const row = i * POINTS;
    let a = 0;
    let b = 0;
    let c = 0;
    let d = 0;
    for (let j = 0; j < POINTS; j++) {
      const value = values[j]!;
      a += INTEGRAL[row + j]! * value;
      b += INTEGRAL[row + POINTS + j]! * value;
      c += INTEGRAL[row + 2 * POINTS + j]! * value;
      d += INTEGRAL[row + 3 * POINTS + j]! * value;
    }
    into[i] = a;
    into[i + 1] = b;
    into[i + 2] = c;
    into[i + 3] = d;
  }
  // Exactly so: a panel begins with nothing.
  into[0] = 0;
}

/** The integral over the whole panel (Clenshaw–Curtis quadrature). */
export function integral(values: Float64Array): number {
  const row = LAST * POINTS;
  let sum = 0;
  for (let j = 0; j < POINTS; j++) sum += INTEGRAL[row + j]! * values[j]!;
  return sum;
}

const TAIL_A = COEFFICIENTS[LAST]!;
const TAIL_B = COEFFICIENTS[LAST - 1]!;

/** Size of the last two Chebyshev coefficients: about the error made by stopping there. Same unit as the values. */
export function tail(values: Float64Array): number {
  let a = 0;
  let b = 0;
  for (let j = 0; j < POINTS; j++) {
    a += TAIL_A[j]! * values[j]!;
    b += TAIL_B[j]! * values[j]!;
  }
  return Math.max(Math.abs(a), Math.abs(b));
}

const barycentricWeight = (j: number): number => (j === 0 || j === LAST ? 0.5 : 1) * (j % 2 === 0 ? 1 : -1);

/** The interpolating polynomial at `s` in [−1, 1], by the barycentric formula. */
export function interpolate(values: Float64Array, s: number): number {
  let above = 0;
  let below = 0;
  for (let j = 0; j < POINTS; j++) {
    const gap = s - NODES[j]!;
    if (gap === 0) return values[j]!;
    const weight = barycentricWeight(j) / gap;
    above += weight * values[j]!;
    below += weight;
  }
  return above / below;
}

/** What the values at the points weigh in the interpolant at `s`: for places asked for again and again. */
export function weightsAt(s: number): Float64Array {
  const unit = (j: number): Float64Array => Float64Array.from({ length: POINTS }, (_, i) => (i === j ? 1 : 0));
  return Float64Array.from({ length: POINTS }, (_, j) => interpolate(unit(j), s));
}

/** The values weighed: the interpolant where the weights are for. */
export function weightedSum(values: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let j = 0; j < POINTS; j++) sum += weights[j]! * values[j]!;
  return sum;
}

/**
 * Where the interpolant crosses `level` between `low` and `high` (values on opposite sides).
 * Source: the Illinois form of regula falsi, Dowell & Jarratt, BIT 11 (1971).
 */
export function crossing(values: Float64Array, low: number, high: number, level = 0): number {
  let a = low;
  let b = high;
  let fa = interpolate(values, a) - level;
  let fb = interpolate(values, b) - level;
  if (fa === 0) return a;
  for (let step = 0; step < 60; step++) {
    const s = b - (fb * (b - a)) / (fb - fa);
    if (!(Math.abs(b - a) > 1e-13) || fb === 0) return b;
    const f = interpolate(values, s) - level;
    if (f < 0 === fb < 0) fa *= 0.5;
    else {
      a = b;
      fa = fb;
    }
    if (Math.abs(s - b) <= 1e-14) return s;
    b = s;
    fb = f;
  }
  return b;
}

/**
 * Where a quantity that is positive at the start first falls to zero, or NaN. A start at or below zero by no more
 * than rounding (`slack`, same unit) counts as positive unless the function goes on falling; a start truly below gives −1.
 * Between points the interpolant is looked at too wherever it comes near zero.
 */
export function firstFall(values: Float64Array, slack: number): number {
  let least = Infinity;
  let most = 0;
  for (let j = 0; j < POINTS; j++) {
    const value = values[j]!;
    if (value < least) least = value;
    if (Math.abs(value) > most) most = Math.abs(value);
  }
  if (least > 0.1 * most) return NaN;
  if (values[0]! < -slack || (values[0]! <= slack && values[1]! < -slack)) return -1;
  let before = NODES[0]!;
  let positive = values[0]! > slack;
  for (let j = 1; j < POINTS; j++) {
    const middle = (NODES[j - 1]! + NODES[j]!) / 2;
    if (positive && interpolate(values, middle) < 0) return crossing(values, before, middle);
    if (values[j]! < 0) return positive ? crossing(values, middle, NODES[j]!) : before;
    positive ||= values[j]! > slack;
    before = NODES[j]!;
  }
  return NaN;
}

/**
 * One step of the explicit Runge–Kutta pair of Dormand and Prince, order 5(4), with its dense output of order 4.
 * Source: Dormand & Prince, J. Comp. Appl. Math. 6 (1980); dense output: Hairer, Nørsett & Wanner, *Solving Ordinary
 * Differential Equations I* (1993), II.6. The solver knows nothing of the problem.
 */

export type Derivative = (state: Float64Array, rate: Float64Array) => void;

/** Scratch for systems of one size. Autonomous systems only: no time in the right-hand side. */
export interface Step {
  readonly size: number;
  readonly start: Float64Array;
  readonly end: Float64Array;
  /** Rates at the seven stages; the first is at the start, the last at the end of the step. */
  readonly rates: readonly Float64Array[];
  readonly stage: Float64Array;
  readonly dense: readonly Float64Array[];
}

/** Room for one step of a system of `size` equations, used for every step of a run. */
export function makeStep(size: number): Step {
  const column = (): Float64Array => new Float64Array(size);
  return {
    size,
    start: column(),
    end: column(),
    rates: [column(), column(), column(), column(), column(), column(), column()],
    stage: column(),
    dense: [column(), column(), column()],
  };
}

const A = [
  [1 / 5],
  [3 / 40, 9 / 40],
  [44 / 45, -56 / 15, 32 / 9],
  [19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
  [9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
  [35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84],
].map((row) => Float64Array.from(row));
const E = Float64Array.from([71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40]);
const D = Float64Array.from([
  -12715105075 / 11282082432,
  0,
  87487479700 / 32700410799,
  -10690763975 / 1880347072,
  701980252875 / 199316789632,
  -1453857185 / 822651844,
  69997945 / 29380423,
]);

/**
 * Tries a step of length `h` from `step.start` (whose rate stands in `step.rates[0]`) into `step.end`.
 * Returns the largest error among the first `scales.length` parts of the state, in units of their scale: accept at 1 or less.
 * Only those parts may steer: the derivative must not read the others, which are added up once, at the end of the step.
 */
export function tryStep(step: Step, derivative: Derivative, h: number, scales: Float64Array): number {
  const { size, start, end, rates, stage } = step;
  for (let s = 1; s < 7; s++) {
    const row = A[s - 1]!;
    const target = s === 6 ? end : stage;
    const parts = s === 6 ? size : scales.length;
    for (let i = 0; i < parts; i++) {
      let sum = 0;
      for (let k = 0; k < s; k++) sum += row[k]! * rates[k]![i]!;
      target[i] = start[i]! + h * sum;
    }
    derivative(target, rates[s]!);
  }
  let worst = 0;
  for (let i = 0; i < scales.length; i++) {
    let error = 0;
    for (let k = 0; k < 7; k++) error += E[k]! * rates[k]![i]!;
    const size = Math.abs(h * error) / scales[i]!;
    if (!(size <= worst)) worst = size;
  }
  return worst;
}

/** Prepares dense output for the step just accepted. */
export function makeDense(step: Step, h: number): void {
  const { size, start, end, rates, dense } = step;
  for (let i = 0; i < size; i++) {
    const rise = end[i]! - start[i]!;
    const bend = h * rates[0]![i]! - rise;
    let high = 0;
    for (let k = 0; k < 7; k++) high += D[k]! * rates[k]![i]!;
    dense[0]![i] = bend;
    dense[1]![i] = rise - h * rates[6]![i]! - bend;
    dense[2]![i] = h * high;
  }
}

/** Part `i` of the state at the fraction `at` (0 to 1) of the step. */
export function denseValue(step: Step, i: number, at: number): number {
  const rest = 1 - at;
  const rise = step.end[i]! - step.start[i]!;
  return step.start[i]! + at * (rise + rest * (step.dense[0]![i]! + at * (step.dense[1]![i]! + rest * step.dense[2]![i]!)));
}

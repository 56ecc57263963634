/**
 * One step of the explicit Runge–Kutta pair of Dormand and Prince, order 5(4), with its dense output of order 4.
 * Source: Dormand & Prince, J. Comp. Appl. Math. 6 (1980); dense output: Hairer, Nørsett & Wanner, *Solving Ordinary
 * Differential Equations I* (1993), II.6. The solver knows nothing of the problem.
 */

export type Derivative = (state: Float64Array, rate: Float64Array) => void;

/** Room for the steps of a system of one size. Autonomous systems only: no time in the right-hand side. */
export interface Step {
  readonly size: number;
  readonly start: Float64Array;
  readonly end: Float64Array;
  /** Rates at the seven stages; the first is at the start, the last at the end of the step. */
  readonly rates: readonly [Float64Array, Float64Array, Float64Array, Float64Array, Float64Array, Float64Array, Float64Array];
  readonly stage: Float64Array;
  /** Coefficients of the dense output, three to a part. */
  readonly dense: Float64Array;
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
    dense: new Float64Array(3 * size),
  };
}

// The pair's tableau: stage by stage, then the error of the step and the dense output.
const [A21] = [1 / 5];
const [A31, A32] = [3 / 40, 9 / 40];
const [A41, A42, A43] = [44 / 45, -56 / 15, 32 / 9];
const [A51, A52, A53, A54] = [19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729];
const [A61, A62, A63, A64, A65] = [9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656];
const [A71, A73, A74, A75, A76] = [35 / 384, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84];
const [E1, E3, E4, E5, E6, E7] = [71 / 57600, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40];
const [D1, D3, D4, D5, D6, D7] = [
  -12715105075 / 11282082432,
  87487479700 / 32700410799,
  -10690763975 / 1880347072,
  701980252875 / 199316789632,
  -1453857185 / 822651844,
  69997945 / 29380423,
];

/**
 * Tries a step of length `h` from `step.start` (whose rate is in `step.rates[0]`) into `step.end`.
 * Returns the largest error among the first `scales.length` parts of the state, in units of their scale: accept at 1 or less.
 * Only those parts may steer: the derivative must not read the others, which are added up once, at the end of the step.
 */
export function tryStep(step: Step, derivative: Derivative, h: number, scales: Float64Array): number {
  const { size, start: y, end, stage } = step;
  const [k1, k2, k3, k4, k5, k6, k7] = step.rates;
  const steering = scales.length;
  for (let i = 0; i < steering; i++) stage[i] = y[i]! + h * (A21 * k1[i]!);
  derivative(stage, k2);
  for (let i = 0; i < steering; i++) stage[i] = y[i]! + h * (A31 * k1[i]! + A32 * k2[i]!);
  derivative(stage, k3);
  for (let i = 0; i < steering; i++) stage[i] = y[i]! + h * (A41 * k1[i]! + A42 * k2[i]! + A43 * k3[i]!);
  derivative(stage, k4);
  for (let i = 0; i < steering; i++) stage[i] = y[i]! + h * (A51 * k1[i]! + A52 * k2[i]! + A53 * k3[i]! + A54 * k4[i]!);
  derivative(stage, k5);
  for (let i = 0; i < steering; i++) stage[i] = y[i]! + h * (A61 * k1[i]! + A62 * k2[i]! + A63 * k3[i]! + A64 * k4[i]! + A65 * k5[i]!);
  derivative(stage, k6);
  for (let i = 0; i < size; i++) end[i] = y[i]! + h * (A71 * k1[i]! + A73 * k3[i]! + A74 * k4[i]! + A75 * k5[i]! + A76 * k6[i]!);
  derivative(end, k7);
  let worst = 0;
  for (let i = 0; i < steering; i++) {
    const error = E1 * k1[i]! + E3 * k3[i]! + E4 * k4[i]! + E5 * k5[i]! + E6 * k6[i]! + E7 * k7[i]!;
    const size = Math.abs(h * error) / scales[i]!;
    if (!(size <= worst)) worst = size;
  }
  return worst;
}

/** Prepares dense output for the first `parts` parts of the step just accepted. */
export function makeDense(step: Step, h: number, parts: number = step.size): void {
  const { start, end, dense } = step;
  const [k1, , k3, k4, k5, k6, k7] = step.rates;
  for (let i = 0; i < parts; i++) {
    const rise = end[i]! - start[i]!;
    const bend = h * k1[i]! - rise;
    dense[3 * i] = bend;
    dense[3 * i + 1] = rise - h * k7[i]! - bend;
    dense[3 * i + 2] = h * (D1 * k1[i]! + D3 * k3[i]! + D4 * k4[i]! + D5 * k5[i]! + D6 * k6[i]! + D7 * k7[i]!);
  }
}

/** Part `i` of the state at the fraction `at` (0 to 1) of the step. */
export function denseValue({ start, end, dense }: Step, i: number, at: number): number {
  const rest = 1 - at;
  const rise = end[i]! - start[i]!;
  return start[i]! + at * (rise + rest * (dense[3 * i]! + at * (dense[3 * i + 1]! + rest * dense[3 * i + 2]!)));
}

import { solveLowerTransposed, choleskyFactor, solveLower } from '../../numerics/cholesky.ts';
import type { BuiltCar } from './built-car.ts';
import { runTerm, spinTerm, type RunObservation } from './likelihood.ts';
import type { Linear } from './linear.ts';
import type { Outputs } from './outputs.ts';
import type { ScatterDirections } from './scatter.ts';
import type { TrialRun } from './trial.ts';

/** Like runs, made ready for the fit. */
export interface FitGroup {
  readonly car: BuiltCar;
  /** m, where times along the run are compared. */
  readonly marks: readonly number[];
  readonly runs: readonly { readonly run: TrialRun; readonly observed: RunObservation }[];
  readonly directions: ScatterDirections;
}

/** What is fitted: groups, how many unknowns come before each group’s misfit, and what one of that is as a fraction of the distance. */
export interface FitProblem {
  readonly groups: readonly FitGroup[];
  readonly unknowns: number;
  readonly misfit: number;
}

/** How runs scatter, as a fraction at full winding; how wide what is not known of the car is, in prior standard deviations; and how much the model lacks, in what it was thought to. */
export interface ScaleParameters {
  readonly scatter: number;
  readonly width: number;
  readonly misfitFactor: number;
}

/** Rounds of Newton with reweighting about one linearisation, and the step that is none any more, in standard deviations. */
const MAX_REWEIGHTINGS = 6;
const STEP_TOLERANCE = 0.005;

const withMisfit = ({ misfit, unknowns }: FitProblem, values: Float64Array, point: Float64Array, group: number): Float64Array =>
  values.with(0, values[0]! + misfit * point[unknowns + group]!);

/** N(0, `width`) each of the unknowns, N(0, `lacks`) each group’s misfit. */
const lnPrior = (point: Float64Array, unknowns: number, { width, misfitFactor: lacks }: ScaleParameters): number =>
  point.reduce((sum, z, i) => {
    const wide = i < unknowns ? width : lacks;
    return sum - 0.5 * (z / wide) ** 2 - Math.log(wide);
  }, 0);

/** ln of the posterior at a place, from the model’s own outputs there. */
export function lnPosterior(problem: FitProblem, point: Float64Array, outputs: readonly Outputs[], spread: ScaleParameters): number {
  let sum = lnPrior(point, problem.unknowns, spread);
  problem.groups.forEach((group, g) => {
    const model = withMisfit(problem, outputs[g]!.values, point, g);
    for (const { run, observed } of group.runs) {
      sum += runTerm(observed, model, group.directions, spread.scatter).value;
      if (run.spun) sum += spinTerm(outputs[g]!.grip).value;
    }
  });
  return sum;
}

/** ln of a posterior with its gradient, and the root of minus its curvature. */
interface Expanded {
  readonly value: number;
  readonly gradient: Float64Array;
  readonly choleskyFactor: Float64Array;
}

/** A most likely place, with ln of the posterior and the root of its curvature there. */
export interface Peak {
  readonly mode: Float64Array;
  readonly value: number;
  readonly choleskyFactor: Float64Array;
}

/** A group about a linearisation, its slopes as rows over all unknowns and misfits: one to each output, and that of the grip. */
export interface GroupRows {
  readonly outputs: Outputs;
  readonly rows: readonly Float64Array[];
  readonly grip: Float64Array;
}

/** The rows of a linearisation, made once for all places of the grid. */
export const rowsOfGroups = ({ unknowns, misfit, groups }: FitProblem, linear: readonly Linear[]): readonly GroupRows[] =>
  linear.map(({ outputs, slopes }, g) => {
    const n = unknowns + groups.length;
    const row = (read: (outputs: Outputs) => number): Float64Array => {
      const one = new Float64Array(n);
      slopes.forEach((slope, i) => (one[i] = read(slope)));
      return one;
    };
    const rows = Array.from(outputs.values, (_, k) => row(({ values }) => values[k]!));
    rows[0]![unknowns + g] = misfit;
    return { outputs, rows, grip: row(({ grip }) => grip) };
  });

const product = (row: Float64Array, other: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < row.length; i++) sum += row[i]! * other[i]!;
  return sum;
};

/**
 * The most likely place about a linearisation at `about`. `damping`: how strongly it is held there, as a curvature beside that of the
 * posterior; 0 by default. `isHeld`: told at `about` itself. Source: Levenberg, Quarterly of Applied Mathematics 2 (1944) 164.
 */
export function peakAbout(
  problem: FitProblem,
  linear: readonly GroupRows[],
  about: Float64Array,
  spread: ScaleParameters,
  damping = 0,
  isHeld = false,
): Peak {
  let mode = about;
  for (let round = 0; ; round++) {
    const { value, gradient, choleskyFactor } = expanded(problem, linear, about, mode, spread, damping);
    const step = solveLowerTransposed(choleskyFactor, solveLower(choleskyFactor, gradient));
    if (isHeld || round === MAX_REWEIGHTINGS || step.every((by) => Math.abs(by) < STEP_TOLERANCE)) return { mode, value, choleskyFactor };
    mode = mode.map((z, i) => z + step[i]!);
  }
}

function expanded(
  problem: FitProblem,
  linear: readonly GroupRows[],
  about: Float64Array,
  point: Float64Array,
  all: ScaleParameters,
  damping: number,
): Expanded {
  const n = point.length;
  const { scatter, width, misfitFactor: lacks } = all;
  const wide = (i: number): number => (i < problem.unknowns ? width : lacks);
  const gradient = point.map((z, i) => -z / wide(i) ** 2 - damping * (z - about[i]!));
  const curvature = new Float64Array(n * n);
  for (let i = 0; i < n; i++) curvature[i * n + i] = 1 / wide(i) ** 2 + damping;
  const moved = point.map((z, i) => z - (about[i] ?? 0));
  let value = lnPrior(point, problem.unknowns, all);
  /** Adds weight · rowᵢ rowⱼ to the lower triangle. */
  const spread = (weight: number, row: Float64Array, other: Float64Array): void => {
    for (let i = 0; i < n; i++) {
      const left = weight * row[i]!;
      if (left !== 0) for (let j = 0; j <= i; j++) curvature[i * n + j]! += left * other[j]!;
    }
  };
  problem.groups.forEach((group, g) => {
    const { outputs, rows, grip } = linear[g]!;
    const width = outputs.values.length;
    const model = withMisfit(problem, outputs.values, about, g).map((at, k) => at + product(rows[k]!, moved));
    // Terms of like runs are added up before they are spread over the unknowns.
    const [sum, square] = [new Float64Array(width), new Float64Array(width * width)];
    for (const { observed } of group.runs) {
      const term = runTerm(observed, model, group.directions, scatter);
      value += term.value;
      const { places } = term;
      places.forEach((p, i) => {
        sum[p]! += term.gradient[i]!;
        places.forEach((q, j) => (square[p * width + q]! += term.curvature[i * places.length + j]!));
      });
    }
    rows.forEach((row, p) => {
      row.forEach((by, i) => (gradient[i]! += by * sum[p]!));
      rows.forEach((other, q) => square[p * width + q] !== 0 && spread(square[p * width + q]!, row, other));
    });
    const spun = group.runs.filter(({ run }) => run.spun).length;
    if (spun === 0) return;
    const term = spinTerm(outputs.grip + product(grip, moved));
    value += spun * term.value;
    grip.forEach((by, i) => (gradient[i]! += spun * term.slope * by));
    spread(spun * term.slope ** 2, grip, grip);
  });
  return { value, gradient, choleskyFactor: choleskyFactor(curvature, n) };
}

import { START } from '../../car/did-not-start.ts';
import type { Workspace } from '../../run/workspace.ts';
import { builtWith, type LatentParameter } from './built-car.ts';
import { linearAt, type Linear } from './linear.ts';
import { outputsOf, STALL, type Outputs } from './outputs.ts';
import { lnPosterior, type FitGroup, type FitProblem, type ScaleParameters } from './posterior.ts';
import { evaluateOverGrid, type GridPoint } from './scale-grid.ts';

/** Iterations of the search; steps tried in each; the longest step, in standard deviations; a gain in ln that is none any more. */
const MAX_ITERATIONS = 16;
const MAX_STEP_TRIALS = 6;
const MAX_STEP = 2;
const GAIN_TOLERANCE = 0.02;
/** Standard deviations beyond which no value is searched for: a slope that is steep beside a kink leads anywhere. */
const MAX_DEVIATION = 12;
/** Standard deviations at which a car that stalls is searched for. */
const STALL_SEARCH_STEPS = [1.5, 2.5, 3.5, 4.5, 6, 8];
/** ln by which the model may deviate from its linearisation. */
const LINEAR_TOLERANCE = Math.log(1.1);
/** Standard deviations below which a step is none. */
const STEP_TOLERANCE = 0.02;
/** Damping once a step gained nothing, and its factor after each step. */
const INITIAL_DAMPING = 0.5;
const DAMPING_FACTOR = 5;
/** The run model of all groups at a point of the latent parameters; null where a car cannot run there. */
export interface FitModel {
  readonly outputsAt: (point: Float64Array) => readonly Outputs[] | null;
  readonly linearisedAt: (point: Float64Array) => readonly Linear[] | null;
}

/** Whether every entry is there. */
const isWhole = <T>(all: readonly (T | null)[]): all is readonly T[] => all.every((one) => one !== null);

/** The model of groups, by runs of each; derivatives are central differences. */
export function linearModel(groups: readonly FitGroup[], unknowns: readonly LatentParameter[], workspace: Workspace): FitModel {
  return {
    outputsAt: (point) => {
      if (!point.every((z) => Math.abs(z) <= MAX_DEVIATION)) return null;
      const all = groups.map(({ car, marks }) => outputsOf(builtWith(car, unknowns, point), marks, workspace));
      return isWhole(all) ? all : null;
    },
    linearisedAt: (point) => {
      const all = groups.map(({ car, marks }) => linearAt(car, unknowns, point, marks, workspace));
      return isWhole(all) ? all : null;
    },
  };
}

/** A point, and the model there. */
interface Evaluated {
  readonly point: Float64Array;
  readonly outputs: readonly Outputs[];
}

/** The mode of the posterior, and the model there. */
export interface FoundMode {
  readonly mode: Float64Array;
  readonly outputs: readonly Outputs[];
  readonly linear: readonly Linear[];
  /** Whether the search came to its end. */
  readonly isSettled: boolean;
}

/** Where a search begins. */
export interface SearchStart {
  readonly start: Float64Array;
  /** Points at which it may begin instead, where one is more likely with the scales of `startScales`, or the usual ones. */
  readonly starts?: readonly Float64Array[] | undefined;
  readonly startScales?: ScaleParameters | undefined;
}

/** The most likely of some points, or the present one where that is more likely. */
function likeliestOf(
  points: readonly Float64Array[],
  present: Evaluated,
  problem: FitProblem,
  { outputsAt }: FitModel,
  scales: ScaleParameters,
): Evaluated {
  let best = present;
  let most = lnPosterior(problem, present.point, present.outputs, scales);
  for (const point of points) {
    const outputs = outputsAt(point);
    const value = outputs ? lnPosterior(problem, point, outputs, scales) : -Infinity;
    if (outputs && value > most) [best, most] = [{ point, outputs }, value];
  }
  return best;
}

/** Points along which the distance of a group that did not start is shortened most; none where the model agrees that it stalls. */
function stallingPoints({ groups }: FitProblem, { point, outputs }: Evaluated, linear: readonly Linear[]): readonly Float64Array[] {
  const stalled = groups.findIndex(({ runs }) => runs.some(({ observed }) => observed.kind === 'did-not-start'));
  if (stalled < 0 || outputs[stalled]!.values[0]! <= Math.log(START + STALL)) return [];
  const { slopes } = linear[stalled]!;
  const down = point.map((_, i) => slopes[i]?.values[0] ?? 0);
  const length = Math.hypot(...down);
  return STALL_SEARCH_STEPS.map((step) => point.map((z, i) => z - (step * down[i]!) / length));
}

/**
 * The mode of the posterior by damped Gauss–Newton steps over the grid of scales.
 * @param usual scales that the model usually has
 * @returns null where the car cannot run at the start
 */
export function searchMode(
  problem: FitProblem,
  model: FitModel,
  grid: readonly GridPoint[],
  usual: ScaleParameters,
  { start, starts = [], startScales = usual }: SearchStart,
): FoundMode | null {
  const outputs = model.outputsAt(start);
  if (!outputs) return null;
  let at = likeliestOf(starts, { point: start, outputs }, problem, model, startScales);
  let linear = model.linearisedAt(at.point);
  if (!linear) return null;
  // A car that stalls at once has no slope that leads there.
  const stalling = likeliestOf(stallingPoints(problem, at, linear), at, problem, model, usual);
  if (stalling !== at) {
    at = stalling;
    linear = model.linearisedAt(at.point) ?? linear;
  }
  // The misfit moves the mode little.
  const searched = grid.filter(({ misfitFactor }) => misfitFactor === usual.misfitFactor);
  let [scatter, damping, isSettled] = [usual.scatter, 0, false];
  for (let iteration = 0; iteration < MAX_ITERATIONS && !isSettled; iteration++) {
    const step = dampedStep(problem, model, searched, at, linear, damping);
    isSettled = step.gain < GAIN_TOLERANCE && Math.abs(Math.log(step.scatter / scatter)) < 0.1;
    scatter = step.scatter;
    damping = step.damping;
    if (step.gain > 0) {
      at = step.to;
      linear = model.linearisedAt(at.point) ?? linear;
    }
  }
  return { mode: at.point, outputs: at.outputs, linear, isSettled };
}

/** One step of the search: damped more until the posterior grows, or the step is none. */
function dampedStep(
  problem: FitProblem,
  { outputsAt }: FitModel,
  grid: readonly GridPoint[],
  from: Evaluated,
  linear: readonly Linear[],
  initialDamping: number,
): { readonly to: Evaluated; readonly gain: number; readonly damping: number; readonly scatter: number } {
  let damping = initialDamping;
  let scatter = NaN;
  for (let trial = 0; trial < MAX_STEP_TRIALS; trial++) {
    const wanted = evaluateOverGrid(problem, linear, from.point, grid, { damping }).reduce((a, b) => (b.lnWeight > a.lnWeight ? b : a));
    scatter = wanted.scatter;
    const point = wanted.mode.map((z, i) => from.point[i]! + Math.min(Math.max(z - from.point[i]!, -MAX_STEP), MAX_STEP));
    const outputs = outputsAt(point);
    const gain = outputs
      ? lnPosterior(problem, point, outputs, wanted) - lnPosterior(problem, from.point, from.outputs, wanted)
      : -Infinity;
    if (outputs && gain > 0) return { to: { point, outputs }, gain, damping: damping / DAMPING_FACTOR, scatter };
    if (outputs && gain > -GAIN_TOLERANCE && point.every((z, i) => Math.abs(z - from.point[i]!) < STEP_TOLERANCE)) break;
    damping = Math.max(damping * DAMPING_FACTOR, INITIAL_DAMPING);
  }
  return { to: from, gain: 0, damping, scatter };
}

/** Whether the model deviates from its linearisation between the mode and a point: a car stalls, or spins, at one side only. */
export function isBeyondKink({ outputsAt }: FitModel, linear: readonly Linear[], mode: Float64Array, point: Float64Array): boolean {
  const there = outputsAt(point);
  return linear.some(({ outputs, slopes }, g) => {
    const line = outputs.values[0]! + slopes.reduce((sum, { values }, i) => sum + values[0]! * (point[i]! - mode[i]!), 0);
    return there === null || Math.abs(there[g]!.values[0]! - line) > LINEAR_TOLERANCE;
  });
}

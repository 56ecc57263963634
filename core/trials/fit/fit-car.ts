import { isSameCar, isSameContent, isSameWind } from '../../car/same-design.ts';
import { fullTurns } from '../../predict/derive-run-setup.ts';
import type { CarDesign, Wind } from '../../car/car-design.ts';
import { makeWorkspace, type Workspace } from '../../run/workspace.ts';
import { likelyCar, latentParameters, type LatentParameter } from './built-car.ts';
import { observationOf } from './likelihood.ts';
import type { Linear } from './linear.ts';
import { STALL, type Outputs } from './outputs.ts';
import { START } from '../../car/did-not-start.ts';
import type { FitGroup, FitProblem } from './posterior.ts';
import {
  MISFIT_FACTORS,
  scaleGrid,
  USUAL_SCATTER,
  nominalSize,
  weightedComponents,
  PRIOR_WIDTH_FACTORS,
  type Component,
  type ScatterPrior,
  type Sizes,
  type GridPoint,
} from './scale-grid.ts';
import { scatterDirections } from './scatter.ts';
import { USUAL_INSTRUMENTS, type Instruments, type RunConditions, type TrialGroup, type TrialRun } from './trial.ts';
import { linearModel, searchMode, isBeyondKink } from './search-mode.ts';

export interface FitOptions {
  readonly instruments?: Instruments;
  readonly scatter?: ScatterPrior;
  /** What the model lacks, for each group of like runs, as a fraction of the distance: 0.007 by default. */
  readonly misfit?: number;
  /** Something more that may be wrong with the car: an unknown of its own, and how the car is with it. */
  readonly more?: readonly LatentParameter[];
  /** Designs whose unknowns are wanted besides those that ran. */
  readonly designs?: readonly CarDesign[];
  /** A fit of the same runs with fewer unknowns, from which the search begins. */
  readonly from?: FittedCar | undefined;
  /** Standard deviations of the last unknown at which the search may begin, the most likely of them: beyond a kink no slope leads there. */
  readonly starts?: readonly number[];
  /** How wide what is not known may really be, with the fraction of each; see WIDTHS. */
  readonly widths?: Sizes;
  /** How much the model may lack, in `misfit`s, with the fraction of each; see LACKS. */
  readonly misfitFactors?: Sizes;
  readonly workspace?: Workspace;
}

/** A car fitted to its runs. */
export interface FittedCar {
  readonly unknowns: readonly LatentParameter[];
  /** Where the posterior is greatest: standard deviations of each unknown, then of each group’s misfit. */
  readonly mapEstimate: Float64Array;
  readonly components: readonly Component[];
  readonly groups: readonly Omit<TrialGroup, 'runs'>[];
  readonly misfit: number;
  readonly instruments: Instruments;
  /** ln of how well all of it explains the runs: for comparing what may be wrong. */
  readonly lnEvidence: number;
  /** Whether the search came to its end: what it found is the most likely, not only the best of what it tried. */
  readonly isSettled: boolean;
  /** ln by which the runs still lie off it, where a kink of the model keeps it from them; else 0. */
  readonly unexplained: number;
  readonly workspace: Workspace;
  /** What it was worked out from, for leaving groups out. */
  readonly about: { readonly problem: FitProblem; readonly linear: readonly Linear[]; readonly spreads: readonly GridPoint[] };
}

/** Marks that a group is fitted at, more tell little more; and the fraction of its shortest run that they may lie at. */
const MAX_MARKS = 4;
const MARKED_TO = 0.75;
const MISFIT = 0.007;
/** Fraction of a full wind. */
export const windingFraction = (design: CarDesign, wind: Wind): number =>
  wind.kind === 'full' ? 1 : Math.min(1, wind.turns / fullTurns(design));

/** Marks of a group’s runs, spread over the way. Near its stop a car takes its time over nothing: what is passed there tells of the stop alone. */
function marksOf(runs: readonly TrialRun[]): number[] {
  const shortest = Math.min(...runs.map(({ outcome: { distance } }) => distance));
  const all = [...new Set(runs.flatMap(({ splits = [] }) => splits.map(({ at }) => at)))]
    .filter((at) => at <= MARKED_TO * shortest)
    .sort((a, b) => a - b);
  const every = Math.ceil(all.length / MAX_MARKS);
  return all.filter((_, i) => (all.length - 1 - i) % every === 0);
}

/**
 * Fits a car to all of its runs: maximum a posteriori over its latent parameters, with the scatter of runs, the width of the priors and the
 * misfit of the model on a grid. At each point of the grid a normal posterior and the evidence (Laplace) come from one linearisation. Runs
 * that hit the wall are right-censored.
 * @param trials groups of like runs
 * @returns null where the most likely car cannot run as it was wound
 * Source: any text of Bayesian computation, e.g. Gelman et al., *Bayesian Data Analysis*, ch. 13 (Laplace), 17 (Student t errors).
 */
export function fitCar(trials: readonly TrialGroup[], options: FitOptions = {}): FittedCar | null {
  const {
    instruments = USUAL_INSTRUMENTS,
    scatter: prior = USUAL_SCATTER,
    misfit = MISFIT,
    more = [],
    designs = [],
    widths = PRIOR_WIDTH_FACTORS,
    misfitFactors = MISFIT_FACTORS,
  } = options;
  const workspace = options.workspace ?? makeWorkspace();
  const unknowns = [...latentParameters([...trials.map(({ design }) => design), ...designs]), ...more];
  const groups = fitGroups(trials, instruments, workspace);
  const model = linearModel(groups, unknowns, workspace);
  const problem: FitProblem = { groups, unknowns: unknowns.length, misfit };
  const grid = scaleGrid(prior, widths, misfitFactors);
  const usual = { scatter: prior.median, width: nominalSize(widths), misfitFactor: nominalSize(misfitFactors) };
  const start = startOf(options.from, unknowns, groups.length);
  const starts = options.starts?.flatMap((at) => [start, new Float64Array(start.length)].map((base) => base.with(unknowns.length - 1, at)));
  const found = searchMode(problem, model, grid, usual, { start, starts, startScales: options.from && heaviest(options.from.components) });
  if (!found) return null;
  const { mode, outputs, linear, isSettled } = found;
  const free = weightedComponents(problem, linear, mode, grid);
  // Beyond a kink the linearisation leads nowhere: then each point of the grid stays where the search ended.
  const isBeyond = isBeyondKink(model, linear, mode, heaviest(free.components).mode);
  return {
    unknowns,
    mapEstimate: mode,
    ...(isBeyond ? weightedComponents(problem, linear, mode, grid, true) : free),
    groups: trials.map(({ design, wind, direction, faults }) => ({ design, wind, direction, faults })),
    misfit,
    instruments,
    isSettled,
    unexplained: isBeyond ? unexplained(groups, outputs) : 0,
    workspace,
    about: { problem, linear, spreads: grid },
  };
}

/** Groups of runs as they are fitted, with what was observed of each run. */
const fitGroups = (trials: readonly TrialGroup[], instruments: Instruments, workspace: Workspace): FitGroup[] =>
  trials.map(({ design, wind, runs, direction, faults }) => {
    const marks = marksOf(runs);
    const car = likelyCar(design, wind, windingFraction(design, wind), { direction, faults });
    return {
      car,
      marks,
      runs: runs.map((run) => ({ run, observed: observationOf(run, marks, instruments) })),
      directions: scatterDirections(car, likelyCar(design, { kind: 'full' }, 1), marks, workspace),
    };
  });

const heaviest = (components: readonly Component[]): Component => components.reduce((a, b) => (b.weight > a.weight ? b : a));

/** Weight of a place of the grid from which it counts where a group is left out. */
const MIN_WEIGHT = 0.003;

/** The same car fitted to all groups but one, about the linearisation of the whole: no model is run. */
export function leaveOut(fitted: FittedCar, group: number): FittedCar {
  const { problem, linear, spreads: all } = fitted.about;
  const spreads = all.filter((_, i) => fitted.components[i]!.weight > MIN_WEIGHT);
  const others = <T>(of: readonly T[]): T[] => of.filter((_, g) => g !== group);
  const without: FitProblem = { ...problem, groups: others(problem.groups) };
  const mode = fitted.mapEstimate.filter((_, i) => i !== problem.unknowns + group);
  return {
    ...fitted,
    mapEstimate: mode,
    ...weightedComponents(without, others(linear), mode, spreads),
    groups: others(fitted.groups),
    about: { problem: without, linear: others(linear), spreads },
  };
}

/** ln, root of the mean square over groups: how far the mean of each lies off the model; walls and runs that did not start where they lie on its wrong side. */
function unexplained(groups: readonly FitGroup[], outputs: readonly Outputs[]): number {
  const squares = groups.map(({ runs }, g) => {
    const model = outputs[g]!.values[0]!;
    const off = runs.map(({ observed: { kind, values } }) => {
      if (kind === 'did-not-start') return Math.min(0, Math.log(START + STALL) - model);
      const off = values[0]! - model;
      if (kind === 'at-least' || kind === 'further') return Math.max(0, off);
      return kind === 'less-far' ? Math.min(0, off) : off;
    });
    return (off.reduce((sum, by) => sum + by, 0) / Math.max(off.length, 1)) ** 2;
  });
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / Math.max(squares.length, 1));
}

/** Where the search begins: at the most likely car, or where it was found before. */
function startOf(from: FittedCar | undefined, unknowns: readonly LatentParameter[], groups: number): Float64Array {
  const point = new Float64Array(unknowns.length + groups);
  if (!from) return point;
  unknowns.forEach(({ id }, i) => {
    const at = from.unknowns.findIndex((known) => known.id === id);
    if (at >= 0) point[i] = from.mapEstimate[at]!;
  });
  for (let g = 0; g < groups; g++) point[unknowns.length + g] = from.mapEstimate[from.unknowns.length + g] ?? 0;
  return point;
}

/** Which of the groups it was fitted to a design and winding belong to, run under the same conditions; −1 for none. */
export const groupOf = ({ groups }: FittedCar, design: CarDesign, wind: Wind, { direction, faults = [] }: RunConditions = {}): number =>
  groups.findIndex(
    (group) =>
      group.direction === direction &&
      isSameContent(group.faults ?? [], faults) &&
      isSameWind(group.wind, wind) &&
      isSameCar(group.design, design),
  );

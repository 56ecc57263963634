import { isSameCar, isSameContent, isSameWind } from '../../car/same-design.ts';
import { fullTurns } from '../../predict/derive-run-setup.ts';
import type { CarDesign, Wind } from '../../car/car-design.ts';
import { makeWorkspace, type Workspace } from '../../run/workspace.ts';
import { builtWith, likelyCar, latentParameters, type LatentParameter } from './built-car.ts';
import { observationOf } from './likelihood.ts';
import { linearAt, type Linear } from './linear.ts';
import { outputsOf, STALL, type Outputs } from './outputs.ts';
import { START } from '../../car/did-not-start.ts';
import { lnPosterior, type FitGroup, type FitProblem, type ScaleParameters } from './posterior.ts';
import {
  MISFIT_FACTORS,
  evaluateOverGrid,
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

export interface FitOptions {
  readonly instruments?: Instruments;
  readonly scatter?: ScatterPrior;
  /** What the model lacks, for each group of like runs, as a share of the distance: 0.007 unless told otherwise. */
  readonly misfit?: number;
  /** Something more that may be wrong with the car: an unknown of its own, and how the car is with it. */
  readonly more?: readonly LatentParameter[];
  /** Designs whose unknowns are wanted besides those that ran. */
  readonly designs?: readonly CarDesign[];
  /** A fit of the same runs with fewer unknowns, from which the search begins. */
  readonly from?: FittedCar | undefined;
  /** Standard deviations of the last unknown at which the search may begin, the likeliest of them: beyond a kink no slope leads there. */
  readonly starts?: readonly number[];
  /** How wide what is not known may really be, with the share of each; see WIDTHS. */
  readonly widths?: Sizes;
  /** How much the model may lack, in `misfit`s, with the share of each; see LACKS. */
  readonly lacks?: Sizes;
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

/** The search: rounds, steps tried in one, the longest step, and what is no gain any more. */
const MAX_ITERATIONS = 16;
const MAX_STEP_TRIALS = 6;
const MAX_STEP = 2;
const GAIN_TOLERANCE = 0.02;
/** Standard deviations beyond which no value is looked for: a line that is steep beside a kink leads anywhere. */
const MAX_DEVIATION = 12;
/** Standard deviations at which a car that stalls is looked for. */
const STALL_SEARCH_STEPS = [1.5, 2.5, 3.5, 4.5, 6, 8];
/** ln that the model may be off its linearisation at a place of the grid. */
const LINEAR_TOLERANCE = Math.log(1.1);
/** Standard deviations below which a step is none. */
const STEP_TOLERANCE = 0.02;
/** How strongly a step is held back once one gained nothing, and how much more or less after each. */
const INITIAL_DAMPING = 0.5;
const DAMPING_FACTOR = 5;
/** Marks that a group is fitted at; more tell little more. */
const MAX_MARKS = 6;
const MISFIT = 0.007;
/** Share of a full wind. */
export const windingFraction = (design: CarDesign, wind: Wind): number =>
  wind.kind === 'full' ? 1 : Math.min(1, wind.turns / fullTurns(design));

/** Marks of a group’s runs, spread over the way. */
function marksOf(runs: readonly TrialRun[]): number[] {
  const all = [...new Set(runs.flatMap(({ splits = [] }) => splits.map(({ at }) => at)))].sort((a, b) => a - b);
  const every = Math.ceil(all.length / MAX_MARKS);
  return all.filter((_, i) => (all.length - 1 - i) % every === 0);
}

/**
 * Fits a car to all of its runs: maximum a posteriori over what is not known of it (Gauss–Newton from the likeliest car, by central
 * differences of the run model), its scatter on a grid, at each place of which a normal posterior and the evidence (Laplace) come from one
 * linearisation. Runs that hit the wall are right-censored. Null where the likeliest car cannot run as it was wound.
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
    lacks: allLacks = MISFIT_FACTORS,
  } = options;
  const workspace = options.workspace ?? makeWorkspace();
  const unknowns = [...latentParameters([...trials.map(({ design }) => design), ...designs]), ...more];
  const groups = trials.map(({ design, wind, runs, direction, faults }): FitGroup => {
    const marks = marksOf(runs);
    const car = likelyCar(design, wind, windingFraction(design, wind), { direction, faults });
    return {
      car,
      marks,
      runs: runs.map((run) => ({ run, observed: observationOf(run, marks, instruments) })),
      directions: scatterDirections(car, likelyCar(design, { kind: 'full' }, 1), marks, workspace),
    };
  });
  const problem: FitProblem = { groups, unknowns: unknowns.length, misfit };
  const outputsAt = (place: Float64Array): readonly Outputs[] | null => {
    if (!place.every((z) => Math.abs(z) <= MAX_DEVIATION)) return null;
    const all = groups.map(({ car, marks }) => outputsOf(builtWith(car, unknowns, place), marks, workspace));
    return all.every((outputs) => outputs !== null) ? all : null;
  };
  const linearisedAt = (place: Float64Array): readonly Linear[] | null => {
    const all = groups.map(({ car, marks }) => linearAt(car, unknowns, place, marks, workspace));
    return all.every((linear) => linear !== null) ? all : null;
  };
  const spreads = scaleGrid(prior, widths, allLacks);
  const found = startOf(options.from, unknowns, groups.length);
  let place = found;
  let outputs = outputsAt(place);
  if (!outputs) return null;
  const usual = { scatter: prior.median, width: nominalSize(widths), lacks: nominalSize(allLacks) };
  /** Begins at the likeliest of some places, where that is likelier than where it stands. */
  const beginAt = (places: readonly Float64Array[], spread: ScaleParameters): void => {
    let most = lnPosterior(problem, place, outputs!, spread);
    for (const tried of places) {
      const there = outputsAt(tried);
      const value = there ? lnPosterior(problem, tried, there, spread) : -Infinity;
      if (there && value > most) [place, outputs, most] = [tried, there, value];
    }
  };
  if (options.starts)
    beginAt(
      options.starts.flatMap((at) => [found, new Float64Array(found.length)].map((base) => base.with(unknowns.length - 1, at))),
      options.from?.components.reduce((a, b) => (b.weight > a.weight ? b : a)) ?? usual,
    );
  let linear = linearisedAt(place);
  if (!linear) return null;
  const still = groups.findIndex(({ runs }) => runs.some(({ observed }) => observed.told === 'did-not-start'));
  if (still >= 0 && outputs[still]!.values[0]! > Math.log(START + STALL)) {
    // A car that stalls at once has no slope that leads there: it is looked for along what shortens its way most.
    const [from, { slopes }] = [place, linear[still]!];
    const down = from.map((_, i) => slopes[i]?.values[0] ?? 0);
    const length = Math.hypot(...down);
    beginAt(
      STALL_SEARCH_STEPS.map((far) => from.map((z, i) => z - (far * down[i]!) / length)),
      usual,
    );
    if (place !== from) linear = linearisedAt(place) ?? linear;
  }
  // What the model may lack moves the likeliest place little.
  const searched = spreads.filter(({ lacks }) => lacks === usual.lacks);
  let [scatter, damping, isSettled] = [prior.median, 0, false];
  for (let round = 0; round < MAX_ITERATIONS && !isSettled; round++) {
    let gained = 0;
    let best: { readonly scatter: number } = { scatter };
    for (let tries = 0; tries < MAX_STEP_TRIALS && gained <= 0; tries++) {
      const wanted = evaluateOverGrid(problem, linear, place, searched, { damping }).reduce((a, b) => (b.lnWeight > a.lnWeight ? b : a));
      best = wanted;
      const from = place;
      const tried = wanted.place.map((z, i) => from[i]! + Math.min(Math.max(z - from[i]!, -MAX_STEP), MAX_STEP));
      const there = outputsAt(tried);
      const gain: number = there ? lnPosterior(problem, tried, there, wanted) - lnPosterior(problem, place, outputs, wanted) : -Infinity;
      if (there && gain > 0) [place, outputs, gained, damping] = [tried, there, gain, damping / DAMPING_FACTOR];
      else if (there && gain > -GAIN_TOLERANCE && tried.every((z, i) => Math.abs(z - from[i]!) < STEP_TOLERANCE)) break;
      else damping = Math.max(damping * DAMPING_FACTOR, INITIAL_DAMPING);
    }
    isSettled = gained < GAIN_TOLERANCE && Math.abs(Math.log(best.scatter / scatter)) < 0.1;
    scatter = best.scatter;
    if (gained > 0) linear = linearisedAt(place) ?? linear;
  }
  const free = weightedComponents(problem, linear, place, spreads);
  const likeliest = free.components.reduce((a, b) => (b.weight > a.weight ? b : a));
  const there = outputsAt(likeliest.place);
  const moved = likeliest.place.map((z, i) => z - place[i]!);
  // Beyond a kink (a car that stalls, or spins, at one side only) no line leads: then each place of the grid stays where the search ended.
  const isBeyond = linear.some(({ outputs, slopes }, g) => {
    const line = outputs.values[0]! + slopes.reduce((sum, { values }, i) => sum + values[0]! * moved[i]!, 0);
    return there === null || Math.abs(there[g]!.values[0]! - line) > LINEAR_TOLERANCE;
  });
  return {
    unknowns,
    mapEstimate: place,
    ...(isBeyond ? weightedComponents(problem, linear, place, spreads, true) : free),
    groups: trials.map(({ design, wind, direction, faults }) => ({ design, wind, direction, faults })),
    misfit,
    instruments,
    isSettled,
    unexplained: isBeyond ? unexplained(groups, outputs) : 0,
    workspace,
    about: { problem, linear, spreads },
  };
}

/** Weight of a place of the grid from which it counts where a group is left out. */
const MIN_WEIGHT = 0.003;

/** The same car fitted to all groups but one, about the linearisation of the whole: no model is run. */
export function leaveOut(fitted: FittedCar, group: number): FittedCar {
  const { problem, linear, spreads: all } = fitted.about;
  const spreads = all.filter((_, i) => fitted.components[i]!.weight > MIN_WEIGHT);
  const others = <T>(of: readonly T[]): T[] => of.filter((_, g) => g !== group);
  const without: FitProblem = { ...problem, groups: others(problem.groups) };
  const place = fitted.mapEstimate.filter((_, i) => i !== problem.unknowns + group);
  return {
    ...fitted,
    mapEstimate: place,
    ...weightedComponents(without, others(linear), place, spreads),
    groups: others(fitted.groups),
    about: { problem: without, linear: others(linear), spreads },
  };
}

/** ln, root of the mean square over groups: how far the mean of each lies off the model; walls and runs that did not start where they lie on its wrong side. */
function unexplained(groups: readonly FitGroup[], outputs: readonly Outputs[]): number {
  const squares = groups.map(({ runs }, g) => {
    const model = outputs[g]!.values[0]!;
    const off = runs.map(({ observed: { told, values } }) => {
      if (told === 'did-not-start') return Math.min(0, Math.log(START + STALL) - model);
      const off = values[0]! - model;
      if (told === 'at-least' || told === 'further') return Math.max(0, off);
      return told === 'less-far' ? Math.min(0, off) : off;
    });
    return (off.reduce((sum, by) => sum + by, 0) / Math.max(off.length, 1)) ** 2;
  });
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / Math.max(squares.length, 1));
}

/** Where the search begins: at the likeliest car, or where it was found before. */
function startOf(from: FittedCar | undefined, unknowns: readonly LatentParameter[], groups: number): Float64Array {
  const place = new Float64Array(unknowns.length + groups);
  if (!from) return place;
  unknowns.forEach(({ id }, i) => {
    const at = from.unknowns.findIndex((known) => known.id === id);
    if (at >= 0) place[i] = from.mapEstimate[at]!;
  });
  for (let g = 0; g < groups; g++) place[unknowns.length + g] = from.mapEstimate[from.unknowns.length + g] ?? 0;
  return place;
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

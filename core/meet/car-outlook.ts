import type { Brief, Round } from '../brief/brief.ts';
import { runSpread, type PossibleRun, type RunSpread } from '../brief/drawn-run.ts';
import { goalRecord, measuredOfModel } from '../brief/goals.ts';
import { askedInRound, goalRunsOf, loadedFor } from '../brief/judge.ts';
import type { CarDesign } from '../car/car-design.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import { RUN_SCATTER, runScatter } from '../predict/next-run.ts';
import { sampledRuns } from '../predict/sampled-runs.ts';

/** What is known of an entry before it runs: the cars that it may be, alike in every round. */
export interface CarOutlook extends RunSpread {
  /** By round, by car; null where such a car does not run there. */
  readonly rounds: readonly (readonly (PossibleRun | null)[])[];
  /** How likely each of these cars is; all alike at first. */
  readonly weights: Float64Array;
  /** Fraction of its runs that come to nothing: it does not start, or breaks. */
  readonly fails: number;
}

/** Cars that an entry may be. */
export const CARS = 200;
/** One run in twenty comes to nothing, as far as nothing else is known: one that did in a row of twenty. Our estimate. */
const FAILS = { of: 1, in: 20 };
/** What a model may be off where it was never tried, as a fraction of the distance. Our estimate. */
const MISFIT = 0.08;

/** The cars that may be built to a design, each with its run in every round of a brief. `seed`: the same gives the same cars. */
export function carOutlook(design: CarDesign, brief: Brief, seed = 1): CarOutlook {
  return {
    rounds: brief.rounds.map((round) => possibleRuns(design, brief, round, seed)),
    weights: new Float64Array(CARS).fill(1 / CARS),
    ...runSpread(design, prepareRun(design).kind === 'ready' ? runScatter(design) : RUN_SCATTER),
    fails: FAILS.of / FAILS.in,
  };
}

function possibleRuns(design: CarDesign, brief: Brief, round: Round, seed: number): readonly (PossibleRun | null)[] {
  const { goal } = round;
  const asked = askedInRound(design, brief, round);
  if (prepareRun(asked).kind === 'refused') return Array.from({ length: CARS }, () => null);
  const { car } = loadedFor(goal, asked);
  const sample = sampledRuns(car, { seed, runs: CARS, marks: goalRecord(goal).marks?.(goal) ?? [] });
  return goalRunsOf(car, sample, seed).map((run) => run && { run, free: measuredOfModel(goal, run) });
}

/** ln of how likely a car is to run so far, `atLeast` where a wall stopped it, given its own. m. */
function lnLikelihood(model: number, distance: number, atLeast: boolean, scatter: number): number {
  const spread = Math.hypot(scatter, MISFIT);
  const off = Math.log((distance + STALL) / (model + STALL)) / spread;
  if (!atLeast) return -(off ** 2) / 2;
  // Beyond the wall: half of those that just reach it; fewer the farther short. Source: the normal's tail, by its logistic (1.702).
  return -Math.log1p(Math.exp(1.702 * off));
}
/** m added before logarithms are taken: a car that stalls at the line is not infinitely unlike one that rolls a little. */
export const STALL = 0.05;

/** What was seen of an entry: in which round, how far, and whether at least. */
export interface SeenRun {
  readonly round: number;
  /** m; null for a run that came to nothing. */
  readonly distance: number | null;
  readonly atLeast: boolean;
}

/** What is known of an entry once it has run: cars that would have run like that are likelier, and runs that came to nothing count. */
export function learnt(outlook: CarOutlook, seen: readonly SeenRun[]): CarOutlook {
  const ran = seen.filter((one): one is SeenRun & { distance: number } => one.distance !== null);
  const ln = Array.from(outlook.weights, (weight, car) =>
    ran.reduce((sum, { round, distance, atLeast }) => {
      const possible = outlook.rounds[round]?.[car];
      return sum + (possible ? lnLikelihood(possible.free.distance, distance, atLeast, outlook.scatter) : IMPOSSIBLE);
    }, Math.log(weight)),
  );
  const failed = seen.length - ran.length;
  return {
    ...outlook,
    weights: weightsOf(ln),
    fails: (FAILS.in * outlook.fails + failed) / (FAILS.in + seen.length),
  };
}
/** Weights that add up to 1, of their logarithms but for a constant. */
function weightsOf(ln: readonly number[]): Float64Array {
  const most = Math.max(...ln);
  const weights = Float64Array.from(ln, (one) => Math.exp(one - most));
  const total = weights.reduce((sum, one) => sum + one, 0);
  return weights.map((one) => one / total);
}

/** ln of next to nothing. */
const IMPOSSIBLE = -50;

/** What is known of an entry whose car was fitted to its runs: ln of its mean distance in some round, and the standard deviation of that. */
export interface FittedDistance {
  readonly round: number;
  readonly mean: number;
  readonly deviation: number;
}

/** An outlook as the fit has it: cars that run as far are likelier, by the mean of what the rounds say, for they say the same. `scatter`: as its runs have it. */
export function fittedOutlook(outlook: CarOutlook, distances: readonly FittedDistance[], scatter: number): CarOutlook {
  if (distances.length === 0) return outlook;
  const ln = Array.from(outlook.weights, (weight, car) => {
    const each = distances.map(({ round, mean, deviation }) => {
      const possible = outlook.rounds[round]?.[car];
      return possible ? -(((Math.log(possible.free.distance + STALL) - mean) / Math.max(deviation, LEAST_DEVIATION)) ** 2) / 2 : IMPOSSIBLE;
    });
    return Math.log(weight) + each.reduce((sum, one) => sum + one, 0) / each.length;
  });
  return { ...outlook, weights: weightsOf(ln), scatter };
}
/** No fit is surer of its car than this: among so many cars none would be near enough. */
const LEAST_DEVIATION = 0.03;

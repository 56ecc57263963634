import type { CarDesign, Wind } from '../../car/car-design.ts';
import { solveLowerTransposed, solveLower } from '../../numerics/cholesky.ts';
import { standardNormal } from '../../numerics/low-discrepancy.ts';
import { builtWith, likelyCar, withGrip, type BuiltCar } from './built-car.ts';
import type { Workspace } from '../../run/workspace.ts';
import { groupOf, windingFraction, type FittedCar } from './fit-car.ts';
import { linearAt, type Linear } from './linear.ts';
import { quantileOf, type Mixture } from './mixture.ts';
import { outputsOf, STALL, type Outputs } from './outputs.ts';
import { GRIP_DIFFERS, runVariance, scatterDirections } from './scatter.ts';
import type { RunConditions } from './trial.ts';

/** Where 9 in 10 lie, and the middle. SI units. */
export interface Interval {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

/** What a fitted car is expected to do. m. */
export interface FittedPrediction {
  /** Its mean distance, and that of its next run. */
  readonly mean: Interval;
  readonly next: Interval;
  /** The next run in ln(m + 0.05), with chances to be asked of it. */
  readonly lnNext: Mixture;
  /** The mean of so many runs, in the same. */
  readonly lnMeanOf: (runs: number) => Mixture;
  /** Whether the launch is so near to wheelspin that the prediction forks, and where it then ends. */
  readonly fork: { readonly holds: number; readonly spins: number } | null;
}

/** One output about the place that was found: its value, and its slope over all unknowns and misfits. */
export interface Row {
  readonly value: number;
  readonly slope: Float64Array;
}

/** Student t with 7 degrees of freedom reaches as far at 9 in 10 as a normal of this many times its standard deviation: 1.895 √(5/7) / 1.645. */
const STUDENT = 0.973;
/** Nine in ten. */
const TAIL_PROBABILITY = 0.05;
/** A launch within this of spinning, in ln of grip over what it needs. */
const NEAR = 0.15;

/** An output of a linearisation as a row over everything the fit is about. */
export function rowOf(fitted: FittedCar, linear: Linear, read: (outputs: Outputs) => number): Row {
  const slope = new Float64Array(fitted.mapEstimate.length);
  linear.slopes.forEach((outputs, i) => (slope[i] = read(outputs)));
  return { value: read(linear.outputs), slope };
}

/** A row as what the fit says of it: a normal at each place of the scatter’s grid. `extra`: variance that is added at a scatter. */
export const mixtureOf = (
  { mapEstimate: place, components }: FittedCar,
  { value, slope }: Row,
  extra: (scatter: number) => number = () => 0,
): Mixture =>
  components.map(({ weight, scatter, mode: at, choleskyFactor: root }) => {
    const mean = value + slope.reduce((sum, by, i) => sum + by * (at[i]! - place[i]!), 0);
    const variance = solveLower(root, slope).reduce((sum, by) => sum + by * by, 0);
    return { weight, mean, variance: Math.max(variance + extra(scatter), 1e-12) };
  });

const inMetres = (mixture: Mixture): Interval => {
  const [low, middle, high] = [TAIL_PROBABILITY, 0.5, 1 - TAIL_PROBABILITY].map((fraction) =>
    Math.max(0, Math.exp(quantileOf(mixture, fraction)) - STALL),
  );
  return { low: low!, middle: middle!, high: high! };
};

/** The fitted car about a design and winding; null where it cannot run so. */
export const linearFor = (fitted: FittedCar, design: CarDesign, wind: Wind, conditions: RunConditions = {}): Linear | null =>
  linearAt(
    likelyCar(design, wind, windingFraction(design, wind), conditions),
    fitted.unknowns,
    fitted.mapEstimate.slice(0, fitted.unknowns.length),
    [],
    fitted.workspace,
  );

/** ln of the distance of a fitted car, and whether the model lacks something more of it: 1 of a winding that it was not fitted to, else 0. */
export function distanceRow(
  fitted: FittedCar,
  design: CarDesign,
  wind: Wind,
  linear: Linear,
  conditions: RunConditions = {},
): { readonly row: Row; readonly hasMisfit: 0 | 1 } {
  const row = rowOf(fitted, linear, ({ values }) => values[0]!);
  const group = groupOf(fitted, design, wind, conditions);
  if (group >= 0) {
    const place = fitted.unknowns.length + group;
    row.slope[place] = fitted.misfit;
    return { row: { ...row, value: row.value + fitted.misfit * fitted.mapEstimate[place]! }, hasMisfit: 0 };
  }
  return { row, hasMisfit: 1 };
}

/** Places in standard deviations at which a prediction is run by the model, and how far it may lie from its linearisation, ln. */
const NODES = [-2, -1, 0, 1, 2];
const MOST_OFF = Math.log(1.05);
/** Parts that a bent normal is cut into, each with its middle. */
const PARTS = [0.04, 0.15, 0.32, 0.5, 0.68, 0.85, 0.96];
const MIDDLES = PARTS.map((fraction) => standardNormal(fraction));
const WEIGHTS = PARTS.map((fraction, i) => ((PARTS[i + 1] ?? 2 - fraction) - (PARTS[i - 1] ?? -fraction)) / 2);

/**
 * The distance by the model itself where its linearisation is off: it is run along the line on which the distance changes most for its
 * likelihood, and the normals of the linearisation are bent as it says. Null where the linearisation holds.
 * Source: geometry of the constrained optimum, e.g. Seber & Wild, *Nonlinear Regression* (1989), 5.4 (profile of a function of the parameters).
 */
function bendOf(fitted: FittedCar, car: BuiltCar, row: Row): ((value: number) => { readonly at: number; readonly slope: number }) | null {
  const { components, mapEstimate: found, unknowns, workspace } = fitted;
  const best = components.reduce((a, b) => (b.weight > a.weight ? b : a));
  const half = solveLower(best.choleskyFactor, row.slope);
  const spread = Math.sqrt(half.reduce((sum, by) => sum + by * by, 0));
  if (!(spread > 1e-6)) return null;
  const direction = solveLowerTransposed(best.choleskyFactor, half).map((by) => by / spread);
  const middle = row.value + row.slope.reduce((sum, by, i) => sum + by * (best.mode[i]! - found[i]!), 0);
  const nodes = NODES.flatMap((t) => {
    const at = best.mode.map((z, i) => z + t * direction[i]!);
    const outputs = outputsOf(builtWith(car, unknowns, at), [], workspace);
    if (!outputs) return [];
    const lacks = row.slope.subarray(unknowns.length).reduce((sum, by, g) => sum + by * at[unknowns.length + g]!, 0);
    return [{ line: middle + t * spread, model: outputs.values[0]! + lacks }];
  });
  if (nodes.length < 2 || nodes.every(({ line, model }) => Math.abs(line - model) <= MOST_OFF)) return null;
  return (value) => {
    const next = Math.min(
      Math.max(
        nodes.findIndex(({ line }) => line > value),
        1,
      ),
      nodes.length - 1,
    );
    const [low, high] = [
      nodes[value > nodes.at(-1)!.line ? nodes.length - 2 : next - 1]!,
      nodes[value > nodes.at(-1)!.line ? nodes.length - 1 : next]!,
    ];
    const slope = (high.model - low.model) / (high.line - low.line);
    return { at: low.model + slope * (value - low.line), slope };
  };
}

/** Normals bent by the model: each cut into parts that lie where it puts them. */
const bent = (mixture: Mixture, bend: NonNullable<ReturnType<typeof bendOf>>): Mixture =>
  mixture.flatMap(({ weight, mean, variance }) =>
    MIDDLES.map((z, i) => {
      const { at, slope } = bend(mean + z * Math.sqrt(variance));
      return { weight: weight * WEIGHTS[i]!, mean: at, variance: Math.max((slope * CUT) ** 2 * variance, 1e-12) };
    }),
  );
/** Standard deviation of one part, in that of the whole: with their middles they make up its variance. */
const CUT = Math.sqrt(1 - MIDDLES.reduce((sum, z, i) => sum + WEIGHTS[i]! * z * z, 0));

/** Three places of a normal with what each counts, exact up to the fifth power (Gauss and Hermite). */
const GRIPS = [
  { off: -Math.sqrt(3), weight: 1 / 6 },
  { off: 0, weight: 2 / 3 },
  { off: Math.sqrt(3), weight: 1 / 6 },
];
/** ln below which another grip makes no difference. */
const SAME_WAY = 0.01;

/** Next runs, each with the grip that it may find: near wheelspin some hold and some spin, and nothing lies between. */
function byGrip(car: BuiltCar, next: Mixture, workspace: Workspace): Mixture {
  const wayAt = (off: number): number | undefined => outputsOf(withGrip(car, Math.exp(GRIP_DIFFERS * off)), [], workspace)?.values[0];
  const here = wayAt(0);
  const shifts = GRIPS.map(({ off }) => (wayAt(off) ?? here ?? 0) - (here ?? 0));
  if (shifts.every((shift) => Math.abs(shift) < SAME_WAY)) return next;
  return next.flatMap((part) => GRIPS.map(({ weight }, i) => ({ ...part, weight: weight * part.weight, mean: part.mean + shifts[i]! })));
}

/**
 * Predicts runs of a fitted car.
 * @param conditions direction and faults of the runs; none by default
 * @returns the mean of such runs and the next run, m; null where the car cannot run
 */
export function predictFitted(fitted: FittedCar, design: CarDesign, wind: Wind, conditions: RunConditions = {}): FittedPrediction | null {
  const linear = linearFor(fitted, design, wind, conditions);
  if (!linear) return null;
  const { row, hasMisfit } = distanceRow(fitted, design, wind, linear, conditions);
  const car = likelyCar(design, wind, windingFraction(design, wind), conditions);
  // As the car was found, not as expected: it may spin where it was expected to hold.
  const found = (one: BuiltCar): BuiltCar => builtWith(one, fitted.unknowns, fitted.mapEstimate);
  const directions = scatterDirections(found(car), found(likelyCar(design, { kind: 'full' }, 1)), [], fitted.workspace);
  const tape = fitted.instruments.tape / Math.max(Math.exp(row.value), STALL);
  const straight = mixtureOf(fitted, row);
  const bend = bendOf(fitted, car, row);
  const parts = bend ? bent(straight, bend) : straight;
  const each = parts.length / fitted.components.length;
  const widened = (extra: (scatter: number) => number): Mixture =>
    parts.map(({ variance, ...part }, i) => {
      const { scatter, misfitFactor } = fitted.components[Math.floor(i / each)]!;
      return { ...part, variance: variance + hasMisfit * (fitted.misfit * misfitFactor) ** 2 + fitted.unexplained ** 2 + extra(scatter) };
    });
  const besides = { ...directions, grip: new Float64Array(directions.grip.length) };
  const lnNext = byGrip(
    found(car),
    widened((scatter) => STUDENT ** 2 * runVariance(besides, scatter) + tape ** 2),
    fitted.workspace,
  );
  return {
    lnMeanOf: (runs) => widened((scatter) => (STUDENT ** 2 * runVariance(directions, scatter) + tape ** 2) / runs),
    mean: inMetres(widened(() => 0)),
    next: inMetres(lnNext),
    lnNext,
    fork: forkOf(found(car), linear, row.value - linear.outputs.values[0]!, fitted.workspace),
  };
}

/** Where the launch is within 15 % of spinning: the distance with as much more or less grip as makes it hold, and spin, by as much. */
function forkOf(car: BuiltCar, { outputs }: Linear, lacks: number, workspace: Workspace): FittedPrediction['fork'] {
  if (Math.abs(outputs.grip) > NEAR) return null;
  const [holds, spins] = [NEAR, -NEAR].map((wanted) => {
    const there = outputsOf(withGrip(car, Math.exp(wanted - outputs.grip)), [], workspace);
    return there && Math.max(0, Math.exp(there.values[0]! + lacks) - STALL);
  });
  return holds == null || spins == null ? null : { holds, spins };
}

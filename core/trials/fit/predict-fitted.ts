import type { CarDesign, Wind } from '../../car/car-design.ts';
import { forwardSolved } from '../../numerics/cholesky.ts';
import { likelyCar } from './built-car.ts';
import { groupOf, woundShare, type FittedCar } from './fit-car.ts';
import { linearAt, type Linear } from './linear.ts';
import { quantileOf, type Mixture } from './mixture.ts';
import { STALL, type Outputs } from './outputs.ts';
import { scatterDirections } from './scatter.ts';
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
  /** Whether the launch is so near to wheelspin that the prediction forks, and where it then ends. */
  readonly fork: { readonly holds: number; readonly spins: number } | null;
}

/** One output about the place that was found: its value, and its slope over all unknowns and misfits. */
export interface Row {
  readonly value: number;
  readonly slope: Float64Array;
}

/** Student t with 7 degrees of freedom reaches as far at 9 in 10 as a normal of so many times its standard deviation: 1.895 √(5/7) / 1.645. */
const STUDENT = 0.973;
/** Nine in ten. */
const SIDE = 0.05;
/** A launch within this of spinning, in ln of grip over what it needs. */
const NEAR = 0.15;

/** An output of a linearisation as a row over everything the fit is about. */
export function rowOf(fitted: FittedCar, linear: Linear, read: (outputs: Outputs) => number): Row {
  const slope = new Float64Array(fitted.place.length);
  linear.slopes.forEach((outputs, i) => (slope[i] = read(outputs)));
  return { value: read(linear.outputs), slope };
}

/** A row as what the fit says of it: a normal at each place of the scatter’s grid. `extra`: variance that is added at a scatter. */
export const mixtureOf = ({ place, components }: FittedCar, { value, slope }: Row, extra: (scatter: number) => number = () => 0): Mixture =>
  components.map(({ weight, scatter, place: at, root }) => {
    const mean = value + slope.reduce((sum, by, i) => sum + by * (at[i]! - place[i]!), 0);
    const variance = forwardSolved(root, slope).reduce((sum, by) => sum + by * by, 0);
    return { weight, mean, variance: Math.max(variance + extra(scatter), 1e-12) };
  });

const inMetres = (mixture: Mixture): Interval => {
  const [low, middle, high] = [SIDE, 0.5, 1 - SIDE].map((share) => Math.max(0, Math.exp(quantileOf(mixture, share)) - STALL));
  return { low: low!, middle: middle!, high: high! };
};

/** The fitted car about a design and winding; null where it cannot run so. */
export const linearFor = (fitted: FittedCar, design: CarDesign, wind: Wind, conditions: RunConditions = {}): Linear | null =>
  linearAt(
    likelyCar(design, wind, woundShare(design, wind), conditions),
    fitted.unknowns,
    fitted.place.slice(0, fitted.unknowns.length),
    [],
    fitted.workspace,
  );

/** ln of the distance of a fitted car, with what the model lacks of a winding it was not fitted to. */
export function distanceRow(
  fitted: FittedCar,
  design: CarDesign,
  wind: Wind,
  linear: Linear,
  conditions: RunConditions = {},
): { readonly row: Row; readonly lacking: number } {
  const row = rowOf(fitted, linear, ({ values }) => values[0]!);
  const group = groupOf(fitted, design, wind, conditions);
  if (group >= 0) {
    const place = fitted.unknowns.length + group;
    row.slope[place] = fitted.misfit;
    return { row: { ...row, value: row.value + fitted.misfit * fitted.place[place]! }, lacking: 0 };
  }
  return { row, lacking: fitted.misfit ** 2 };
}

/** What a fitted car will do, wound so, or did under other `conditions`; null where it cannot run. */
export function predictFitted(fitted: FittedCar, design: CarDesign, wind: Wind, conditions: RunConditions = {}): FittedPrediction | null {
  const linear = linearFor(fitted, design, wind, conditions);
  if (!linear) return null;
  const { row, lacking } = distanceRow(fitted, design, wind, linear, conditions);
  const car = likelyCar(design, wind, woundShare(design, wind), conditions);
  const { resistance, energy } = scatterDirections(car, likelyCar(design, { kind: 'full' }, 1), [], fitted.workspace);
  const way = Math.hypot(resistance[0]!, energy[0]!);
  const tape = fitted.instruments.tape / Math.max(Math.exp(row.value), STALL);
  const lnMean = mixtureOf(fitted, row, () => lacking);
  const lnNext = mixtureOf(fitted, row, (scatter) => lacking + (STUDENT * scatter * way) ** 2 + tape ** 2);
  return { mean: inMetres(lnMean), next: inMetres(lnNext), lnNext, fork: forkOf(fitted, linear, row) };
}

/** Where the launch is within 15 % of spinning: the distance where it just holds, and where it spins by as much. */
function forkOf({ unknowns }: FittedCar, { outputs, slopes }: Linear, row: Row): FittedPrediction['fork'] {
  if (Math.abs(outputs.grip) > NEAR) return null;
  // Along what changes the grip most.
  const steepest = slopes.reduce((best, { grip }, i) => (Math.abs(grip) > Math.abs(slopes[best]!.grip) ? i : best), 0);
  const { grip } = slopes[steepest]!;
  if (unknowns.length === 0 || Math.abs(grip) < 1e-3) return null;
  const at = (wanted: number): number => Math.max(0, Math.exp(row.value + (row.slope[steepest]! * (wanted - outputs.grip)) / grip) - STALL);
  return { holds: at(NEAR), spins: at(-NEAR) };
}

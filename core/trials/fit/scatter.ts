import { hasBands, isWoundByFeel } from '../../car/motors/motors.ts';
import { HAND_SD, withTurns } from '../../car/motors/rubber-motors.ts';
import { fullTurns } from '../../predict/derive-run-setup.ts';
import type { Workspace } from '../../run/workspace.ts';
import { withEnergy, withGrip, withResistance, type BuiltCar } from './built-car.ts';
import { outputsOf } from './outputs.ts';

/**
 * Why runs of one car differ, as directions over the outputs of a run. For a scatter of 1 of the distance at full winding: all its
 * resistances together, and what its motor gives back at half the weight; neither is flat: little is left of a run that barely moves.
 * Whatever the scatter: how far tyre and floor hold, which counts for a car that nearly spins and for no other; and how many turns a hand
 * winds until it is tight, where nobody counts them.
 */
export interface ScatterDirections {
  readonly resistance: Float64Array;
  readonly energy: Float64Array;
  readonly grip: Float64Array;
  readonly winding: Float64Array;
}

/** How much either is changed to see its direction. */
const CHANGE = 0.06;
const ENERGY_WEIGHT = 0.5;
/** Share by which grip differs from run to run: dust comes and is wiped off. Our estimate. */
export const GRIP_DIFFERS = 0.08;
/** How far it is changed to see over the kink where wheels begin to spin. */
const GRIP_CHANGE = 0.1;
/** A group scatters at least and at most this many times as much as a full wind. */
const LEAST = 0.5;
const MOST = 4;

function along(car: BuiltCar, marks: readonly number[], workspace: Workspace): ScatterDirections | null {
  const [stiffer, freer, weaker, stronger] = [
    withResistance(car, 1 + CHANGE),
    withResistance(car, 1 - CHANGE),
    withEnergy(car, 1 - CHANGE),
    withEnergy(car, 1 + CHANGE),
  ].map((changed) => outputsOf(changed, marks, workspace)?.values);
  const here = outputsOf(car, marks, workspace)?.values;
  if (!here) return null;
  const slope = (up: Float64Array | undefined, down: Float64Array | undefined): Float64Array =>
    Float64Array.from(here, (value, i) => {
      const [high, low] = [up?.[i] ?? NaN, down?.[i] ?? NaN];
      if (Number.isFinite(high) && Number.isFinite(low)) return (high - low) / (2 * CHANGE);
      if (Number.isFinite(low)) return (value - low) / CHANGE;
      return Number.isFinite(high) ? (high - value) / CHANGE : 0;
    });
  const energy = slope(stronger, weaker);
  const [holds, slips] = [1 + GRIP_CHANGE, 1 - GRIP_CHANGE].map((factor) => outputsOf(withGrip(car, factor), marks, workspace)?.values);
  const [more, fewer] = isFelt(car) ? [HAND_SD, -HAND_SD].map((by) => outputsOf(woundFurther(car, by), marks, workspace)?.values) : [];
  return {
    winding: slope(more, fewer).map((value) => CHANGE * value),
    resistance: slope(stiffer, freer),
    energy: energy.map((value) => -ENERGY_WEIGHT * value),
    grip: slope(holds, slips).map((value) => ((GRIP_DIFFERS * CHANGE) / GRIP_CHANGE) * value),
  };
}

const isFelt = ({ asDesigned, wind }: BuiltCar): boolean => wind.kind === 'full' && isWoundByFeel(asDesigned);
/** A car with bands wound by so much more, ln of the turns. */
function woundFurther(car: BuiltCar, by: number): BuiltCar {
  const { motor } = car.design;
  if (!hasBands(motor)) return car;
  return { ...car, design: { ...car.design, motor: withTurns(motor, fullTurns(car.design) * Math.exp(by)) } };
}

const sizeOf = ({ resistance, energy }: ScatterDirections): number => Math.hypot(resistance[0]!, energy[0]!);

/** Variance of an output from run to run at a scatter; of ln(distance + 0.05 m) by default. */
export const runVariance = ({ resistance, energy, grip, winding }: ScatterDirections, scatter: number, output = 0): number =>
  scatter ** 2 * (resistance[output]! ** 2 + energy[output]! ** 2) + grip[output]! ** 2 + winding[output]! ** 2;

/** The directions of a group’s runs. `full`: the same car fully wound. Flat where the model does not run. */
export function scatterDirections(car: BuiltCar, full: BuiltCar, marks: readonly number[], workspace: Workspace): ScatterDirections {
  const [here, whole] = [along(car, marks, workspace), along(full, [], workspace)];
  const one = here && whole ? sizeOf(whole) : 0;
  if (!here || !(one > 0))
    return {
      resistance: Float64Array.from({ length: 2 + marks.length }, (_, i) => (i === 0 ? -1 : 0)),
      energy: new Float64Array(2 + marks.length),
      grip: new Float64Array(2 + marks.length),
      winding: new Float64Array(2 + marks.length),
    };
  const size = sizeOf(here) / one;
  const factor = (size > 0 ? Math.min(Math.max(size, LEAST), MOST) / size : 1) / one;
  return { ...here, resistance: here.resistance.map((value) => factor * value), energy: here.energy.map((value) => factor * value) };
}

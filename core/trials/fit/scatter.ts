import type { Workspace } from '../../run/workspace.ts';
import { withEnergy, withResistance, type BuiltCar } from './built-car.ts';
import { outputsOf } from './outputs.ts';

/**
 * Why runs of one car differ, as two directions over the outputs of a run, for a scatter of 1 of the distance at full winding: all its
 * resistances together, and what its motor gives back at half the weight. Neither is flat: little is left of a run that barely moves.
 */
export interface ScatterDirections {
  readonly resistance: Float64Array;
  readonly energy: Float64Array;
}

/** How much either is changed to see its direction. */
const CHANGE = 0.06;
const ENERGY_WEIGHT = 0.5;
/** A group scatters at least and at most so many times as much as a full wind. */
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
  return { resistance: slope(stiffer, freer), energy: energy.map((value) => -ENERGY_WEIGHT * value) };
}

const sizeOf = ({ resistance, energy }: ScatterDirections): number => Math.hypot(resistance[0]!, energy[0]!);

/** The directions of a group’s runs. `full`: the same car fully wound. Flat where the model does not run. */
export function scatterDirections(car: BuiltCar, full: BuiltCar, marks: readonly number[], workspace: Workspace): ScatterDirections {
  const [here, whole] = [along(car, marks, workspace), along(full, [], workspace)];
  const one = here && whole ? sizeOf(whole) : 0;
  if (!here || !(one > 0))
    return {
      resistance: Float64Array.from({ length: 2 + marks.length }, (_, i) => (i === 0 ? -1 : 0)),
      energy: new Float64Array(2 + marks.length),
    };
  const size = sizeOf(here) / one;
  const factor = (size > 0 ? Math.min(Math.max(size, LEAST), MOST) / size : 1) / one;
  return { resistance: here.resistance.map((value) => factor * value), energy: here.energy.map((value) => factor * value) };
}

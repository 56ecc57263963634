import type { Workspace } from '../../run/workspace.ts';
import { builtWith, type BuiltCar, type LatentParameter } from './built-car.ts';
import { outputsOf, type Outputs } from './outputs.ts';

/** A car’s outputs at a place of its unknowns, and how they change about it. */
export interface Linear {
  readonly outputs: Outputs;
  /** One row for each unknown: change of each output for one standard deviation of it. */
  readonly slopes: readonly Outputs[];
}

/** Standard deviations to either side over which a slope is taken: wide enough to see over the kink where wheelspin begins. */
const STEP = 0.25;

const difference = (high: Outputs, low: Outputs, width: number): Outputs => ({
  values: high.values.map((value, i) => {
    const slope = (value - low.values[i]!) / width;
    // What is reached on one side only tells no slope.
    return Number.isFinite(slope) ? slope : 0;
  }),
  grip: (high.grip - low.grip) / width,
  energy: (high.energy - low.energy) / width,
  resistance: (high.resistance - low.resistance) / width,
});

/** A car about one place of its unknowns, by central differences, one-sided beside a refusal; null where it cannot run there. */
export function linearAt(
  car: BuiltCar,
  unknowns: readonly LatentParameter[],
  point: Float64Array,
  marks: readonly number[],
  workspace: Workspace,
): Linear | null {
  const outputs = outputsOf(builtWith(car, unknowns, point), marks, workspace);
  if (!outputs) return null;
  const flat = difference(outputs, outputs, 1);
  const slopes = unknowns.map((unknown, i) => {
    if (unknown.perturb(car, 1) === car) return flat;
    const at = (by: number): Outputs | null => outputsOf(builtWith(car, unknowns, point.with(i, point[i]! + by)), marks, workspace);
    const [high, low] = [at(STEP), at(-STEP)];
    if (high && low) return difference(high, low, 2 * STEP);
    if (high) return difference(high, outputs, STEP);
    return low ? difference(outputs, low, STEP) : flat;
  });
  return { outputs, slopes };
}

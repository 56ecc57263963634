import type { CarDesign } from '../car/car-design.ts';
import type { Numbers } from '../car/value-table.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { simulate } from '../run/simulate.ts';

/** kg that a first load is tried with, and the heaviest that a car is asked to carry. */
const FIRST = 0.1;
const HEAVIEST = 5;
/** Halvings: a load is told to a hundredth of itself. */
const HALVINGS = 7;

/** The heaviest load, kg, at the car's place for it, that the design carries `distance` m; null where it does not get there with none. Longer runs are taken to carry less. */
export function mostLoad(design: CarDesign, distance: number, numbers?: Numbers): number | null {
  const carries = (mass: number): boolean => {
    const outcome = simulate(deriveRunSetup({ ...design, load: { ...design.load, mass } }, { kind: 'full' }, numbers));
    return outcome.kind === 'ran' && outcome.result.distance >= distance;
  };
  if (!carries(0)) return null;
  let [low, high] = [0, FIRST];
  while (carries(high)) {
    if (high >= HEAVIEST) return HEAVIEST;
    [low, high] = [high, Math.min(2 * high, HEAVIEST)];
  }
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (carries(middle)) low = middle;
    else high = middle;
  }
  return low;
}

import { bisect } from '../numerics/bisect.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Numbers } from '../car/value-table.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { simulate } from '../run/simulate.ts';

/** kg that a first load is tried with, and the heaviest that a car is asked to carry. */
const FIRST = 0.1;
const HEAVIEST = 5;
/** Halvings: a load is told to a hundredth of itself. */
const HALVINGS = 7;

/** Narrowings of the search for the load that counts most: to a hundredth of the heaviest it moves with. */
const NARROWINGS = 12;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * The load, kg, that makes load times distance the greatest, and how far the design carries it, m: golden section between nothing and what
 * it carries no distance with. Load times distance has one peak: each gram more takes a larger part of what is left of the way.
 */
export function bestLoad(design: CarDesign, numbers?: Numbers): { readonly load: number; readonly distance: number } {
  const reach = (mass: number): number => {
    const outcome = simulate(deriveRunSetup({ ...design, load: { ...design.load, mass } }, { kind: 'full' }, numbers));
    return outcome.kind === 'ran' ? outcome.result.distance : 0;
  };
  let most = FIRST;
  while (most < HEAVIEST && 2 * most * reach(2 * most) > most * reach(most)) most = Math.min(2 * most, HEAVIEST);
  let [low, high] = [0, Math.min(2 * most, HEAVIEST)];
  for (let k = 0; k < NARROWINGS; k++) {
    const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (left * reach(left) > right * reach(right)) high = right;
    else low = left;
  }
  const load = (low + high) / 2;
  return { load, distance: reach(load) };
}

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
  return bisect(carries, low, high, HALVINGS).low;
}

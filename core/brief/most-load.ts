import { falsePosition, pointOf } from '../numerics/false-position.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Numbers } from '../car/value-table.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { simulate } from '../run/simulate.ts';

/** kg that a first load is tried with, and the heaviest that a car is asked to carry. */
const FIRST_LOAD = 0.1;
const HEAVIEST_LOAD = 5;
/** kg; less is not worth weighing. */
const LEAST_LOAD = 0.001;

/** Narrowings of the search for the load that counts most: to a hundredth of the heaviest it moves with. */
const MAX_NARROWINGS = 12;
/** The part of an interval that golden section leaves. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** How far a design goes with a load, m; 0 where it cannot be run. */
const distanceWith =
  (design: CarDesign, numbers?: Numbers) =>
  (load: number): number => {
    const outcome = simulate(deriveRunSetup({ ...design, load: { ...design.load, mass: load } }, { kind: 'full' }, numbers));
    return outcome.kind === 'ran' ? outcome.result.distance : 0;
  };

/**
 * The load that makes load times distance the greatest, by golden section between nothing and what the car hardly moves with. There is one
 * peak: each gram more takes a larger part of the distance that is left.
 * @returns `load` in kg, at the car's place for it, and the `distance` in m that the design carries it
 */
export function bestLoad(design: CarDesign, numbers?: Numbers): { readonly load: number; readonly distance: number } {
  const distance = distanceWith(design, numbers);
  const product = (load: number): number => load * distance(load);
  let most = FIRST_LOAD;
  while (most < HEAVIEST_LOAD && product(2 * most) > product(most)) most = Math.min(2 * most, HEAVIEST_LOAD);
  let [low, high] = [0, Math.min(2 * most, HEAVIEST_LOAD)];
  for (let k = 0; k < MAX_NARROWINGS; k++) {
    const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (product(left) > product(right)) high = right;
    else low = left;
  }
  const load = (low + high) / 2;
  return { load, distance: distance(load) };
}

/**
 * The heaviest load that a design carries so far, to a hundredth of it. What a car stores is the same with any load, so the reciprocal of its
 * distance grows nearly straight with its mass: a chord finds the load in a few runs.
 * @param distance m that the load has to be carried
 * @returns kg, at the car's place for the load, 5 kg at most; null where the car does not get there without a load
 */
export function mostLoad(design: CarDesign, distance: number, numbers?: Numbers): number | null {
  const distanceOf = distanceWith(design, numbers);
  // Above 0 where it stops short.
  const shortfall = (load: number): number => distance / distanceOf(load) - 1;
  let low = pointOf(shortfall, 0);
  if (!(low.y <= 0)) return null;
  // Where nothing but its mass changed, it would stop at the mark with this; a little more is beyond it.
  const mass = deriveRunSetup(design, { kind: 'full' }, numbers).car.mass - design.load.mass;
  let high = pointOf(shortfall, Math.min(1.1 * mass * (1 / (1 + low.y) - 1) + LEAST_LOAD, HEAVIEST_LOAD));
  while (high.y <= 0) {
    if (high.x >= HEAVIEST_LOAD) return HEAVIEST_LOAD;
    [low, high] = [high, pointOf(shortfall, Math.min(2 * high.x, HEAVIEST_LOAD))];
  }
  return falsePosition(shortfall, low, high).low;
}

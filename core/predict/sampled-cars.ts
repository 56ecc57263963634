import type { CarDesign } from '../car/car-design.ts';
import type { Numbers, ValueKey } from '../car/value-table.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import { CONDITIONS, type Condition } from './conditions.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';

/** Values that are off together: a floor that grips less grips less in every way. */
const FOLLOWS: Partial<Readonly<Record<ValueKey, ValueKey>>> = { slidingGrip: 'staticGrip' };

/** One of many cars built to one design: the design as it turned out, and the numbers that were not known. */
export interface SampledCar {
  readonly design: CarDesign;
  readonly numbers: Numbers;
}

/**
 * The `n`th of many cars built to one design and run on such floors: each value log-normal about its most likely with its
 * spread, each condition normal, drawn evenly (low discrepancy). The same seed gives the same cars.
 */
export function sampledCars(design: CarDesign, seed: number, conditions: readonly Condition[] = CONDITIONS): (n: number) => SampledCar {
  const keys = valueKeysOf(design);
  const values = keys.map((key) => valueOf(design, key));
  const leaders = keys.map((key, i) => {
    const leader = FOLLOWS[key];
    return leader === undefined ? i : keys.indexOf(leader);
  });
  const pointAt = lowDiscrepancy(keys.length + conditions.length, seed);
  return (n) => {
    const point = pointAt(n);
    const numbers: Partial<Record<ValueKey, number>> = {};
    keys.forEach((key, i) => {
      const { value, spread } = values[i]!;
      numbers[key] = value * Math.exp(spread * standardNormal(point[leaders[i]!]!));
    });
    const built = conditions.reduce((made, { off }, i) => off(made, standardNormal(point[keys.length + i]!)), design);
    return { design: built, numbers };
  };
}

import type { CarDesign } from '../car/car-design.ts';
import type { Numbers, ValueKey } from '../car/value-table.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';

/** Values that are off together: a floor that grips less grips less in every way. */
const FOLLOWS: Partial<Readonly<Record<ValueKey, ValueKey>>> = { slidingGrip: 'staticGrip' };

/**
 * The plain numbers of the `n`th of many cars built to one design: each value log-normal about its most likely with its
 * spread, drawn evenly (low discrepancy). The same seed gives the same cars.
 */
export function sampledNumbers(design: CarDesign, seed: number): (n: number) => Numbers {
  const keys = valueKeysOf(design);
  const values = keys.map((key) => valueOf(design, key));
  const leaders = keys.map((key, i) => {
    const leader = FOLLOWS[key];
    return leader === undefined ? i : keys.indexOf(leader);
  });
  const pointAt = lowDiscrepancy(keys.length, seed);
  return (n) => {
    const point = pointAt(n);
    const numbers: Partial<Record<ValueKey, number>> = {};
    keys.forEach((key, i) => {
      const { value, spread } = values[i]!;
      numbers[key] = value * Math.exp(spread * standardNormal(point[leaders[i]!]!));
    });
    return numbers;
  };
}

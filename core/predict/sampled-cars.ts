import type { CarDesign } from '../car/car-design.ts';
import { BATCH, deviated, type Numbers, type ValueKey } from '../car/value-table.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import { conditionsOf, type Condition } from './conditions.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';

/** One of many cars built to one design: the design as it turned out, and the numbers that were not known. */
export interface SampledCar {
  readonly design: CarDesign;
  readonly numbers: Numbers;
}

/**
 * Cars built to one design, by number: each uncertain value is drawn about its most likely one, each condition is normal, both from a
 * low-discrepancy sequence.
 * @param seed the same seed gives the same cars
 * @param conditions what else varies from car to car; all that are known by default
 * @returns the car with a number, from 0
 */
export function sampledCars(
  design: CarDesign,
  seed: number,
  conditions: readonly Condition[] = conditionsOf(design),
): (n: number) => SampledCar {
  const keys = valueKeysOf(design);
  const values = keys.map((key) => valueOf(design, key));
  const batch = keys.length + conditions.length;
  const pointAt = lowDiscrepancy(batch + 1, seed);
  return (n) => {
    const point = pointAt(n);
    const numbers: Partial<Record<ValueKey, number>> = {};
    keys.forEach((key, i) => {
      const alone = standardNormal(point[i]!);
      const off = BATCH.keys.includes(key)
        ? BATCH.shared * standardNormal(point[batch]!) + Math.sqrt(1 - BATCH.shared ** 2) * alone
        : alone;
      numbers[key] = deviated(key, values[i]!, off);
    });
    const built = conditions.reduce((car, { off }, i) => off(car, standardNormal(point[keys.length + i]!)), design);
    return { design: built, numbers };
  };
}

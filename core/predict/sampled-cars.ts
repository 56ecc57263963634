import type { CarDesign } from '../car/car-design.ts';
import { deviated, type Numbers, type ValueKey } from '../car/value-table.ts';
import { valueKeysOf, valueOf } from '../car/values.ts';
import { CONDITIONS, type Condition } from './conditions.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';

/** Rubber of one batch is strong or weak together: its coefficients share this much of their spread (9 of 12 %). */
const OF_A_BATCH: ReadonlySet<ValueKey> = new Set(['c1', 'c2']);
const SHARED = 0.75;

/** One of many cars built to one design: the design as it turned out, and the numbers that were not known. */
export interface SampledCar {
  readonly design: CarDesign;
  readonly numbers: Numbers;
}

/**
 * The `n`th of many cars built to one design and run on such floors: each value about its most likely with its
 * spread, each condition normal, drawn evenly (low discrepancy). The same seed gives the same cars.
 */
export function sampledCars(design: CarDesign, seed: number, conditions: readonly Condition[] = CONDITIONS): (n: number) => SampledCar {
  const keys = valueKeysOf(design);
  const values = keys.map((key) => valueOf(design, key));
  const batch = keys.length + conditions.length;
  const pointAt = lowDiscrepancy(batch + 1, seed);
  return (n) => {
    const point = pointAt(n);
    const numbers: Partial<Record<ValueKey, number>> = {};
    keys.forEach((key, i) => {
      const alone = standardNormal(point[i]!);
      const off = OF_A_BATCH.has(key) ? SHARED * standardNormal(point[batch]!) + Math.sqrt(1 - SHARED ** 2) * alone : alone;
      numbers[key] = deviated(key, values[i]!, off);
    });
    const built = conditions.reduce((made, { off }, i) => off(made, standardNormal(point[keys.length + i]!)), design);
    return { design: built, numbers };
  };
}

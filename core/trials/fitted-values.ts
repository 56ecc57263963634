import type { CarDesign, Measured } from '../car/car-design.ts';
import { SPREAD_IN_UNITS, type ValueKey } from '../car/value-table.ts';
import { FLOOR_DEPENDENT, valueKeysOf, valueOf } from '../car/values.ts';
import { builtWith, likelyCar } from './fit/built-car.ts';
import type { FittedCar } from './fit/fit-car.ts';
import { mixtureOf, type Row } from './fit/predict-fitted.ts';

/** Standard deviations that a value must have moved, or fraction of its spread that must be gone, to be worth writing down. */
const MOVED = 0.15;
const NARROWED = 0.95;
const STEP = 0.25;

/** ln of a value, or the value where its spread is in its own unit, over everything the fit is about; null for one that is not there. */
export function valueRow({ unknowns, mapEstimate: place }: FittedCar, design: CarDesign, key: ValueKey): Row | null {
  const isInUnits = SPREAD_IN_UNITS.has(key);
  if (!isInUnits && valueOf(design, key).value <= 0) return null;
  // Without the fading, which depends on the winding.
  const car = likelyCar(design, { kind: 'full' }, 0);
  const likely = place.slice(0, unknowns.length);
  const read = (off: Float64Array): number => {
    const value = builtWith(car, unknowns, off).numbers[key]!;
    return isInUnits ? value : Math.log(value);
  };
  const slope = new Float64Array(place.length);
  unknowns.forEach((_, i) => (slope[i] = (read(likely.with(i, likely[i]! + STEP)) - read(likely.with(i, likely[i]! - STEP))) / (2 * STEP)));
  return { value: read(likely), slope };
}

/**
 * What a fit says of each value of a design by itself, marked as fitted: those that moved, or are better known than before. What was
 * measured on the car stays as it was measured.
 */
export function fittedValues(fitted: FittedCar, design: CarDesign): Measured {
  const measured: Partial<Record<ValueKey, object>> = {};
  for (const key of valueKeysOf(design)) {
    const before = valueOf(design, key);
    if (before.evidence === 'measured' || before.spread === 0) continue;
    const isInUnits = SPREAD_IN_UNITS.has(key);
    const row = valueRow(fitted, design, key);
    if (!row) continue;
    const mixture = mixtureOf(fitted, row);
    const mean = mixture.reduce((sum, part) => sum + part.weight * part.mean, 0);
    const deviation = Math.sqrt(mixture.reduce((sum, part) => sum + part.weight * (part.variance + (part.mean - mean) ** 2), 0));
    const moved = Math.abs(mean - (isInUnits ? before.value : Math.log(before.value))) / before.spread;
    if (moved < MOVED && deviation > NARROWED * before.spread) continue;
    measured[key] = {
      value: Number((isInUnits ? mean : Math.exp(mean)).toPrecision(4)),
      spread: Number(Math.min(deviation, before.spread).toPrecision(3)),
      ...(FLOOR_DEPENDENT.has(key) && { on: design.floor.kind }),
      ...(key === 'slope' && { of: design.floor.slope }),
      from: 'fit',
    };
  }
  return measured as Measured;
}

/** The design with what a fit says of it. */
export const withFittedValues = (design: CarDesign, values: Measured): CarDesign => ({
  ...design,
  measured: { ...design.measured, ...values },
});

import type { CarDesign, Measured } from '../car/car-design.ts';
import { hasBands, recordOf } from '../car/motors/motors.ts';
import { BATCH, MOTOR_LOSSES, SPREAD_IN_UNITS, type ValueKey } from '../car/value-table.ts';
import { FLOOR_DEPENDENT, likelyNumbers, valueKeysOf, valueOf } from '../car/values.ts';
import { partsMass, standingWeight, weighedAt } from '../car/weights.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { modelOf } from '../motor/motors.ts';
import type { Estimate } from './estimate.ts';
import type { MeasurementResult } from './measured.ts';
import { ROLLING_KEYS, rollingOfCar, rollingShares } from './rolling-of-car.ts';

/** A value as the car keeps it; on a floor it depends on, only there. Digits: a hundredth of its spread and finer are nobody's. */
function measuredValue(design: CarDesign, key: ValueKey, value: number, spread: number): Measured {
  return {
    [key]: {
      value: Number(value.toPrecision(5)),
      spread: Number(Math.max(spread, LEAST_SPREAD).toPrecision(3)),
      ...(FLOOR_DEPENDENT.has(key) && { on: design.floor.kind }),
      ...(key === 'slope' && { of: design.floor.slope }),
    },
  };
}
/** No value is surer: as a fraction, or in its own unit. */
const LEAST_SPREAD = 1e-4;

/** Standard deviation of what is known by so few readings: that of Student’s t, wider than a normal’s. */
const spreadOf = ({ deviation, degreesOfFreedom: freedom }: Pick<Estimate, 'deviation' | 'degreesOfFreedom'>): number =>
  deviation * (freedom > 2.5 && Number.isFinite(freedom) ? Math.sqrt(freedom / (freedom - 2)) : freedom <= 2.5 ? FEW : 1);
/** Of two readings or three: as far as is fair. */
const FEW = 2.5;

/** The same in the terms that the value’s own spread is stored in: as a fraction of it, or in its unit. */
const ownSpreadOf = (key: ValueKey, estimate: Estimate): number =>
  SPREAD_IN_UNITS.has(key) ? spreadOf(estimate) : spreadOf(estimate) / estimate.value;

/** What was known of a value, estimated or measured before, with what was measured now: each weighed by how sure it is. Fractions on a logarithmic scale. */
function blended(design: CarDesign, key: ValueKey, estimate: Estimate): { readonly value: number; readonly spread: number } {
  const { value } = estimate;
  const before = valueOf(design, key);
  const isInUnits = SPREAD_IN_UNITS.has(key);
  const spread = Math.max(ownSpreadOf(key, estimate), LEAST_SPREAD);
  if (before.spread === 0 || (!isInUnits && !(before.value > 0))) return { value, spread };
  const [old, now] = [before.spread ** -2, spread ** -2];
  const mixed = (a: number, b: number): number => (old * a + now * b) / (old + now);
  return {
    value: isInUnits ? mixed(before.value, value) : Math.exp(mixed(Math.log(before.value), Math.log(value))),
    spread: 1 / Math.sqrt(old + now),
  };
}

const withMeasured = (design: CarDesign, measured: Measured): CarDesign => ({ ...design, measured: { ...design.measured, ...measured } });

/** Fraction of the whole that a roll leaves untold of a run: how it is made up matters where the pull presses the axle into its bearing. Our estimate. */
const UNTOLD = 0.04;

/**
 * The whole of what holds a car back as it rolls down its floor, shared out over what it is made of: each by the same factor, and as sure as
 * makes the whole as sure as it was measured. What was measured by itself stays, and the rest is shared out. How the floor leans is in the
 * whole: it is taken as it is reported, and as known with it.
 */
function withRolling(design: CarDesign, rolling: Estimate): CarDesign {
  const fractions = rollingShares(design);
  const slope = valueOf(design, 'slope').value;
  const all = rollingOfCar(design) + slope;
  const isFixed = (key: ValueKey): boolean => valueOf(design, key).evidence === 'measured';
  const free = ROLLING_KEYS.filter((key) => fractions.has(key) && !isFixed(key));
  // All measured by themselves: the whole says it again.
  const among = free.length > 0 ? free : ROLLING_KEYS.filter((key) => fractions.has(key));
  const part = among.reduce((sum, key) => sum + fractions.get(key)!, 0);
  const factor = Math.max(0.05, (rolling.value - (all - part)) / part);
  const inSquare = Math.hypot(...among.map((key) => factor * fractions.get(key)!));
  const spread = Math.min(Math.hypot(spreadOf(rolling), UNTOLD * rolling.value) / Math.max(inSquare, 1e-9), 1);
  return among.reduce(
    (car, key) => withMeasured(car, measuredValue(design, key, factor * valueOf(design, key).value, spread)),
    withMeasured(design, measuredValue(design, 'slope', slope, LEAST_SPREAD)),
  );
}

/**
 * How strong the motor is as a whole: both its values by the same factor, as sure as makes the energy as sure as it was measured. A pull at
 * the rim tells the energy well, and one value from the other badly.
 */
function withStrength(design: CarDesign, strength: Estimate): CarDesign {
  const keys = recordOf(design.motor).strengthValues;
  const numbers = likelyNumbers(design);
  const energy = (values: typeof numbers): number => {
    const { motor } = deriveRunSetup(design, { kind: 'full' }, values);
    return modelOf(motor).path(motor).storedEnergy;
  };
  const all = energy(numbers);
  const fractions = keys.map((key) => (energy({ ...numbers, [key]: 2 * numbers[key]! }) - all) / all);
  const alone = Math.hypot(...fractions);
  const batch = hasBands(design.motor) ? BATCH.shared : 0;
  const together = Math.hypot(batch * fractions.reduce((sum, fraction) => sum + fraction, 0), Math.sqrt(1 - batch ** 2) * alone);
  // What was thought of the strength before counts too: a scale that hardly moves makes nothing less sure.
  const thought = (together * keys.reduce((sum, key) => sum + valueOf(design, key).spread, 0)) / keys.length;
  const [old, now] = [thought ** -2, (spreadOf(strength) / strength.value) ** -2];
  const factor = Math.exp((now * Math.log(strength.value)) / (old + now));
  const spread = 1 / Math.sqrt(old + now) / together;
  return keys.reduce((car, key) => withMeasured(car, measuredValue(design, key, factor * numbers[key]!, spread)), design);
}

/**
 * Applies a result to a car: its measured values, combined with what was known of them.
 * @param result.values estimates by their keys, SI units
 * @returns the same design where it has none of these values
 */
export function applyMeasurement(design: CarDesign, { values }: Pick<MeasurementResult, 'values'>): CarDesign {
  let updated = design;
  const keys = new Set<string>(valueKeysOf(design));
  const inOne = values.given || values.strength ? recordOf(design.motor).strengthValues : [];
  for (const [key, estimate] of Object.entries(values)) {
    if (!keys.has(key) || (inOne as readonly string[]).includes(key)) continue;
    if (!(estimate.value > 0) && key !== 'slope') continue;
    const { value, spread } = blended(design, key as ValueKey, estimate);
    updated = withMeasured(updated, measuredValue(design, key as ValueKey, value, spread));
  }
  const { rolling, mass, driveShare, radius, axleDiameter } = values;
  if (mass || driveShare) {
    const before = standingWeight(updated);
    // Lighter than its parts are expected to be, it is as light as they are: weigh the wheels.
    updated = weighedAt(updated, {
      mass: Math.max(mass?.value ?? before.mass, partsMass(updated)),
      driveLoadShare: driveShare?.value ?? before.driveLoadShare,
    });
  }
  if (radius) updated = { ...updated, driveWheels: { ...updated.driveWheels, diameter: Number((2 * radius.value).toPrecision(5)) } };
  if (axleDiameter) updated = { ...updated, axleDiameter: Number(axleDiameter.value.toPrecision(5)) };
  const strength = values.given ?? values.strength;
  if (strength && strength.value > 0) updated = withStrength(updated, strength);
  // What it keeps to itself is taken as it is reported, and as known with the whole.
  if (values.given)
    updated = MOTOR_LOSSES.reduce(
      (so, key) => (keys.has(key) ? withMeasured(so, measuredValue(so, key, valueOf(so, key).value, LEAST_SPREAD)) : so),
      updated,
    );
  return rolling ? withRolling(updated, rolling) : updated;
}

/** Differences in their own spread from which two measurements are said to disagree. */
const APART = 2.5;

/** Values that were measured before and come out further off now than both are sure of. */
export function disagreements(design: CarDesign, { values }: Pick<MeasurementResult, 'values'>): string[] {
  const keys = new Set<string>(valueKeysOf(design));
  return Object.entries(values).flatMap(([key, estimate]) => {
    if (!keys.has(key)) return [];
    const before = valueOf(design, key as ValueKey);
    if (before.evidence !== 'measured' || !(estimate.value > 0)) return [];
    const apart = SPREAD_IN_UNITS.has(key as ValueKey) ? estimate.value - before.value : Math.log(estimate.value / before.value);
    return Math.abs(apart) > APART * Math.hypot(ownSpreadOf(key as ValueKey, estimate), before.spread) ? [key] : [];
  });
}

import type { CarDesign, FittedPart } from '../car/car-design.ts';
import { hasBands, recordOf } from '../car/motors/motors.ts';
import { fittedKey, withDiameter } from '../car/parts.ts';
import { SLOTS, type OwnPart, type PartSlot } from '../car/part-slots.ts';
import { OF_PART, valueOf } from '../car/values.ts';
import { SPREAD_IN_UNITS, type ValueKey } from '../car/value-table.ts';
import { isSameContent } from '../car/same-design.ts';
import type { Estimate } from './estimate.ts';
import { applyMeasurement } from './apply-measurement.ts';
import type { MeasurementResult } from './measured.ts';

/** A value of a part as it was measured: its name there, SI, and its spread as a fraction of it. */
interface PartValueMeasured {
  readonly key: string;
  readonly value: number;
  readonly spread: number;
}

/** Values of a car that are those of its part at a place, by what a measurement of them alone makes of them; a grip only as it is on a smooth floor. */
function measuredOn(design: CarDesign, result: Pick<MeasurementResult, 'values'>): ReadonlyMap<PartSlot, readonly PartValueMeasured[]> {
  const { measured } = applyMeasurement(design, result);
  const { radius, axleDiameter, strength, given } = result.values;
  const valueKeys = new Set([...Object.keys(result.values), ...(strength || given ? recordOf(design.motor).strengthValues : [])]);
  const places = new Map<PartSlot, PartValueMeasured[]>();
  const add = (slot: PartSlot, value: PartValueMeasured): void => {
    places.set(slot, [...(places.get(slot) ?? []), value]);
  };
  for (const [of, carValue] of Object.entries(measured) as [ValueKey, NonNullable<CarDesign['measured'][ValueKey]>][]) {
    const place = OF_PART[of];
    if (!place || !valueKeys.has(of) || isSameContent(carValue, design.measured[of])) continue;
    const [slot, key] = place;
    if ((slot === 'tyre' && design.floor.kind !== 'smooth') || (slot === 'band' && isTubing(design))) continue;
    // A part tells what it grips while it slides, a car the fraction of its grip that is left.
    const value = of === 'slidingRatio' ? carValue.value * valueOf(design, 'staticGrip').value : carValue.value;
    if (value > 0) add(slot, { key, value, spread: SPREAD_IN_UNITS.has(of) ? carValue.spread / carValue.value : carValue.spread });
  }
  const size = (slot: PartSlot, one: Estimate | undefined, times: number): void => {
    if (one) add(slot, { key: 'diameter', value: times * one.value, spread: Math.min(one.deviation / one.value, 1) });
  };
  size('driveWheels', radius, 2);
  size('axle', axleDiameter, 1);
  return places;
}
/** Tubing is cut for a car: none of it is a part of its own. */
const isTubing = ({ motor }: CarDesign): boolean => hasBands(motor) && motor.band.kind === 'tubing';

/** Places of a car whose part a measurement tells of. */
export const measuredSlots = (design: CarDesign, result: Pick<MeasurementResult, 'values'>): readonly PartSlot[] => [
  ...measuredOn(design, result).keys(),
];

/** A part of the builder's own with other values than it was fitted with. */
export const withValues = <P extends FittedPart | OwnPart>(
  part: P,
  { values, spreads, evidence }: Pick<FittedPart, 'values' | 'spreads' | 'evidence'>,
): P => {
  const { spreads: _before, ...bare } = part;
  return { ...(bare as P), values, evidence, ...(spreads && { spreads }) };
};

/** Digits of a value that are stored. */
const DIGITS = 5;
const rounded = (value: number, digits: number): number => Number(value.toPrecision(digits));

/**
 * The part at a place of the car with what a measurement tells of it, to be kept for all cars: one that is the builder's own already with
 * these values, else a new one like what is fitted, under `name`.
 */
export function applyMeasurementToPart(
  design: CarDesign,
  slot: PartSlot,
  result: Pick<MeasurementResult, 'values'>,
  before: OwnPart | null,
  name: string,
): OwnPart {
  const ofSlot = measuredOn(design, result).get(slot) ?? [];
  const base: OwnPart = before ?? {
    format: 'nimble-axle/own-part',
    version: 1,
    kind: SLOTS[slot].kind,
    name,
    like: likeOf(design, slot),
    values: { ...sizesOf(design, slot) },
    evidence: 'measured',
    count: 1,
  };
  return {
    ...base,
    values: { ...base.values, ...Object.fromEntries(ofSlot.map(({ key, value }) => [key, rounded(value, DIGITS)])) },
    spreads: { ...base.spreads, ...Object.fromEntries(ofSlot.map(({ key, spread }) => [key, rounded(spread, 3)])) },
    evidence: 'measured',
  };
}

/** The catalogue's word for a part; bands in sizes of their own are most like a plain one. */
function likeOf(design: CarDesign, slot: PartSlot): string {
  const key = fittedKey(design, slot)!;
  return slot === 'band' && key === 'own' ? '33' : key;
}

/** Sizes that a part of this kind brings with it: those that it has on this car. */
function sizesOf(design: CarDesign, slot: PartSlot): Readonly<Record<string, number>> {
  const { motor, driveWheels, otherWheels, axleDiameter } = design;
  if (slot === 'driveWheels') return { diameter: driveWheels.diameter };
  if (slot === 'otherWheels') return { diameter: otherWheels!.diameter };
  if (slot === 'axle') return { diameter: axleDiameter };
  if (slot === 'band' && hasBands(motor) && motor.band.kind === 'own') {
    const { length, width, thickness } = motor.band;
    return { length, width, thickness };
  }
  return {};
}

/** The car without what was known of a part by itself: the part at this place tells it now. */
export function isMeasuredOnPart(design: CarDesign, slot: PartSlot): CarDesign {
  const measured = Object.fromEntries(Object.entries(design.measured).filter(([key]) => OF_PART[key as ValueKey]?.[0] !== slot));
  return { ...design, measured };
}

/** Whether a car has a part of the builder's own at this place, by its name. */
export const hasPart = ({ own }: CarDesign, { kind, name }: Pick<OwnPart, 'kind' | 'name'>): readonly PartSlot[] =>
  (Object.keys(own ?? {}) as PartSlot[]).filter((slot) => SLOTS[slot].kind === kind && own![slot]!.name === name);

/** A car with the values of a part of the builder's own as they are known now, wherever it is fitted; its sizes with it. The same car where it has none. */
export function refreshOwnPart(design: CarDesign, part: OwnPart): CarDesign {
  return hasPart(design, part).reduce((fitted, slot) => {
    const own = { ...fitted.own, [slot]: withValues(fitted.own![slot]!, part) };
    return withDiameter(isMeasuredOnPart({ ...fitted, own }, slot), slot, part.values.diameter);
  }, design);
}

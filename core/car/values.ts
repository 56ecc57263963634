import type { CarDesign } from './car-design.ts';
import { CARE, FLOORS } from './catalogue.ts';
import { bearingOf, driveWheelOf, otherWheelOf, tyreOf } from './fitted.ts';
import { recordOf } from './motors/motors.ts';
import type { PartSlot } from './part-slots.ts';
import { ESTIMATE_SPREAD, type Numbers, type Value, type ValueKey } from './value-table.ts';

const COMMON: readonly ValueKey[] = [
  'bearingFriction',
  'staticGrip',
  'slidingGrip',
  'rollingLengthDrive',
  'outOfSquare',
  'dragArea',
  'massHeight',
  'driveWheelDensity',
];
const OTHER_WHEELS: readonly ValueKey[] = ['rollingLengthOther', 'otherWheelDensity'];
/** The values that this design hangs on. */
export const valueKeysOf = (design: CarDesign): readonly ValueKey[] => [
  ...COMMON,
  ...(design.otherWheels ? OTHER_WHEELS : []),
  ...(Object.keys(recordOf(design.motor).values) as ValueKey[]),
];

/** Cd·A of deck and motor, m²; drag coefficient of a wheel's edge; width of a roller, m. Estimates. */
const BODY_DRAG_AREA = 0.004;
const WHEEL_DRAG = 1;
const ROLLER_WIDTH = 0.05;

/** Grip on the design's floor of what grips so on a smooth one. */
export const gripOn = (design: CarDesign, grip: number): number => {
  const floor = FLOORS[design.floor.kind];
  return Math.min(grip * floor.gripFactor, Math.max(floor.gripCeiling, grip));
};

/** Estimate of one value from the catalogue, SI units. */
function estimateOf(design: CarDesign, key: ValueKey): number {
  const { driveWheels, otherWheels, motor } = design;
  const floor = FLOORS[design.floor.kind];
  const tyre = tyreOf(design);
  switch (key) {
    case 'bearingFriction':
      return bearingOf(design).friction;
    case 'staticGrip':
      return gripOn(design, tyre.staticGrip);
    case 'slidingGrip':
      return gripOn(design, tyre.slidingGrip);
    case 'rollingLengthDrive':
      return tyre.soft || driveWheelOf(design).soft ? floor.softRolling : floor.hardRolling;
    case 'rollingLengthOther':
      return otherWheels && otherWheelOf(design).soft ? floor.softRolling : floor.hardRolling;
    case 'outOfSquare':
      return CARE[design.care].angle;
    case 'dragArea': {
      if (!otherWheels) return WHEEL_DRAG * driveWheels.diameter * ROLLER_WIDTH;
      const edges = 2 * driveWheels.diameter * driveWheelOf(design).thickness;
      const others = design.layout.otherWheelCount * otherWheels.diameter * otherWheelOf(design).thickness;
      return BODY_DRAG_AREA + WHEEL_DRAG * (edges + others);
    }
    case 'massHeight':
      // Deck and motor sit at about the height of the axles.
      return otherWheels
        ? (design.driveLoadShare * driveWheels.diameter + (1 - design.driveLoadShare) * otherWheels.diameter) / 2
        : driveWheels.diameter / 2;
    case 'driveWheelDensity':
      return driveWheelOf(design).areaDensity;
    case 'otherWheelDensity':
      return otherWheels ? otherWheelOf(design).areaDensity : 0;
    default:
      return recordOf(motor).values[key]?.(design, motor) ?? 0;
  }
}

/** Spread of a value that was measured once with care, relative. */
export const MEASURED_SPREAD = 0.05;

/** Where on the car, and under what name there, a value of a part comes from. */
const OF_PART: Partial<Readonly<Record<ValueKey, readonly [slot: PartSlot, key: string]>>> = {
  staticGrip: ['tyre', 'staticGrip'],
  slidingGrip: ['tyre', 'slidingGrip'],
  bearingFriction: ['bearing', 'friction'],
  driveWheelDensity: ['driveWheels', 'areaDensity'],
  otherWheelDensity: ['otherWheels', 'areaDensity'],
  springPreload: ['trap', 'preload'],
  springRate: ['trap', 'rate'],
  springEfficiency: ['trap', 'efficiency'],
  washerFriction: ['washer', 'friction'],
};

/** Whether the value is that of a part of the builder's own, measured on it. A grip is measured on a smooth floor, and elsewhere estimated from that. */
function isMeasuredPart({ own, floor }: CarDesign, key: ValueKey): boolean {
  const place = own && OF_PART[key];
  if (!place) return false;
  const part = own[place[0]];
  return part?.evidence === 'measured' && place[1] in part.values && (place[0] !== 'tyre' || floor.kind === 'smooth');
}

/** One value of a design: as measured on this car or on a part of the builder's own, else as estimated from its parts. */
export function valueOf(design: CarDesign, key: ValueKey): Value {
  const measured = design.measured[key];
  if (measured) return { value: measured.value, spread: measured.spread, evidence: 'measured' };
  const value = estimateOf(design, key);
  return isMeasuredPart(design, key)
    ? { value, spread: MEASURED_SPREAD, evidence: 'measured' }
    : { value, spread: ESTIMATE_SPREAD[key], evidence: 'estimated' };
}

/** The most likely number of each value the design hangs on. */
export function likelyNumbers(design: CarDesign): Numbers {
  const numbers: Partial<Record<ValueKey, number>> = {};
  for (const key of valueKeysOf(design)) numbers[key] = valueOf(design, key).value;
  return numbers;
}

import type { OwnUnit } from '../units/quantity.ts';
import { ARM_FRICTION, CARE, FLOORS, RUBBER } from './catalogue.ts';
import { bearingOf, driveWheelOf, otherWheelOf, trapOf, tyreOf, washerOf, type PartSlot } from './parts.ts';
import type { CarDesign, Measured } from './car-design.ts';

/** The numbers of a car that nobody knows exactly: estimated from its parts until they are measured. SI units. */
export type ValueKey = keyof Measured;

export interface Value {
  readonly value: number;
  /** Relative standard deviation. */
  readonly spread: number;
  readonly evidence: 'estimated' | 'measured';
}

/** What each value is called. */
export const VALUE_NAMES: Readonly<Record<ValueKey, string>> = {
  bearingFriction: 'friction of the axle in its bearing',
  staticGrip: 'grip of the tyre before it slides',
  slidingGrip: 'grip of the tyre while it slides',
  rollingLengthDrive: 'rolling friction length of the drive wheels',
  rollingLengthOther: 'rolling friction length of the other wheels',
  outOfSquare: 'how far the wheels are out of square',
  dragArea: 'drag area',
  massHeight: 'height of the centre of mass',
  driveWheelDensity: 'weight of the drive wheels over their face',
  otherWheelDensity: 'weight of the other wheels over their face',
  springPreload: 'torque of the spring at rest',
  springRate: 'rate of the spring',
  springEfficiency: 'share the spring gives back',
  c1: 'first coefficient of the rubber',
  c2: 'second coefficient of the rubber',
  bandEfficiency: 'share the rubber gives back',
  washerFriction: 'friction of the washer',
  armFriction: 'friction of the trailing arm on the floor',
};

/** The unit each value is shown and typed in, and its size in SI. */
export const VALUE_UNITS: Readonly<Record<ValueKey, OwnUnit>> = {
  bearingFriction: { unit: '', factor: 1 },
  staticGrip: { unit: '', factor: 1 },
  slidingGrip: { unit: '', factor: 1 },
  rollingLengthDrive: { unit: 'mm', factor: 1e-3 },
  rollingLengthOther: { unit: 'mm', factor: 1e-3 },
  outOfSquare: { unit: '°', factor: Math.PI / 180 },
  dragArea: { unit: 'cm²', factor: 1e-4 },
  massHeight: { unit: 'mm', factor: 1e-3 },
  driveWheelDensity: { unit: 'kg/m²', factor: 1 },
  otherWheelDensity: { unit: 'kg/m²', factor: 1 },
  springPreload: { unit: 'N·m', factor: 1 },
  springRate: { unit: 'N·m/rad', factor: 1 },
  springEfficiency: { unit: '%', factor: 0.01 },
  c1: { unit: 'MPa', factor: 1e6 },
  c2: { unit: 'MPa', factor: 1e6 },
  bandEfficiency: { unit: '%', factor: 0.01 },
  washerFriction: { unit: '', factor: 1 },
  armFriction: { unit: '', factor: 1 },
};

/** How far an estimate may be off, as a relative standard deviation. From memory: what builds of one kind differ by. */
const ESTIMATE_SPREAD: Readonly<Record<ValueKey, number>> = {
  bearingFriction: 0.2,
  staticGrip: 0.12,
  slidingGrip: 0.12,
  rollingLengthDrive: 0.2,
  rollingLengthOther: 0.2,
  outOfSquare: 0.4,
  dragArea: 0.25,
  massHeight: 0.15,
  driveWheelDensity: 0.1,
  otherWheelDensity: 0.1,
  springPreload: 0.1,
  springRate: 0.1,
  springEfficiency: 0.03,
  c1: 0.12,
  c2: 0.12,
  bandEfficiency: 0.05,
  washerFriction: 0.3,
  armFriction: 0.2,
};

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
const OF_MOTOR: Readonly<Record<CarDesign['motor']['kind'], readonly ValueKey[]>> = {
  lever: ['springPreload', 'springRate', 'springEfficiency'],
  band: ['c1', 'c2', 'bandEfficiency'],
  twist: ['c1', 'c2', 'bandEfficiency', 'washerFriction', 'armFriction'],
};

/** The values that this design hangs on. */
export const valueKeysOf = (design: CarDesign): readonly ValueKey[] => [
  ...COMMON,
  ...(design.otherWheels ? OTHER_WHEELS : []),
  ...OF_MOTOR[design.motor.kind],
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
    case 'springPreload':
      return motor.kind === 'lever' ? trapOf(design, motor).preload : 0;
    case 'springRate':
      return motor.kind === 'lever' ? trapOf(design, motor).rate : 0;
    case 'springEfficiency':
      return motor.kind === 'lever' ? trapOf(design, motor).efficiency : 1;
    case 'c1':
      return RUBBER.c1;
    case 'c2':
      return RUBBER.c2;
    case 'bandEfficiency':
      return RUBBER.efficiency;
    case 'washerFriction':
      return motor.kind === 'twist' ? washerOf(design, motor).friction : 0;
    case 'armFriction':
      return ARM_FRICTION;
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

/** The plain numbers put into a run. */
export type Numbers = Readonly<Partial<Record<ValueKey, number>>>;

/** The most likely number of each value the design hangs on. */
export function likelyNumbers(design: CarDesign): Numbers {
  const numbers: Partial<Record<ValueKey, number>> = {};
  for (const key of valueKeysOf(design)) numbers[key] = valueOf(design, key).value;
  return numbers;
}

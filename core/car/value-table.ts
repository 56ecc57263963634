import type { OwnUnit } from '../units/quantity.ts';
import type { Measured } from './car-design.ts';

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
export const ESTIMATE_SPREAD: Readonly<Record<ValueKey, number>> = {
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

/** The plain numbers put into a run. */
export type Numbers = Readonly<Partial<Record<ValueKey, number>>>;

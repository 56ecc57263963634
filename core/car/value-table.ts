import { type OwnUnit, valueIn } from '../units/quantity.ts';
import type { Measured } from './car-design.ts';

/** The numbers of a car that nobody knows exactly: estimated from its parts until they are measured. SI units. */
export type ValueKey = keyof Measured;

export interface Value {
  readonly value: number;
  /** Standard deviation: of the value itself where `SPREAD_IN_UNITS` has its key, else as a fraction of it. */
  readonly spread: number;
  readonly evidence: 'estimated' | 'measured' | 'fitted';
}

/** What each value is called. */
export const VALUE_NAMES: Readonly<Record<ValueKey, string>> = {
  bearingFriction: 'friction of the axle in its bearing',
  staticGrip: 'grip of the tyre before it slides',
  slidingRatio: 'fraction of its grip that a tyre keeps while it slides',
  rollingLengthDrive: 'rolling friction length of the drive wheels',
  rollingLengthOther: 'rolling friction length of the other wheels',
  rub: 'friction of hubs and bearings, as a length',
  dragArea: 'drag area',
  massHeight: 'height of the centre of mass',
  driveWheelDensity: 'drive wheels: weight per area of their face',
  otherWheelDensity: 'other wheels: weight per area of their face',
  springPreload: 'torque of the spring at rest',
  springRate: 'spring rate',
  springEfficiency: 'fraction of the energy that the spring returns',
  c1: 'first coefficient of the rubber',
  c2: 'second coefficient of the rubber',
  bandLoss: 'fraction that the rubber keeps for each length of stretch',
  washerFriction: 'friction of the washer',
  armFriction: 'friction of the trailing arm on the floor',
  slope: 'slope of the floor, uphill',
};

/** The unit each value is shown and typed in, and its size in SI. */
export const VALUE_UNITS: Readonly<Record<ValueKey, OwnUnit>> = {
  bearingFriction: { unit: '', factor: 1 },
  staticGrip: { unit: '', factor: 1 },
  slidingRatio: { unit: '', factor: 1 },
  rollingLengthDrive: { unit: 'mm', factor: 1e-3 },
  rollingLengthOther: { unit: 'mm', factor: 1e-3 },
  rub: { unit: 'mm', factor: 1e-3 },
  dragArea: { unit: 'cm²', factor: 1e-4 },
  massHeight: { unit: 'mm', factor: 1e-3 },
  driveWheelDensity: { unit: 'kg/m²', factor: 1 },
  otherWheelDensity: { unit: 'kg/m²', factor: 1 },
  springPreload: { unit: 'N·m', factor: 1 },
  springRate: { unit: 'N·m/rad', factor: 1 },
  springEfficiency: { unit: '%', factor: 0.01 },
  c1: { unit: 'MPa', factor: 1e6 },
  c2: { unit: 'MPa', factor: 1e6 },
  bandLoss: { unit: '%', factor: 0.01 },
  washerFriction: { unit: '', factor: 1 },
  armFriction: { unit: '', factor: 1 },
  slope: { unit: 'mm per m', factor: 1e-3 },
};

/** Values whose spread is in their own unit, not a share: a floor called level leans by millimetres in a metre. */
export const SPREAD_IN_UNITS: ReadonlySet<ValueKey> = new Set(['slope', 'slidingRatio']);

/** How far an estimate may be off, as a standard deviation. From memory: what builds of one kind differ by. Of the rub see `CARE`. */
export const ESTIMATE_SPREAD: Readonly<Record<Exclude<ValueKey, 'rub'>, number>> = {
  bearingFriction: 0.2,
  staticGrip: 0.12,
  slidingRatio: 0.08,
  rollingLengthDrive: 0.2,
  rollingLengthOther: 0.2,
  dragArea: 0.25,
  massHeight: 0.15,
  driveWheelDensity: 0.1,
  otherWheelDensity: 0.1,
  springPreload: 0.1,
  springRate: 0.1,
  springEfficiency: 0.03,
  c1: 0.12,
  c2: 0.12,
  bandLoss: 0.25,
  washerFriction: 0.3,
  armFriction: 0.2,
  // A floor called level is level to 2 mm in a metre. Common practice.
  slope: 0.002,
};

/** Rubber of one batch is strong or weak together: its coefficients share this much of their spread (9 of 12 %). */
export const BATCH: { readonly keys: readonly ValueKey[]; readonly shared: number } = { keys: ['c1', 'c2'], shared: 0.75 };

/** A value's spread in words: `12 %`, or in its own unit `2 mm per m`. */
export const formatSpread = (key: ValueKey, spread: number, format: (value: number, quantity: 'share') => string): string =>
  SPREAD_IN_UNITS.has(key) ? valueIn(VALUE_UNITS[key], spread, 2) : format(spread, 'share');

/** The most a value can be, whatever the spread. */
const CEILINGS: Partial<Readonly<Record<ValueKey, number>>> = { slidingRatio: 1, springEfficiency: 1 };

/** The value as it is where it is off by so many standard deviations: log-normal about its most likely, or normal where its spread is in its own unit. */
export function deviated(key: ValueKey, { value, spread }: Value, deviations: number): number {
  const off = SPREAD_IN_UNITS.has(key) ? value + spread * deviations : value * Math.exp(spread * deviations);
  return Math.min(off, CEILINGS[key] ?? Infinity);
}

/** The plain numbers put into a run. */
export type Numbers = Readonly<Partial<Record<ValueKey, number>>>;

/** Values by which a motor returns less than it stored. */
export const MOTOR_LOSSES: readonly ValueKey[] = ['springEfficiency', 'bandLoss', 'washerFriction'];

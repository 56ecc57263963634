import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { PartKind } from '../car/part-slots.ts';
import { standingWeight } from '../car/weights.ts';
import type { Quantity } from '../units/quantity.ts';
import type { HiddenCar, SimulatedHand, SimulatedMeasurement } from './hidden-car.ts';
import type { InsufficientReadings, Measurement, MeasurementResult } from './measured.ts';
import type { ValueBounds } from './plausible.ts';

/** One thing that is read again and again: a column of the table. */
export interface ReadingColumn {
  readonly key: string;
  readonly label: string;
  readonly quantity: Quantity;
  /** One of these words instead of a number, the first where none is chosen. */
  readonly options?: readonly string[];
  /** May be left empty. */
  readonly isOptional?: true;
}

/** A number that is entered once for all readings; its default is what the design says. */
export interface ScalarInput {
  readonly key: string;
  readonly label: string;
  readonly quantity: Quantity;
  readonly of: (design: CarDesign) => number;
  /** Yes or no instead of a number: in words, no first. */
  readonly either?: readonly [no: string, yes: string];
}

/** Which columns of a file belong together. */
export interface ColumnRules {
  /** As long as each other; the first says how many readings there are. */
  readonly together: readonly string[];
  /** Each of its own length. */
  readonly alone?: readonly string[];
  /** One value for all readings, or one for each. */
  readonly oneOrEach?: readonly string[];
  /** Each value is above the one before. */
  readonly rising?: readonly string[];
  /** What is read of an instrument: a plain resolution is that of these; the first is named where a result cannot be. */
  readonly read: readonly [string, ...string[]];
}

/**
 * Everything that tells one kind of measurement from the others. A new kind is its schema, one such record with its line in
 * `measurements.ts`, and its drawing in `core/geometry/measuring-setup.ts`.
 */
export interface MeasurementRecord<Of extends Measurement = Measurement> {
  readonly name: string;
  /** What it tells, in a few words. */
  readonly tells: string;
  readonly minutes: number;
  readonly needs: readonly string[];
  /** Three lines. */
  readonly how: readonly [string, string, string];
  readonly caution: string | null;
  readonly columns: readonly ReadingColumn[];
  readonly once: readonly ScalarInput[];
  /** The columns that the scale or ruler is read in, and one division of it, SI. */
  readonly division: { readonly of: readonly string[]; readonly usual: number };
  /** Whether it tells anything of such a car. */
  suits(design: CarDesign): boolean;
  readonly table: ColumnRules;
  /** Whole rows that a result needs. */
  readonly fewestRows: number;
  /** Its readings are evaluated with the design of the car. */
  readonly usesDesign?: true;
  /** What its values can be, by their keys. */
  readonly bounds: Readonly<Record<string, ValueBounds>>;
  /** The values of a builder’s own part that it tells; null for none. */
  readonly ofPart: { readonly kind: PartKind; readonly keys: readonly string[] } | null;
  /** The result, or which readings are missing; SI units. */
  evaluate(measurement: Of): MeasurementResult | InsufficientReadings;
  /** What somebody would read of a hidden car; null where it tells nothing of such a car. */
  simulate(car: HiddenCar, hand: SimulatedHand): SimulatedMeasurement | null;
}

/** A column of numbers. */
export const column = (key: string, label: string, quantity: Quantity): ReadingColumn => ({ key, label, quantity });
/** A number that is entered once. */
export const scalar = (key: string, label: string, quantity: Quantity, of: (design: CarDesign) => number): ScalarInput => ({
  key,
  label,
  quantity,
  of,
});
/** The same positions, while unloading. */
export const UNLOADING: ReadingColumn = { ...column('back', 'unloading', 'force'), isOptional: true };
/** Readings that no line can be fitted to. */
export const TOO_FEW_FORCES: InsufficientReadings = { column: 'force', needs: 'at least three readings, not all at one position' };

/** kg; fraction of it on the drive wheels; m. */
export const massOf = (design: CarDesign): number => standingWeight(design).mass;
export const driveShareOf = (design: CarDesign): number => standingWeight(design).driveLoadShare;
export const driveRadiusOf = (design: CarDesign): number => design.driveWheels.diameter / 2;
/** Whether the car stands on axles; a roller does not. */
export const hasAxles = (design: CarDesign): boolean => !isRoller(design);

import type { Aim as OneGoal, CarDesign as StoredDesign, MotorDesign } from '../schema/generated/car-design.ts';
import type { Contest } from './contest.ts';

export type {
  Alignment,
  Ballast,
  Band,
  BandDesign,
  Body,
  FittedPart,
  Floor,
  FloorEdge,
  FloorStretch,
  Layout,
  LeverDesign,
  Limits,
  Measured,
  MeasuredValue,
  MotorDesign,
  SleeveStep,
  TwistDesign,
  Wheels,
} from '../schema/generated/car-design.ts';
export type { CarVersion } from '../schema/generated/car-version.ts';
export type { Outcome, RunRecord, Wind } from '../schema/generated/run-record.ts';

/** What a car is judged by: one goal, and, where it aims at all rounds of its brief, the contest. That is worked out anew and never stored. */
export type Aim = OneGoal & { readonly contest?: Contest };
export type CarDesign = Omit<StoredDesign, 'aim'> & { aim: Aim };

/** The design as it is stored: without the contest. */
export function storedDesign(design: CarDesign): CarDesign {
  const { contest, ...aim } = design.aim;
  return contest ? { ...design, aim } : design;
}

export type MotorKind = MotorDesign['kind'];

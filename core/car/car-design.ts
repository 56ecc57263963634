import type { MotorDesign } from '../schema/generated/car-design.ts';

export type {
  Aim,
  Alignment,
  Ballast,
  Band,
  BandDesign,
  Body,
  CarDesign,
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

export type MotorKind = MotorDesign['kind'];

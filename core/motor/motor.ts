import type { Fault } from '../fault.ts';

/**
 * What every motor is to the run: a path from wound to let go, cut into segments on each of which the pull is a
 * smooth function of one coordinate `u`. A new kind of motor is one new file with such a record, and its line in `motors.ts`.
 */
export interface MotorModel<Setup> {
  /** Bounds of its keys, SI units: beyond them nothing runs that anyone could build. */
  readonly least: Readonly<Record<string, number>>;
  readonly most: Readonly<Record<string, number>>;
  /** Whether it turns inside the one wheel its car stands on. */
  readonly isRoller: boolean;
  /** What keeps a motor within its bounds from working; empty when it can run. */
  faults(setup: Setup): Fault[];
  /** The path of a motor without faults. */
  path(setup: Setup): Motor;
  /** Largest radius of what is wound on the drive axle, m; 0 where nothing is. */
  woundRadius(setup: Setup): number;
  /** Largest stretch ratio of its rubber, wound or while it is wound; null without rubber. */
  stretch(setup: Setup): number | null;
}

/** What the motor does at one place of its path. Filled in by `Segment.evaluate`; reused, so copy what must last. */
export interface MotorPoint {
  /** dθ/du, rad per unit of the coordinate, signed so that θ grows from `from` to `to`. */
  angleSlope: number;
  /** N·m at the drive axle, before hysteresis is taken off. */
  heldTorque: number;
  /** N·m at the drive axle while unwinding. */
  torque: number;
  /** N in string or band while unwinding. */
  tension: number;
  /** Direction of the tension seen from the axle: cosine and sine of its angle above the horizontal. */
  directionCos: number;
  directionSin: number;
  /** kg·m² of the motor's moving parts seen at the axle, and its change dI/dθ. */
  inertia: number;
  inertiaSlope: number;
  /** N·m already taken off the torque by a washer. */
  washerTorque: number;
  /** N·m that a washer adds where the motor is wound up again the other way. */
  heldWasher: number;
}

/** An empty place of a motor's path, to be filled in by `Segment.evaluate` again and again. */
export const makeMotorPoint = (): MotorPoint => ({
  angleSlope: 0,
  heldTorque: 0,
  torque: 0,
  tension: 0,
  directionCos: 1,
  directionSin: 0,
  inertia: 0,
  inertiaSlope: 0,
  washerTorque: 0,
  heldWasher: 0,
});

export interface Segment {
  readonly from: number;
  readonly to: number;
  /** How far a tied motor can be wound up again past `from`, when it is the first segment. */
  readonly overwound: number;
  /** rad the axle turns over the whole segment. */
  readonly angle: number;
  readonly evaluate: (u: number, point: MotorPoint) => void;
  /** J still wound at `u`, before hysteresis. */
  readonly storedAt: (u: number) => number;
}

export interface Motor {
  /** In the order they unwind. */
  readonly segments: readonly Segment[];
  /** Which of them the run begins on: those before it are reached only by a tied motor that winds up further than it was wound. */
  readonly first: number;
  /** J put in by winding. */
  readonly storedEnergy: number;
  /** rad of drive axle under power. */
  readonly angle: number;
  /** Fraction of the wound energy given back. */
  readonly efficiency: number;
  readonly release: 'free' | 'tied';
  /** Whether moving parts can lag behind the axle, so that the string goes slack. */
  readonly canGoSlack: boolean;
  /** A trailing arm that takes the reaction to the floor: horizontal reach, m, and its coefficient of friction. */
  readonly arm: { readonly length: number; readonly friction: number } | null;
}

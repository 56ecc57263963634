import type { MotorDesign } from '../../car/car-design.ts';
import type { MotorSetup } from '../../run/run-setup.ts';
import type { Point } from '../point.ts';

/** What drives a car, as it is seen from the side, m. */
export type MotorView =
  | {
      readonly kind: 'lever';
      /** Corners of the trap, and what it stands on where the deck runs lower. */
      readonly trap: readonly Point[];
      readonly post: readonly [Point, Point];
      readonly pivot: Point;
      readonly tipCocked: Point;
      readonly tipAtRest: Point;
    }
  | { readonly kind: 'band'; readonly anchor: Point; readonly strands: number }
  | { readonly kind: 'twist'; readonly armTip: Point };

/** How a lever stands: cocked at the line, at rest after the run, or wherever along its run it reaches furthest. */
export type LeverStands = 'cocked' | 'rest' | 'largest';

/** How a kind of motor is placed in its car: one record a kind, and its line in `motors.ts`. m, rad. */
export interface MotorGeometry<
  Motor extends MotorDesign = MotorDesign,
  View extends MotorView = MotorView,
  Setup extends MotorSetup = MotorSetup,
> {
  /** Seen from the side; `axleHeight` over the floor, and the deck's top at a place. */
  sideView(motor: Motor, axleHeight: number, deckTop: (x: number) => number): View;
  /** Points of that view that the car reaches to, its lever as it is. */
  outline(view: View, lever: LeverStands): readonly Point[];
  /** How far from the drive axle the deck has to carry it. */
  deckReach(motor: Motor): number;
  /** Seen from above: from where it is held to where it pulls, or a trailing arm; `half` the distance of the wheels. */
  pullLine(motor: Motor, half: number): readonly [Point, Point];
  /** Width of a roller; null on axles. */
  rollerWidth(motor: Motor): number | null;
  /** How high it comes along its run over the drive axle's middle; 0 where it stays as drawn. */
  highest(motor: Motor): number;
  /** Angle of its lever with so many turns left on the axle; null without a lever. */
  leverAngle(setup: Setup, turnsLeft: number): number | null;
}

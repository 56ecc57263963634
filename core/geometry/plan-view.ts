import { bodyReach } from '../car/body-reach.ts';
import { AXLE_ENDS, WHEELS } from '../car/catalogue.ts';
import type { CarDesign } from '../car/car-design.ts';
import { bodyPieces } from '../solid/body-solid.ts';
import { axleHalf } from '../solid/wheelset-solids.ts';
import { ballastEdge } from '../solid/car-solids.ts';
import { geometryOf } from './motors/motors.ts';
import type { Point } from './point.ts';

/** A rectangle seen from above, turned about its middle. m, rad; x from the drive axle toward the other, y to the left. */
export interface Plate {
  readonly middle: Point;
  readonly length: number;
  readonly width: number;
  readonly turn: number;
}

/** Car from above, to scale, m. */
export interface PlanView {
  readonly driveWheels: readonly Plate[];
  readonly otherWheels: readonly Plate[];
  /** Both ends of each axle. */
  readonly axles: readonly (readonly [Point, Point])[];
  /** Deck or tube, or the sticks it is glued of, each by its corners; none for a roller. */
  readonly body: readonly (readonly Point[])[];
  readonly ballast: Plate | null;
  readonly load: Plate | null;
  /** Lever, bands or trailing arm: from where it is held to where it pulls. */
  readonly pull: readonly [Point, Point];
  readonly bounds: { readonly left: number; readonly right: number; readonly halfWidth: number };
}

const END = AXLE_ENDS / 2;

/** Where everything stands, seen from above. Axles out of square are drawn as they stand. */
export function planView(design: CarDesign): PlanView {
  const { wheelbase, trackWidth, alignment, motor, layout } = design;
  const half = trackWidth / 2;
  const wheelsAt = (
    x: number,
    places: readonly number[],
    diameter: number,
    kind: CarDesign['driveWheels']['kind'],
    turn: number,
  ): Plate[] =>
    places.map((y) => ({
      middle: { x: x - y * Math.sin(turn), y: y * Math.cos(turn) },
      length: diameter,
      width: Math.max(WHEELS[kind].thickness, 0.003),
      turn,
    }));
  const axleAt = (x: number, reach: number, turn: number): readonly [Point, Point] => [
    { x: x - reach * Math.sin(turn), y: reach * Math.cos(turn) },
    { x: x + reach * Math.sin(turn), y: -reach * Math.cos(turn) },
  ];
  const { rollerWidth, pullLine } = geometryOf(motor);
  // Toe points wheels to the left of the way the car runs, whichever way that is: against the clock.
  const { driveToe: driveTurn, otherToe: otherTurn } = alignment;
  const rollerHalf = (rollerWidth(motor) ?? trackWidth) / 2;
  const otherPlaces = layout.otherWheelCount === 1 ? [0] : [half, -half];
  const block = ({ mass, fromDriveAxle }: CarDesign['ballast']): Plate | null => {
    const side = ballastEdge(mass);
    return mass > 0 ? { middle: { x: fromDriveAxle, y: 0 }, length: side, width: side, turn: 0 } : null;
  };
  const pull = pullLine(motor, rollerHalf);
  const ends = bodyReach(design);
  return {
    driveWheels: wheelsAt(0, [rollerHalf, -rollerHalf], design.driveWheels.diameter, design.driveWheels.kind, driveTurn),
    otherWheels: design.otherWheels
      ? wheelsAt(wheelbase, otherPlaces, design.otherWheels.diameter, design.otherWheels.kind, otherTurn)
      : [],
    axles: [
      axleAt(0, rollerHalf + END, driveTurn),
      ...(design.otherWheels ? [axleAt(wheelbase, axleHalf(design, 'other'), otherTurn)] : []),
    ],
    body: design.otherWheels ? bodyPieces(design) : [],
    ballast: block(design.ballast),
    load: block(design.load),
    pull,
    bounds: {
      left: Math.min(-design.driveWheels.diameter / 2, ends.left, pull[0].x, pull[1].x),
      right: Math.max(
        design.driveWheels.diameter / 2,
        design.otherWheels ? Math.max(wheelbase + design.otherWheels.diameter / 2, ends.right) : 0,
        pull[0].x,
      ),
      halfWidth: rollerHalf + 0.014,
    },
  };
}

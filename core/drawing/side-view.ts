import type { CarDesign } from '../design/car-design.ts';

/** A point of the side view, m: x forward from the drive axle, y up from the floor. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Circle extends Point {
  readonly radius: number;
}

/** Side view of a car, to scale, m. */
export interface SideView {
  readonly driveWheel: Circle;
  readonly otherWheel: Circle;
  /** The drive axle's spool. */
  readonly axle: Circle;
  readonly otherAxle: Circle;
  /** Corners of deck and trap, in order. */
  readonly deck: readonly Point[];
  readonly trap: readonly Point[];
  /** What the trap stands on, where the deck runs lower. */
  readonly post: readonly [Point, Point];
  readonly pivot: Point;
  readonly tipCocked: Point;
  readonly tipAtRest: Point;
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number };
}

const DECK_THICKNESS = 0.006;
const DECK_OVERHANG = 0.018;
/** A household snap trap's board, m: the pivot is at its middle. */
const TRAP_LENGTH = 0.098;
const TRAP_THICKNESS = 0.006;

const box = (left: number, right: number, bottom: number, top: number, base: (x: number) => number): Point[] => [
  { x: left, y: base(left) + bottom },
  { x: right, y: base(right) + bottom },
  { x: right, y: base(right) + top },
  { x: left, y: base(left) + top },
];

/** Where everything of a lever car stands, with the lever cocked and at rest. The deck runs from axle to axle. */
export function sideView(design: CarDesign): SideView {
  const { motor, wheelbase } = design;
  const driveWheel = { x: 0, y: design.driveWheels.diameter / 2, radius: design.driveWheels.diameter / 2 };
  const otherWheel = { x: wheelbase, y: design.otherWheels.diameter / 2, radius: design.otherWheels.diameter / 2 };
  const axleLine = (x: number): number => driveWheel.y + ((otherWheel.y - driveWheel.y) * x) / wheelbase;
  const pivot = { x: motor.trapPosition, y: driveWheel.y + motor.pivotAboveAxle };
  const tipAt = (angle: number): Point => ({
    x: pivot.x + motor.leverLength * Math.cos(angle),
    y: pivot.y + motor.leverLength * Math.sin(angle),
  });
  const axleRadius = design.axleDiameter / 2;
  const deckLeft = -DECK_OVERHANG;
  const deckRight = Math.max(wheelbase, pivot.x + TRAP_LENGTH / 2) + DECK_OVERHANG;
  const trapBase = (): number => pivot.y - TRAP_THICKNESS;
  const tipCocked = tipAt(motor.cockedAngle);
  const tipAtRest = tipAt(motor.releaseAngle);
  return {
    driveWheel,
    otherWheel,
    axle: { x: 0, y: driveWheel.y, radius: axleRadius },
    otherAxle: { x: wheelbase, y: otherWheel.y, radius: axleRadius },
    deck: box(deckLeft, deckRight, axleRadius, axleRadius + DECK_THICKNESS, axleLine),
    trap: box(pivot.x - TRAP_LENGTH / 2, pivot.x + TRAP_LENGTH / 2, 0, TRAP_THICKNESS, trapBase),
    post: [
      { x: pivot.x, y: pivot.y - TRAP_THICKNESS },
      { x: pivot.x, y: axleLine(pivot.x) + axleRadius + DECK_THICKNESS / 2 },
    ],
    pivot,
    tipCocked,
    tipAtRest,
    bounds: {
      left: Math.min(-driveWheel.radius, deckLeft, tipCocked.x),
      right: Math.max(wheelbase + otherWheel.radius, deckRight, tipAtRest.x),
      top: Math.max(2 * driveWheel.radius, 2 * otherWheel.radius, tipCocked.y, tipAtRest.y),
    },
  };
}

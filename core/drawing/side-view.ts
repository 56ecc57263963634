import { bodyPartOf } from '../design/parts.ts';
import type { BandDesign, CarDesign, LeverDesign, TwistDesign } from '../design/car-design.ts';

/** A point of the side view, m: x from the drive axle toward the other axle, y up from the floor. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Circle extends Point {
  readonly radius: number;
}

/** What drives the car, as it is seen from the side, m. */
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

/** Side view of a car, to scale, m. */
export interface SideView {
  readonly driveWheel: Circle;
  /** Null for a roller. */
  readonly otherWheel: Circle | null;
  /** The drive axle's spool, and its sleeves from the inside out. */
  readonly axle: Circle;
  readonly sleeves: readonly Circle[];
  readonly otherAxle: Circle | null;
  /** Corners, in order; none for a roller. */
  readonly deck: readonly Point[];
  readonly ballast: readonly Point[];
  readonly motor: MotorView;
  /** Which way it runs: toward +x, or toward −x with its drive axle in front. */
  readonly heading: 1 | -1;
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number };
}

/** How far the deck reaches beyond what stands on it, m. */
export const DECK_OVERHANG = 0.018;
/** A household snap trap's board, m: the pivot is at its middle. */
const TRAP_LENGTH = 0.098;
const TRAP_THICKNESS = 0.006;
/** Drawn thickness of bodies thinner than this, m. */
const LEAST_DECK = 0.004;
/** Axles pass through a bottle or tube with this share of its width below them. */
const TUBE_BELOW = 0.15;
/** kg/m³ of ballast: coins or clay. */
const BALLAST_DENSITY = 2500;

/** Edge of the cube that stands for so much ballast, m. */
export const ballastEdge = (mass: number): number => Math.cbrt(mass / BALLAST_DENSITY);

const box = (left: number, right: number, bottom: number, top: number, base: (x: number) => number = () => 0): Point[] => [
  { x: left, y: base(left) + bottom },
  { x: right, y: base(right) + bottom },
  { x: right, y: base(right) + top },
  { x: left, y: base(left) + top },
];

function leverView(motor: LeverDesign, axleHeight: number, deckTop: (x: number) => number): MotorView {
  const pivot = { x: motor.trapPosition, y: axleHeight + motor.pivotAboveAxle };
  const tipAt = (angle: number): Point => ({
    x: pivot.x + motor.leverLength * Math.cos(angle),
    y: pivot.y + motor.leverLength * Math.sin(angle),
  });
  return {
    kind: 'lever',
    trap: box(pivot.x - TRAP_LENGTH / 2, pivot.x + TRAP_LENGTH / 2, pivot.y - TRAP_THICKNESS, pivot.y),
    post: [
      { x: pivot.x, y: pivot.y - TRAP_THICKNESS },
      { x: pivot.x, y: deckTop(pivot.x) },
    ],
    pivot,
    tipCocked: tipAt(motor.cockedAngle),
    tipAtRest: tipAt(motor.releaseAngle),
  };
}

function bandView(motor: BandDesign, axleHeight: number): MotorView {
  const along = Math.sqrt(Math.max(motor.anchorToAxle ** 2 - motor.anchorAboveAxle ** 2, 0));
  return { kind: 'band', anchor: { x: along, y: axleHeight + motor.anchorAboveAxle }, strands: Math.min(motor.parallel, 3) };
}

const twistView = (motor: TwistDesign): MotorView => ({ kind: 'twist', armTip: { x: -motor.armLength, y: 0 } });

/** Where everything of a car stands; a lever cocked and at rest. The deck runs from axle to axle. */
export function sideView(design: CarDesign): SideView {
  const { motor, wheelbase } = design;
  const circle = (x: number, diameter: number, y = diameter / 2): Circle => ({ x, y, radius: diameter / 2 });
  const driveWheel = circle(0, design.driveWheels.diameter);
  const otherWheel = design.otherWheels ? circle(wheelbase, design.otherWheels.diameter) : null;
  const axleLine = (x: number): number => driveWheel.y + (((otherWheel?.y ?? driveWheel.y) - driveWheel.y) * x) / wheelbase;
  const { isTube, thickness: sheet } = bodyPartOf(design);
  const thickness = isTube ? design.body.width : Math.max(sheet, LEAST_DECK);
  const underside = isTube ? -TUBE_BELOW * design.body.width : design.body.axleGap;
  const deckTop = (x: number): number => axleLine(x) + underside + thickness;
  const view =
    motor.kind === 'lever'
      ? leverView(motor, driveWheel.y, deckTop)
      : motor.kind === 'band'
        ? bandView(motor, driveWheel.y)
        : twistView(motor);
  const reach = view.kind === 'lever' ? view.pivot.x + TRAP_LENGTH / 2 : view.kind === 'band' ? view.anchor.x : 0;
  const deckLeft = -DECK_OVERHANG;
  const deckRight = Math.max(wheelbase, reach) + DECK_OVERHANG;
  const deck = otherWheel ? box(deckLeft, deckRight, underside, underside + thickness, axleLine) : [];
  const side = ballastEdge(design.ballast.mass);
  const place = design.ballast.fromDriveAxle;
  const ballastBase = otherWheel ? deckTop(place) : driveWheel.y - side / 2;
  const ballast = design.ballast.mass > 0 ? box(place - side / 2, place + side / 2, ballastBase, ballastBase + side) : [];
  const all: readonly Point[] = [
    ...deck,
    ...ballast,
    ...(view.kind === 'lever' ? [view.tipCocked, view.tipAtRest, view.pivot] : [view.kind === 'band' ? view.anchor : view.armTip]),
  ];
  return {
    driveWheel,
    otherWheel,
    axle: circle(0, design.axleDiameter, driveWheel.y),
    sleeves: design.sleeve.map(({ diameter }) => circle(0, diameter, driveWheel.y)),
    otherAxle: otherWheel ? circle(wheelbase, design.axleDiameter, otherWheel.y) : null,
    deck,
    ballast,
    motor: view,
    heading: design.layout.driveAxle === 'rear' ? 1 : -1,
    bounds: {
      left: Math.min(-driveWheel.radius, ...all.map(({ x }) => x)),
      right: Math.max(driveWheel.radius, otherWheel ? wheelbase + otherWheel.radius : 0, ...all.map(({ x }) => x)),
      top: Math.max(2 * driveWheel.radius, otherWheel ? 2 * otherWheel.radius : 0, ...all.map(({ y }) => y)),
    },
  };
}

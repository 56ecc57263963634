import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyPartOf, otherWheelOf } from '../car/fitted.ts';
import { bodyWidthAt } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import { HUB } from './bearing-sizes.ts';
import { deckHeights } from './deck-heights.ts';
import { leverTip } from './pull-places.ts';
import { rectangle, type Corner } from './shape.ts';

/** m cut out of a deck to either side of the turns wound, and beyond the axle. Common practice. */
const CLEARANCE = 0.004;
/** m kept free round a wheel that runs through the deck. Common practice. */
const ROUND_WHEEL = 0.004;

/** Corners of a body from above in order, uncut: a rectangle, or narrower toward the other axle; m. */
export function bodyCorners(design: CarDesign): readonly [Corner, Corner, Corner, Corner] {
  const { body, wheelbase } = design;
  const [left, right] = [-body.overhang / 2, wheelbase + body.overhang / 2];
  const [half, narrow] = [left, right].map((x) => bodyWidthAt(design, x) / 2) as [number, number];
  return [
    { x: left, y: half },
    { x: right, y: narrow },
    { x: right, y: -narrow },
    { x: left, y: -half },
  ];
}

/**
 * How far from the drive axle the string comes up through the deck, m, with the lever at rest, when it lies lowest; 0 without a lever.
 * Source: similar triangles from the axle to the lever's tip.
 */
function stringReach(design: CarDesign): number {
  const { motor, body } = design;
  if (motor.kind !== 'lever') return 0;
  const { thickness } = bodyPartOf(design);
  const { x: along, y: up } = leverTip(motor, 0, motor.releaseAngle);
  return up > 0 ? (Math.max(body.axleGap + thickness, 0) * along) / up : 0;
}

/** The opening in a deck for a single wheel in the middle, from above, and whether it is open at the deck’s end. */
export interface WheelSlot {
  readonly corners: readonly Corner[];
  readonly isOpen: boolean;
}

/** The opening for a single wheel; none where the wheel passes below the deck, or the deck is too narrow for it. */
export function wheelSlot(design: CarDesign): WheelSlot | null {
  const { layout, otherWheels, wheelbase, body } = design;
  if (layout.otherWheelCount !== 1 || !otherWheels || bodyPartOf(design).isTube) return null;
  const radius = otherWheels.diameter / 2;
  const above = deckHeights(design, wheelbase).under - radius;
  if (above >= radius) return null;
  const reach = Math.sqrt(Math.max(radius ** 2 - above ** 2, 0)) + ROUND_WHEEL;
  // Its hub turns in the slot too where the deck is lower than that.
  const hub = above < HUB.diameter / 2 + ROUND_WHEEL / 2 ? HUB.length : 0;
  const half = (otherWheelOf(design).thickness + ROUND_WHEEL) / 2 + hub;
  // Where the deck ends before the wheel does, the slot is open in front.
  const deckEnd = wheelbase + body.overhang / 2;
  const end = Math.min(wheelbase + reach, deckEnd);
  if (half >= bodyWidthAt(design, end) / 2) return null;
  return { corners: rectangle(wheelbase - reach, end, -half, half), isOpen: end === deckEnd };
}

/** The cut in a deck over the drive axle: how far it reaches along the car, and to either side; none where the deck is whole there. */
export function driveNotch(design: CarDesign): { readonly reach: number; readonly half: number } | null {
  const { body, motor, axleDiameter } = design;
  if (!body.notched || !isWoundOnAxle(motor)) return null;
  const half = motor.windingWidth / 2 + CLEARANCE;
  if (half >= bodyCorners(design)[0].y) return null;
  return { half, reach: Math.max(axleDiameter / 2 + 2 * CLEARANCE, stringReach(design) + CLEARANCE) };
}

/**
 * Outline of a sheet deck from above with all that is cut out from its edge: at the drive axle where it is notched, and a slot for a single wheel
 * that is open at its end; corners in order, m; none of a tube, of sticks or a roller.
 */
export function deckOutline(design: CarDesign): readonly Corner[] {
  if (isRoller(design) || bodyPartOf(design).isTube || design.body.kind === 'craft-sticks') return [];
  const [a, b, c, d] = bodyCorners(design);
  const slot = wheelSlot(design);
  const notch = driveNotch(design);
  // From the left rear on: along the left edge, the far end, the right edge, the near end.
  const far: readonly Corner[] = slot?.isOpen ? openEnd(slot.corners) : [];
  const near: readonly Corner[] = notch
    ? [
        { x: a.x, y: -notch.half },
        { x: notch.reach, y: -notch.half },
        { x: notch.reach, y: notch.half },
        { x: a.x, y: notch.half },
      ]
    : [];
  return [a, b, ...far, c, d, ...near];
}

/** The corners of a slot from its open end in and out again. */
const openEnd = ([inRight, outRight, outLeft, inLeft]: readonly Corner[]): readonly Corner[] => [outLeft!, inLeft!, inRight!, outRight!];

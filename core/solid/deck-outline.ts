import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyPartOf, otherWheelOf } from '../car/fitted.ts';
import { bodyReach } from '../car/body-reach.ts';
import { bodyWidthAt } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import { HUB } from './bearing-sizes.ts';
import { axleLine, deckHeights } from './deck-heights.ts';
import { leverTip } from './pull-places.ts';
import { rectangle, type Corner } from './shape.ts';

/** m cut out of a deck to either side of the turns wound, and beyond the axle. Common practice. */
export const CLEARANCE = 0.004;
/** m kept free round a wheel that runs through the deck. Common practice. */
const ROUND_WHEEL = 0.004;
/** m of a deck that are left between two openings. Common practice. */
const LEFT_STANDING = 0.01;

/** Whether a body is glued of sticks or beams, two along it and three across. */
export const isFrame = ({ body }: CarDesign): boolean => body.kind === 'craft-sticks' || body.kind === 'two-beams';

/** Corners of a body from above in order, uncut: a rectangle, or narrower toward the other axle; m. */
export function bodyCorners(design: CarDesign): readonly [Corner, Corner, Corner, Corner] {
  const { left, right } = bodyReach(design);
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
export function stringReach(design: CarDesign): number {
  const { motor } = design;
  if (motor.kind !== 'lever') return 0;
  const { x: along, y: up } = leverTip(motor, 0, motor.releaseAngle);
  return up > 0 ? (Math.max(deckHeights(design, 0).top - axleLine(design).at(0), 0) * along) / up : 0;
}

/** The opening in a deck for a single wheel in the middle, from above, and whether it is open at the deck’s end. */
export interface WheelSlot {
  readonly corners: readonly Corner[];
  readonly isOpen: boolean;
}

/** The opening for a single wheel; none where the wheel passes below the deck, or the deck is too narrow for it. */
export function wheelSlot(design: CarDesign): WheelSlot | null {
  const { layout, otherWheels, wheelbase } = design;
  if (layout.otherWheelCount !== 1 || !otherWheels || bodyPartOf(design).isTube) return null;
  const radius = otherWheels.diameter / 2;
  const above = deckHeights(design, wheelbase).under - radius;
  if (above >= radius) return null;
  const reach = Math.sqrt(Math.max(radius ** 2 - above ** 2, 0)) + ROUND_WHEEL;
  // Its hub turns in the slot too where the deck is lower than that.
  const hub = above < HUB.diameter / 2 + ROUND_WHEEL / 2 ? HUB.length : 0;
  const half = (otherWheelOf(design).thickness + ROUND_WHEEL) / 2 + hub;
  // Where the deck ends before the wheel does, the slot is open in front.
  const { left, right: deckEnd } = bodyReach(design);
  const end = Math.min(wheelbase + reach, deckEnd);
  // A wheel as long as the body leaves nothing of it.
  if (half >= bodyWidthAt(design, end) / 2 || wheelbase - reach <= left || wheelbase - reach >= end) return null;
  return { corners: rectangle(wheelbase - reach, end, -half, half), isOpen: end === deckEnd };
}

/** The cut in a deck over the drive axle: how far it reaches along the car, and to either side; none where the deck is whole there. */
export function driveNotch(design: CarDesign): { readonly reach: number; readonly half: number } | null {
  const { body, motor, axleDiameter } = design;
  if (!body.notched || !isWoundOnAxle(motor)) return null;
  const half = motor.windingWidth / 2 + CLEARANCE;
  if (half >= bodyCorners(design)[0].y) return null;
  const reach = Math.max(axleDiameter / 2 + 2 * CLEARANCE, stringReach(design) + CLEARANCE);
  // One that is as long as the body, or runs into the wheel’s slot, would part it.
  const slot = wheelSlot(design);
  const end = slot ? slot.corners[0]!.x : bodyReach(design).right;
  return reach < end - LEFT_STANDING ? { half, reach } : null;
}

/**
 * Outline of a sheet deck from above with all that is cut out from its edge: at the drive axle where it is notched, and a slot for a single wheel
 * that is open at its end; corners in order, m; none of a tube, of sticks or a roller.
 */
export function deckOutline(design: CarDesign): readonly Corner[] {
  if (isRoller(design) || bodyPartOf(design).isTube || isFrame(design)) return [];
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

import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyWidthAt } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import { leverTip } from './pull-places.ts';
import type { Corner } from './shape.ts';

/** m cut out of a deck to either side of the turns wound, and beyond the axle. Common practice. */
const CLEARANCE = 0.004;

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

/** Outline of a sheet deck from above, cut out at the drive axle where it is notched: corners in order, m; none of a tube, of sticks or a roller. */
export function deckOutline(design: CarDesign): readonly Corner[] {
  const { body, motor, axleDiameter } = design;
  if (isRoller(design) || bodyPartOf(design).isTube || body.kind === 'craft-sticks') return [];
  const corners = bodyCorners(design);
  const { x: left, y: half } = corners[0];
  const notch = isWoundOnAxle(motor) ? motor.windingWidth / 2 + CLEARANCE : 0;
  const reach = Math.max(axleDiameter / 2 + 2 * CLEARANCE, stringReach(design) + CLEARANCE);
  const isNotched = body.notched && notch > 0 && notch < half;
  return [
    ...corners,
    ...(isNotched
      ? [
          { x: left, y: -notch },
          { x: reach, y: -notch },
          { x: reach, y: notch },
          { x: left, y: notch },
        ]
      : []),
  ];
}

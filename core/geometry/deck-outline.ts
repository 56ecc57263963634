import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyWidthAt } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Point } from './point.ts';

/** m cut out of a deck to either side of the turns wound, and beyond the axle. Common practice. */
const CLEARANCE = 0.004;

/** Corners of a body from above in order, uncut: a rectangle, or narrower toward the other axle; m. */
export function bodyCorners(design: CarDesign): readonly [Point, Point, Point, Point] {
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

/** Outline of a sheet deck from above, cut out at the drive axle where it is notched: corners in order, m; none of a tube, of sticks or a roller. */
export function deckOutline(design: CarDesign): readonly Point[] {
  const { body, motor, axleDiameter } = design;
  if (isRoller(design) || bodyPartOf(design).isTube || body.kind === 'craft-sticks') return [];
  const corners = bodyCorners(design);
  const { x: left, y: half } = corners[0];
  const notch = isWoundOnAxle(motor) ? motor.windingWidth / 2 + CLEARANCE : 0;
  const reach = axleDiameter / 2 + 2 * CLEARANCE;
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

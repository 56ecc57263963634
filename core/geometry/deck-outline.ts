import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyWidth } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Point } from './point.ts';

/** m cut out of a deck to either side of the turns wound, and beyond the axle. Common practice. */
const CLEARANCE = 0.004;

/** Outline of a sheet deck from above, cut out at the drive axle where it is notched: corners in order, m; none of a tube, of sticks or a roller. */
export function deckOutline(design: CarDesign): readonly Point[] {
  const { body, wheelbase, motor, axleDiameter } = design;
  if (isRoller(design) || bodyPartOf(design).isTube || body.kind === 'craft-sticks') return [];
  const [left, right] = [-body.overhang / 2, wheelbase + body.overhang / 2];
  const half = bodyWidth(design) / 2;
  const notch = isWoundOnAxle(motor) ? motor.windingWidth / 2 + CLEARANCE : 0;
  const reach = axleDiameter / 2 + 2 * CLEARANCE;
  const isNotched = body.notched && notch > 0 && notch < half;
  return [
    { x: left, y: half },
    { x: right, y: half },
    { x: right, y: -half },
    { x: left, y: -half },
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

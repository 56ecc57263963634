import { sideView } from '../geometry/side-view.ts';
import { longerLever, shorterLever } from './motor-remedies.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

const LEAST = 0.005;

/**
 * The least gap along the run of the lever's tip, m: over the floor, and, where one wheel alone is in the middle, to that wheel. Between cocked and let
 * go the tip is highest upright, so that over the floor the ends tell. Source: geometry.
 */
export function leverPath({ design }: Situation): Check | null {
  const { motor, otherWheels, layout } = design;
  if (motor.kind !== 'lever' || !otherWheels) return null;
  const { motor: view, otherWheel } = sideView(design);
  if (view.kind !== 'lever' || !otherWheel) return null;
  const floor = Math.min(view.tipCocked.y, view.tipAtRest.y);
  // The nearest the lever's line comes to the wheel is at rest, when it lies toward it.
  const { pivot, tipAtRest: tip } = view;
  const along = ((otherWheel.x - pivot.x) * (tip.x - pivot.x) + (otherWheel.y - pivot.y) * (tip.y - pivot.y)) / motor.leverLength ** 2;
  const fraction = Math.min(Math.max(along, 0), 1);
  const wheel =
    Math.hypot(otherWheel.x - pivot.x - fraction * (tip.x - pivot.x), otherWheel.y - pivot.y - fraction * (tip.y - pivot.y)) -
    otherWheel.radius;
  const hitsWheel = layout.otherWheelCount === 1 && wheel < floor;
  const gap = hitsWheel ? wheel : floor;
  const releaseAngle = Math.min(motor.releaseAngle + 0.35, motor.cockedAngle - 0.1);
  return clearance(
    {
      id: 'lever-path',
      title: 'path of the lever',
      gap,
      least: LEAST,
      sentence: (format) =>
        gap > 0
          ? `The lever clears ${hitsWheel ? 'the wheel' : 'the floor'} by ${format(gap, 'size')}.`
          : `The lever hits ${hitsWheel ? 'the wheel in front of it' : 'the floor'}.`,
    },
    (format) => [
      ...shorterLever(design, format),
      ...(hitsWheel ? longerLever(design, format) : []),
      remedyOf('lever', 'stop-lever', 'A stop that ends the pull 20° earlier', { ...design, motor: { ...motor, releaseAngle } }),
    ],
  );
}

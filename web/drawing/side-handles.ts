import type { CarDesign } from '../../core/car/car-design.ts';
import { bodyPartOf } from '../../core/car/fitted.ts';
import { sizesOf } from '../../core/car/sizes.ts';
import type { SideView } from '../../core/geometry/side-view.ts';
import { TUBE_BELOW } from '../../core/solid/deck-heights.ts';
import type { Circle } from '../../core/geometry/point.ts';
import type { HandleSpec } from './drawing-handles.tsx';
import { ALONG, handle, MILLIMETRE } from './handle.ts';
import { drawingOf } from './motors/motors.ts';

const UP = { x: 0, y: 1 };

/** The rim of a wheel at 45°, upward and out; `side` −1 to the left. */
const rimOf = ({ x, y, radius }: Circle, side: 1 | -1): HandleSpec['place'] => ({
  x: x + side * Math.SQRT1_2 * radius,
  y: y + Math.SQRT1_2 * radius,
});
/** A wheel stands on the floor: its centre rises as it grows, so that this point moves 1 + √½ … of the radius outward. */
const RIM_GAIN = 2 / (1 + Math.SQRT1_2);

/** Fraction of the way to the other axle at which a body's height is grabbed: clear of axles and trap. */
const BODY_GRIP = 0.62;

/** The end of a body, and how high its deck stands or how thick a tube is. */
function bodyHandles(design: CarDesign, { deck }: SideView): HandleSpec[] {
  const x = BODY_GRIP * design.wheelbase;
  const right = Math.max(...deck.map((corner) => corner.x));
  const atEnd = deck.filter((corner) => right - corner.x < MILLIMETRE).map(({ y }) => y);
  // Ends that are alike move together.
  const end = handle('pastOtherAxle', 'end of the body', { x: right, y: Math.max(...atEnd) }, ALONG);
  if (bodyPartOf(design).isTube)
    return [end, handle('bodyWidth', 'thickness of the body', { x, y: Math.max(...deck.map(({ y }) => y)) }, UP, 1 / (1 - TUBE_BELOW))];
  // Its corners are in turn, the upper ones last.
  const [, , fore, aft] = deck;
  // A deck of no length has no slope.
  const slope = (fore!.y - aft!.y) / (fore!.x - aft!.x || 1);
  return [end, handle('axleGap', 'height of the deck', { x, y: aft!.y + slope * (x - aft!.x) }, UP)];
}

/** What a builder would grab on the side view. */
export function sideHandles(design: CarDesign, view: SideView): HandleSpec[] {
  const { driveWheel, otherWheel, otherAxle, motor } = view;
  const specs = [
    handle('driveWheels', 'drive wheels', rimOf(driveWheel, -1), { x: -Math.SQRT1_2, y: Math.SQRT1_2 }, RIM_GAIN),
    // The axle is thin: its handle stands off it and moves finely.
    handle('axleDiameter', 'axle', { x: 0.45 * driveWheel.radius, y: driveWheel.y - 0.9 * driveWheel.radius }, UP, 0.1, MILLIMETRE / 10),
  ];
  if (otherWheel && otherAxle) {
    specs.push(handle('wheelbase', 'wheelbase', otherAxle, ALONG));
    specs.push(handle('otherWheels', 'other wheels', rimOf(otherWheel, 1), { x: Math.SQRT1_2, y: Math.SQRT1_2 }, RIM_GAIN));
  }
  if (view.deck.length > 0) specs.push(...bodyHandles(design, view));
  if (design.sleeve.length > 0)
    specs.push(handle('sleeve', 'tape sleeve', { x: 0, y: driveWheel.y + 0.45 * driveWheel.radius }, UP, 0.1, MILLIMETRE / 10));
  for (const [sizeId, label, block] of [
    ['ballastPlace', 'ballast', view.ballast],
    ['loadPlace', 'load', view.load],
  ] as const) {
    if (block.length === 0) continue;
    const [low, , high] = block;
    specs.push(handle(sizeId, label, { x: (low!.x + high!.x) / 2, y: high!.y }, ALONG));
  }
  specs.push(...drawingOf(motor).handles(motor));
  // A roller's axle and ballast are inside it.
  const sizes = sizesOf(design.motor.kind);
  return specs.filter(({ sizeId }) => sizes.some(({ id }) => id === sizeId));
}

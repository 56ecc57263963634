import type { CarDesign } from '../../../core/design/car-design.ts';
import type { SideView } from '../../../core/drawing/side-view.ts';
import type { HandleSpec } from './drawing-handles.tsx';

const MILLIMETRE = 1e-3;
const ALONG = { x: 1, y: 0 };
const UP = { x: 0, y: 1 };

/** What a builder would grab on the side view. */
export function sideHandles(design: CarDesign, view: SideView): HandleSpec[] {
  const { driveWheel, otherWheel, otherAxle, motor } = view;
  const handle = (
    sizeId: string,
    label: string,
    place: HandleSpec['place'],
    direction: HandleSpec['direction'],
    gain = 1,
    step = MILLIMETRE,
  ): HandleSpec => ({ sizeId, label, place, direction, gain, step });
  const specs = [
    handle('driveWheels', 'drive wheels', { x: driveWheel.x - driveWheel.radius, y: driveWheel.y }, ALONG, -2),
    // The axle is thin: its handle stands off it and moves finely.
    handle('axleDiameter', 'axle', { x: -0.42 * driveWheel.radius, y: driveWheel.y - 0.55 * driveWheel.radius }, UP, 0.1, MILLIMETRE / 10),
  ];
  if (otherWheel && otherAxle) {
    specs.push(handle('wheelbase', 'wheelbase', otherAxle, ALONG));
    specs.push(handle('otherWheels', 'other wheels', { x: otherWheel.x + otherWheel.radius, y: otherWheel.y }, ALONG, 2));
  }
  if (design.sleeve.length > 0)
    specs.push(handle('sleeve', 'tape sleeve', { x: 0, y: driveWheel.y + 0.45 * driveWheel.radius }, UP, 0.1, MILLIMETRE / 10));
  if (view.ballast.length > 0) {
    const [low, , high] = view.ballast;
    specs.push(handle('ballastPlace', 'ballast', { x: (low!.x + high!.x) / 2, y: high!.y }, ALONG));
  }
  switch (motor.kind) {
    case 'lever': {
      const { pivot, tipCocked } = motor;
      const length = Math.hypot(tipCocked.x - pivot.x, tipCocked.y - pivot.y) || 1;
      specs.push(handle('trapPosition', 'trap', pivot, ALONG));
      specs.push(handle('leverLength', 'lever', tipCocked, { x: (tipCocked.x - pivot.x) / length, y: (tipCocked.y - pivot.y) / length }));
      break;
    }
    case 'band':
      specs.push(handle('anchorToAxle', 'anchor hook', motor.anchor, ALONG));
      break;
    case 'twist':
      specs.push(handle('armLength', 'arm', motor.armTip, ALONG, -1));
      break;
  }
  return specs;
}

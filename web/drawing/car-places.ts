import type { Point } from '../../core/geometry/point.ts';
import type { SideView } from '../../core/geometry/side-view.ts';
import type { CarPlace } from '../../core/geometry/car-place.ts';

/** Where the motor is held and pulls: the middle of what is stretched or turned. */
function motorPoint({ motor, axle, driveWheel }: SideView): Point {
  if (motor.kind === 'lever') return motor.pivot;
  if (motor.kind === 'twist') return { x: axle.x, y: axle.y + driveWheel.radius / 2 };
  return { x: (motor.anchor.x + axle.x) / 2, y: (motor.anchor.y + axle.y) / 2 };
}

/** Where on the drawing of a car a place is: of a cause, or of what limits it, m. */
export function placeOnCar(place: CarPlace, view: SideView): Point {
  const { driveWheel, axle, otherAxle, deck, bounds } = view;
  switch (place) {
    case 'axles':
      return otherAxle ?? axle;
    case 'motor':
      return motorPoint(view);
    case 'tyre':
      return { x: driveWheel.x, y: 0 };
    case 'winding':
      return axle;
    case 'release':
      return { x: axle.x, y: axle.y + axle.radius };
    case 'hub':
      return { x: driveWheel.x, y: driveWheel.y };
    case 'floor':
      return { x: bounds.right + 0.02, y: 0 };
    case 'body': {
      const [x, y] = [deck.map((corner) => corner.x), deck.map((corner) => corner.y)];
      return deck.length > 0 ? { x: (Math.min(...x) + Math.max(...x)) / 2, y: Math.max(...y) } : { x: bounds.left, y: axle.y };
    }
  }
}

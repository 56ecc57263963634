import type { CarDesign } from '../car/car-design.ts';
import { CARE } from '../car/catalogue.ts';

/**
 * The path over the floor. Curvature of a car on solid axles, 1/m, to the right positive:
 *   κ = (toe_rear − toe_front)/wheelbase + 2(R_left − R_right)/(track (R_left + R_right)),
 * toe in rad, positive where wheels point to the left. Source: geometry of the circle.
 */
export function curvatureOf(design: CarDesign): number {
  const { alignment, layout, wheelbase, trackWidth, driveWheels, otherWheels } = design;
  const { driveToe, otherToe, wheelMismatch } = alignment;
  const isRear = layout.driveAxle === 'rear';
  const toe = otherWheels ? (isRear ? driveToe - otherToe : otherToe - driveToe) / wheelbase : 0;
  // The diameter is the two radii together.
  return toe + (2 * wheelMismatch) / (trackWidth * driveWheels.diameter);
}

/** How far to the right of straight ahead a car of this curvature is after `way` metres, m: (1 − cos κs)/κ. */
export const driftAfter = (curvature: number, way: number): number =>
  // Half-angle form: no digits are lost on an all but straight path.
  Math.abs(curvature * way) < 1e-12 ? (curvature * way * way) / 2 : (2 * Math.sin((curvature * way) / 2) ** 2) / curvature;

/** Points of the path over the floor, m: x ahead, y to the right. */
export const floorPath = (curvature: number, way: number, points: number): { readonly x: number; readonly y: number }[] =>
  Array.from({ length: points + 1 }, (_, i) => {
    const s = (way * i) / points;
    return { x: Math.abs(curvature) < 1e-12 ? s : Math.sin(curvature * s) / curvature, y: driftAfter(curvature, s) };
  });

/** The curvature, 1/m, that brings a car `drift` metres to the right after `way` metres: the inverse of `driftAfter`, by bisection. */
export function curvatureFromDrift(drift: number, way: number): number {
  // The drift grows with the curvature up to about 0.72 of the way.
  let low = 0;
  let high = 2.33 / way;
  const wanted = Math.min(Math.abs(drift), driftAfter(high, way));
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (driftAfter(middle, way) < wanted) low = middle;
    else high = middle;
  }
  return Math.sign(drift) * ((low + high) / 2);
}

/** One way to steer a drifting car straight. */
export interface AxleMove {
  readonly axle: 'drive' | 'other';
  readonly end: 'left' | 'right';
  readonly direction: 'forward' | 'back';
  /** m that the end of the axle is to be moved. */
  readonly distance: number;
}

/**
 * How to move one end of either axle so that a car seen to drift (m to the right, after `way` metres) runs straight.
 * An axle turned by κ · wheelbase takes the curve out; its end moves by that angle times the track width.
 */
export function straighteningMoves(design: CarDesign, drift: number, way: number): readonly AxleMove[] {
  const curvature = curvatureFromDrift(drift, way);
  const distance = Math.abs(curvature) * design.wheelbase * design.trackWidth;
  const toTheRight = curvature > 0;
  const rear: Omit<AxleMove, 'axle'> = { end: 'right', direction: toTheRight ? 'back' : 'forward', distance };
  const front: Omit<AxleMove, 'axle'> = { end: 'right', direction: toTheRight ? 'forward' : 'back', distance };
  const isRear = design.layout.driveAxle === 'rear';
  return [
    { axle: 'other', ...(isRear ? front : rear) },
    { axle: 'drive', ...(isRear ? rear : front) },
  ];
}

/** Standard deviation of the curvature that a build of this care is likely to have though it was meant straight, 1/m: a sixth of how far its wheels are out of square, on each axle. Our estimate. */
export const likelyCurvature = (design: CarDesign): number =>
  design.otherWheels ? (Math.SQRT2 * (CARE[design.care].angle / 6)) / design.wheelbase : 0;

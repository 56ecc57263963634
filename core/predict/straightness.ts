import { bisect } from '../numerics/bisect.ts';
import type { CarDesign } from '../car/car-design.ts';
import { CARE } from '../car/catalogue.ts';
import { bearingsApart } from '../car/fitted.ts';
import { standingWeight } from '../car/weights.ts';

/**
 * Curvature of the path of a car on solid axles: κ = (toe_rear − toe_front)/wheelbase + the curvature due to unequal wheels. Toe is in rad,
 * positive where wheels point to the left.
 * @returns 1/m, positive to the right
 * Source: geometry of the circle.
 * @example a wheelbase of 0.25 m and a rear toe of 0.01 rad give 0.04 1/m
 */
export function curvatureOf(design: CarDesign): number {
  const { alignment, layout, wheelbase, otherWheels } = design;
  const { driveToe, otherToe } = alignment;
  const isRear = layout.driveAxle === 'rear';
  const toe = otherWheels ? (isRear ? driveToe - otherToe : otherToe - driveToe) / wheelbase : 0;
  return toe + mismatchCurvature(design);
}

/**
 * Unequal wheels on one axle want to roll as a cone, κ₀ = 2(R_l − R_r)/(track (R_l + R_r)), but the other axle holds against
 * it: κ = κ₀ N_d t² / (W t² + 4 N_o N_d L²/W), t the track width, L the wheelbase, N_d and N_o the loads of the axles, W both.
 * One wheel in place of the other axle holds less: N_d t² represents W t². 1/m. Source: linear creep, as stiff along as across,
 * from the balance of yaw C N_d t (κ₀t − κt)/4 = C N_o t² κ/4 + C N_o (N_d/W) L² κ; our derivation.
 */
function mismatchCurvature(design: CarDesign): number {
  const { alignment, layout, wheelbase, trackWidth, driveWheels, otherWheels } = design;
  if (alignment.wheelMismatch === 0) return 0;
  // The diameter is the two radii together.
  const cone = (2 * alignment.wheelMismatch) / (trackWidth * driveWheels.diameter);
  if (!otherWheels) return cone;
  const fraction = standingWeight(design).driveLoadShare;
  const width = trackWidth ** 2;
  const held = (layout.otherWheelCount === 1 ? fraction : 1) * width + 4 * fraction * (1 - fraction) * wheelbase ** 2;
  return fraction === 0 ? 0 : (cone * fraction * width) / held;
}

/**
 * Distance from the straight line after a distance along a circular path: (1 − cos κs)/κ.
 * @param curvature 1/m, positive to the right
 * @param distance m along the path
 * @returns m, positive to the right
 * @example driftAfter(0.02, 10) // 0.9967, nearly κs²/2 = 1
 */
export const driftAfter = (curvature: number, distance: number): number =>
  // Half-angle form: no digits are lost on an all but straight path.
  Math.abs(curvature * distance) < 1e-12
    ? (curvature * distance * distance) / 2
    : (2 * Math.sin((curvature * distance) / 2) ** 2) / curvature;

/**
 * Largest distance from the straight line anywhere along the path: the diameter of the circle once the car has turned about.
 * @returns m, positive to the right
 * @example worstDrift(1, 4) // 2
 */
export const worstDrift = (curvature: number, distance: number): number =>
  Math.abs(curvature) * distance > Math.PI ? 2 / curvature : driftAfter(curvature, distance);

/**
 * Points of the path over the floor.
 * @param points number of intervals of equal length
 * @returns points + 1 places, m: x ahead, y to the right
 */
export const floorPath = (curvature: number, distance: number, points: number): { readonly x: number; readonly y: number }[] =>
  Array.from({ length: points + 1 }, (_, i) => {
    const s = (distance * i) / points;
    return { x: Math.abs(curvature) < 1e-12 ? s : Math.sin(curvature * s) / curvature, y: driftAfter(curvature, s) };
  });

/**
 * Curvature of the path that leads to a drift: the inverse of `driftAfter`, by bisection. A drift that no circle reaches gives the curvature
 * with the largest drift.
 * @param drift m, positive to the right
 * @param distance m along the path
 * @returns 1/m, positive to the right
 * @example curvatureFromDrift(0.9967, 10) // 0.0200
 */
export function curvatureFromDrift(drift: number, distance: number): number {
  // The drift grows with the curvature up to about 0.72 of the distance.
  const most = 2.33 / distance;
  const wanted = Math.min(Math.abs(drift), driftAfter(most, distance));
  const { low, high } = bisect((curvature) => driftAfter(curvature, distance) < wanted, 0, most, 60);
  return Math.sign(drift) * ((low + high) / 2);
}

/** One way to steer a drifting car straight. */
export interface AxleMove {
  readonly axle: 'drive' | 'other';
  readonly end: 'left' | 'right';
  readonly direction: 'forward' | 'back';
  /** m that the bearing at that end is to be moved. */
  readonly distance: number;
}

/**
 * How to move one end of either axle so that a drifting car runs straight. An axle turned by κ · wheelbase takes the curve out: the bearing
 * at its end moves by that angle times the distance between the bearings.
 * @param drift m to the right, measured after `distance` metres
 * @returns one move for each axle; either is enough
 */
export function straighteningMoves(design: CarDesign, drift: number, distance: number): readonly AxleMove[] {
  const curvature = curvatureFromDrift(drift, distance);
  const shift = Math.abs(curvature) * design.wheelbase * bearingsApart(design);
  const toTheRight = curvature > 0;
  const rear: Omit<AxleMove, 'axle'> = { end: 'right', direction: toTheRight ? 'back' : 'forward', distance: shift };
  const front: Omit<AxleMove, 'axle'> = { end: 'right', direction: toTheRight ? 'forward' : 'back', distance: shift };
  const isRear = design.layout.driveAxle === 'rear';
  return [
    { axle: 'other', ...(isRear ? front : rear) },
    { axle: 'drive', ...(isRear ? rear : front) },
  ];
}

/** Standard deviation of the curvature of a car that was built to run straight, 1/m; 0 for a roller. Our estimate, by care. */
export const likelyCurvature = (design: CarDesign): number => (design.otherWheels ? CARE[design.care].curvature : 0);

import type { Wheelset } from '../run/run-setup.ts';
import type { CarDesign } from './car-design.ts';
import { AXLE_ENDS, WHEELS } from './catalogue.ts';
import { axleOf } from './fitted.ts';
import { isRoller } from './motors/motors.ts';

/** kg of glue and hub on each wheel, and the radius about which it sits, m. Estimates. */
const HUB_MASS = 0.002;
const HUB_RADIUS = 0.008;

/**
 * `count` wheels and their axle: I = k m R² for the wheels (½ for a disc), with hubs and axle. Source: any mechanics
 * handbook. kg, kg·m². A roller is one body without an axle or hubs.
 */
export function wheelsetOf(design: CarDesign, which: 'drive' | 'other', areaDensity: number): Wheelset | null {
  const wheels = which === 'drive' ? design.driveWheels : design.otherWheels;
  if (!wheels) return null;
  const isOneBody = isRoller(design);
  const count = which === 'drive' ? 2 : design.layout.otherWheelCount;
  const radius = wheels.diameter / 2;
  const axleRadius = design.axleDiameter / 2;
  const disc = areaDensity * Math.PI * radius * radius;
  const { density, solidity } = axleOf(design);
  const axle = isOneBody ? 0 : density * solidity * Math.PI * axleRadius * axleRadius * (design.trackWidth + AXLE_ENDS);
  const hub = isOneBody ? 0 : HUB_MASS;
  return {
    radius,
    mass: count * (disc + hub) + axle,
    inertia: count * (WHEELS[wheels.kind].roundness * disc * radius * radius + 0.5 * hub * HUB_RADIUS ** 2) + 0.5 * axle * axleRadius ** 2,
    journalRadius: axleRadius,
  };
}

/** Share of the whole weight on the drive wheels, ballast included: below 0 or above 1 the car tips over. Moments about the other wheels. */
export function weightShare({ mass, ballast, driveLoadShare, wheelbase }: CarDesign): number {
  const moment = mass * driveLoadShare + ballast.mass * (1 - ballast.fromDriveAxle / wheelbase);
  return moment / (mass + ballast.mass);
}

/** What stands on the floor: the whole weight, kg, and the share on the drive wheels, 0 to 1. */
export function standingWeight(design: CarDesign): { readonly mass: number; readonly driveLoadShare: number } {
  const mass = design.mass + design.ballast.mass;
  return { mass, driveLoadShare: design.otherWheels ? Math.min(Math.max(weightShare(design), 0), 1) : 1 };
}

import { withTurns as withCountedTurns } from '../car/motors/rubber-motors.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import type { CarDesign } from '../car/car-design.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { fitCatalogue } from '../car/parts.ts';
import { valueOf } from '../car/values.ts';

/** By how much most changes are: large enough to be seen, small enough to be built. */
export const ONE_THIRD_MORE = 4 / 3;
/** Another lever, its trap moved with it: cocked, its tip stands where it stood over the axle. */
export const withLever = (design: CarDesign, by: number): CarDesign | null => {
  if (design.motor.kind !== 'lever') return null;
  const { leverLength, trapPosition, cockedAngle } = design.motor;
  const longer = -Math.cos(cockedAngle) * (by - 1) * leverLength;
  return {
    ...design,
    wheelbase: design.wheelbase + longer,
    motor: { ...design.motor, leverLength: by * leverLength, trapPosition: trapPosition + longer },
  };
};
/** Drive wheels this many times as large. */
export const withDrive = (design: CarDesign, by: number): CarDesign => ({
  ...design,
  driveWheels: { ...design.driveWheels, diameter: design.driveWheels.diameter * by },
});
/** So much more ballast, kg; `at`: m from the drive axle. */
export const withBallast = (design: CarDesign, more: number, at = design.ballast.fromDriveAxle): CarDesign => ({
  ...design,
  ballast: { mass: Math.max(0, design.ballast.mass + more), fromDriveAxle: at },
});
/** Another tyre; null where it has that or none. */
export const withTyre = (design: CarDesign, tyre: CarDesign['tyre']): CarDesign | null =>
  isRoller(design) || design.tyre === tyre ? null : fitCatalogue(design, 'tyre', tyre);
/** Another floor all along; null where it is that. */
export const withFloor = (design: CarDesign, kind: CarDesign['floor']['kind']): CarDesign | null =>
  design.floor.kind === kind ? null : { ...design, floor: { ...design.floor, kind, stretches: [], edges: [] } };
/** A floor that rises by so much more, as a fraction. */
export const withSlope = (design: CarDesign, by: number): CarDesign => ({
  ...design,
  floor: { ...design.floor, slope: design.floor.slope + by },
});
/** So many times the turns, to the half; null for a lever, whose string sets them. */
export const withTurns = (design: CarDesign, by: number): CarDesign | null =>
  hasBands(design.motor)
    ? { ...design, motor: withCountedTurns(design.motor, Math.max(1, Math.round(2 * by * fullTurns(design)) / 2)) }
    : null;
/** More bands side by side, and end to end; null without bands. */
export const withBands = (design: CarDesign, parallel: number, series: number): CarDesign | null =>
  hasBands(design.motor)
    ? {
        ...design,
        motor: { ...design.motor, parallel: design.motor.parallel + parallel, series: Math.max(1, design.motor.series + series) },
      }
    : null;
/** A front that meets this many times the air. */
export const withAir = (design: CarDesign, by: number): CarDesign => ({
  ...design,
  measured: { ...design.measured, dragArea: { value: by * valueOf(design, 'dragArea').value, spread: 0.1 } },
});
/** The other axle so much more out of square, rad; null of a roller. */
export const withToe = (design: CarDesign, by: number): CarDesign | null =>
  isRoller(design) ? null : { ...design, alignment: { ...design.alignment, otherToe: design.alignment.otherToe + by } };
/** One drive wheel so much larger than the other, m; null of a roller. */
export const withMismatch = (design: CarDesign, by: number): CarDesign | null =>
  isRoller(design) ? null : { ...design, alignment: { ...design.alignment, wheelMismatch: design.alignment.wheelMismatch + by } };
/** Built with other care; null where it is that already, or of a roller. */
export const withCare = (design: CarDesign, care: CarDesign['care']): CarDesign | null =>
  design.care === care || isRoller(design) ? null : { ...design, care };
/** Half the friction in its bearings; null of a roller. */
export function bearingHalf(design: CarDesign): CarDesign | null {
  if (isRoller(design)) return null;
  const { value, spread } = valueOf(design, 'bearingFriction');
  return { ...design, measured: { ...design.measured, bearingFriction: { value: value / 2, spread } } };
}

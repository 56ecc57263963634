import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { valueOf } from '../car/values.ts';
import {
  bearingHalf,
  withAir,
  withBallast,
  withBands,
  withCare,
  withDrive,
  withFloor,
  withLever,
  withMismatch,
  withSlope,
  withToe,
  withTurns,
  withTyre,
} from './changed-car.ts';

const [lever, band, roller] = [newCar('x', 'lever'), newCar('x', 'band'), newCar('x', 'twist')];

describe('a change to a car', () => {
  it('of its lever moves trap and other axle so that the cocked tip stays over the drive axle', () => {
    const changed = withLever(lever, 1.5)!;
    if (changed.motor.kind !== 'lever' || lever.motor.kind !== 'lever') throw new Error('no lever');
    expect(changed.motor.leverLength).toBeCloseTo(1.5 * lever.motor.leverLength, 12);
    const tip = ({ motor }: typeof changed) =>
      motor.kind === 'lever' ? motor.trapPosition + motor.leverLength * Math.cos(motor.cockedAngle) : NaN;
    expect(tip(changed)).toBeCloseTo(tip(lever), 12);
    expect(changed.wheelbase - lever.wheelbase).toBeCloseTo(changed.motor.trapPosition - lever.motor.trapPosition, 12);
    expect(withLever(band, 2)).toBeNull();
  });
  it('is of one thing, by as much as it says', () => {
    expect(withDrive(lever, 0.75).driveWheels.diameter).toBeCloseTo(0.75 * lever.driveWheels.diameter, 12);
    expect(withBallast(lever, 0.05).ballast).toEqual({ ...lever.ballast, mass: lever.ballast.mass + 0.05 });
    expect(withBallast(lever, -9, 0.1).ballast).toEqual({ mass: 0, fromDriveAxle: 0.1 });
    expect(withSlope(lever, 0.005).floor.slope).toBeCloseTo(lever.floor.slope + 0.005, 12);
    expect(valueOf(withAir(lever, 2), 'dragArea').value).toBeCloseTo(2 * valueOf(lever, 'dragArea').value, 12);
    expect(withToe(lever, 0.02)!.alignment).toEqual({ ...lever.alignment, otherToe: lever.alignment.otherToe + 0.02 });
    expect(withMismatch(lever, 0.002)!.alignment.wheelMismatch).toBeCloseTo(lever.alignment.wheelMismatch + 0.002, 12);
    expect(valueOf(bearingHalf(lever)!, 'bearingFriction').value).toBeLessThan(valueOf(lever, 'bearingFriction').value);
    const known = { ...lever, measured: { bearingFriction: { value: 0.3, spread: 0.1 } } };
    expect(valueOf(bearingHalf(known)!, 'bearingFriction').value).toBeCloseTo(0.15, 12);
  });
  it('of turns and bands is to the half, and never to none', () => {
    expect(withTurns({ ...band, motor: { ...band.motor, turns: 10 } as typeof band.motor }, 1.26)!.motor).toMatchObject({ turns: 12.5 });
    expect(withTurns({ ...band, motor: { ...band.motor, turns: 1 } as typeof band.motor }, 0.1)!.motor).toMatchObject({ turns: 1 });
    expect(withBands({ ...band, motor: { ...band.motor, parallel: 2, series: 1 } as typeof band.motor }, 1, -3)!.motor).toMatchObject({
      parallel: 3,
      series: 1,
    });
    expect([withTurns(lever, 2), withBands(lever, 1, 0)]).toEqual([null, null]);
  });
  it('is none where the car has no such thing, or has it already', () => {
    expect([
      withTyre(roller, 'foam'),
      withToe(roller, 1),
      withMismatch(roller, 1),
      withCare(roller, 'careful'),
      bearingHalf(roller),
    ]).toEqual(Array(5).fill(null));
    expect([withTyre(lever, lever.tyre), withFloor(lever, lever.floor.kind), withCare(lever, lever.care)]).toEqual([null, null, null]);
    const other = lever.care === 'careful' ? 'rough' : 'careful';
    expect(withCare(lever, other)!.care).toBe(other);
    expect(withTyre(lever, 'sticky-tack')!.tyre).toBe('sticky-tack');
    const mat = withFloor(
      { ...lever, floor: { ...lever.floor, stretches: [{ from: 1, kind: 'short-carpet', slope: 0 }] } },
      'short-carpet',
    )!;
    expect([mat.floor.kind, mat.floor.stretches]).toEqual(['short-carpet', []]);
  });
});

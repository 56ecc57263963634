import { describe, expect, it } from 'vitest';
import { newCar, type CarDesign } from '../design/car-design.ts';
import { predictRun } from '../design/predict-run.ts';
import { measuresOf } from '../design/checks/limits.ts';
import { planView } from './plan-view.ts';
import { poseAt } from './pose.ts';
import { sideView } from './side-view.ts';

const resultOf = (design: CarDesign) => {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  return prediction.result;
};

describe('a car along its run', () => {
  const car = newCar('x');
  const result = resultOf(car);
  it('begins cocked at the line and ends at rest where the run ends', () => {
    const motor = car.motor.kind === 'lever' ? car.motor : null;
    expect(poseAt(car, result, 0)).toMatchObject({ distance: 0, driveAngle: 0 });
    expect(poseAt(car, result, 0).leverAngle).toBeCloseTo(motor!.cockedAngle, 6);
    const end = poseAt(car, result, result.time);
    expect(end.distance).toBeCloseTo(result.distance, 6);
    expect(end.leverAngle).toBeCloseTo(motor!.releaseAngle, 6);
    expect(end.phase).toBe('coasting');
  });
  it('turns its wheels by the way over their radius while they hold', () => {
    const pose = poseAt(car, result, result.time / 2);
    expect(pose.driveAngle).toBeCloseTo(pose.distance / 0.06, 1);
    expect(pose.otherAngle).toBeCloseTo(pose.distance / 0.06, 6);
  });
});

describe('views', () => {
  it('heads the other way with its drive axle in front', () => {
    const car = newCar('x', 'band');
    expect(sideView(car).heading).toBe(1);
    expect(sideView({ ...car, layout: { ...car.layout, driveAxle: 'front' } }).heading).toBe(-1);
  });
  it('stands on three wheels where the other axle has one, and shows an axle as far out of square as it is', () => {
    const car = newCar('x');
    expect(planView({ ...car, layout: { ...car.layout, otherWheelCount: 1 } }).otherWheels).toHaveLength(1);
    const [left, right] = planView({ ...car, alignment: { ...car.alignment, driveToe: 0.1 } }).axles[0]!;
    expect(Math.atan2(right.x - left.x, left.y - right.y)).toBeCloseTo(0.1, 9);
  });
  it('measures a car as the rules would: the lever upright, the axle ends out', () => {
    const { length, width, height, mass, bands } = measuresOf(newCar('x'));
    expect(length).toBeGreaterThan(0.26 + 0.12);
    expect(width).toBeCloseTo(0.11 + 0.0127, 6);
    expect(height).toBeCloseTo(0.06 + 0.012 + 0.18, 6);
    expect({ mass, bands }).toEqual({ mass: 0.15, bands: 0 });
  });
});

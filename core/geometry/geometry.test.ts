import { standingWeight } from '../car/weights.ts';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { measuresOf } from './measures.ts';
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
  it('turns wheels to the left of the way it runs, whichever axle drives: against the clock', () => {
    const car = newCar('x');
    for (const driveAxle of ['rear', 'front'] as const) {
      const turned = planView({ ...car, layout: { ...car.layout, driveAxle }, alignment: { ...car.alignment, driveToe: 0.1 } });
      expect(turned.driveWheels.map(({ turn }) => turn)).toEqual([0.1, 0.1]);
      // The end that lies to the left of the way it runs goes back.
      const heading = driveAxle === 'rear' ? 1 : -1;
      const [first, second] = turned.axles[0]!;
      const left = heading > 0 ? first : second;
      expect(heading * left.x).toBeLessThan(0);
    }
  });
  it('measures a car as the rules would: the lever upright, the axle ends out', () => {
    const { length, width, height, mass, bands } = measuresOf(newCar('x'));
    expect(length).toBeGreaterThan(0.26 + 0.12);
    expect(width).toBeCloseTo(0.11 + 0.0127, 6);
    expect(height).toBeCloseTo(0.06 + 0.012 + 0.18, 6);
    // The tyres of its drive wheels are bands.
    expect({ mass, bands }).toEqual({ mass: standingWeight(newCar('x')).mass, bands: 2 });
  });
});

describe('a side view', () => {
  const lever = newCar('x');
  it('has the lever where its angles and sizes put it (plane trigonometry)', () => {
    const { motor, axle } = sideView(lever);
    if (motor.kind !== 'lever' || lever.motor.kind !== 'lever') throw new Error('no lever');
    const { leverLength, trapPosition, pivotAboveAxle, cockedAngle } = lever.motor;
    expect(motor.pivot).toEqual({ x: trapPosition, y: axle.y + pivotAboveAxle });
    expect(motor.tipCocked.x).toBeCloseTo(trapPosition + leverLength * Math.cos(cockedAngle), 12);
    expect(motor.tipCocked.y).toBeCloseTo(axle.y + pivotAboveAxle + leverLength * Math.sin(cockedAngle), 12);
    // The string hangs at rest: the tip is a lever's length from the pivot, both ways.
    for (const tip of [motor.tipCocked, motor.tipAtRest])
      expect(Math.hypot(tip.x - motor.pivot.x, tip.y - motor.pivot.y)).toBeCloseTo(leverLength, 12);
  });
  it('stands on the floor, every sleeve about the axle, ballast where it was put', () => {
    const taped: CarDesign = {
      ...lever,
      sleeve: [
        { kind: 'tape', diameter: 0.006, turns: 2 },
        { kind: 'tape', diameter: 0.01, turns: 1 },
      ],
      ballast: { mass: 0.04, fromDriveAxle: 0.1 },
    };
    const view = sideView(taped);
    expect(view.driveWheel.y).toBe(view.driveWheel.radius);
    expect(view.otherWheel!.x).toBe(taped.wheelbase);
    expect(view.sleeves.map(({ radius }) => radius)).toEqual([0.003, 0.005]);
    const middle = view.ballast.reduce((sum, { x }) => sum + x / view.ballast.length, 0);
    expect(middle).toBeCloseTo(0.1, 2);
  });
  it('shows a band from its hook to the axle, and an arm on the floor behind a roller', () => {
    const band = newCar('x', 'band');
    const { motor } = sideView(band);
    if (motor.kind !== 'band' || band.motor.kind !== 'band') throw new Error('no band');
    expect(Math.hypot(motor.anchor.x, motor.anchor.y - 0.06)).toBeCloseTo(band.motor.anchorToAxle, 9);
    const roller = sideView(newCar('x', 'twist'));
    expect(roller.motor).toMatchObject({ kind: 'twist', armTip: { x: -0.07, y: 0 } });
    expect(roller.otherWheel).toBeNull();
  });
  it('measures what the rules measure: the lever stands upright once on its way', () => {
    const { height, length } = measuresOf(lever);
    expect(height).toBeCloseTo(0.06 + 0.012 + 0.18, 9);
    const { bounds } = sideView(lever);
    expect(length).toBeCloseTo(bounds.right - bounds.left, 12);
  });
});

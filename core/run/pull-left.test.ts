import { motorOf } from './run-setup.ts';
import { weighing } from '../car/reference/weighing.ts';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { pullLeft } from './pull-left.ts';
import { simulateValidated } from './simulate.ts';
import { workAtTyre } from './trace.ts';

/** Bands too weak at the end of their wind: the car stops with turns left. */
const weak: CarDesign = weighing({ ...newCar('x', 'band'), bearing: 'wood-card', sleeve: [] }, { mass: 0.4 });
const runOf = (design: CarDesign) => {
  const setup = deriveRunSetup(design);
  return { setup, result: simulateValidated(setup, { trace: true }) };
};

describe('what is left of the pull', () => {
  it('goes on where the car stopped, to the end of the motor', () => {
    const { setup, result } = runOf(weak);
    expect(result.turnsLeft).toBeGreaterThan(0.5);
    const left = pullLeft(setup, result);
    expect(left[0]!.distance).toBe(result.distance);
    expect(left[0]!.thrust / result.trace!.thrust.at(-1)!).toBeCloseTo(1, 2);
    expect(left.at(-1)!.distance - result.distance).toBeCloseTo(2 * Math.PI * result.turnsLeft * setup.car.driveWheels.radius, 6);
  });
  it('holds the energy still wound, less what the rubber keeps: conservation of energy', () => {
    const { setup, result } = runOf(weak);
    const left = pullLeft(setup, result);
    const area = left
      .slice(1)
      .reduce((sum, { distance, thrust }, i) => sum + ((thrust + left[i]!.thrust) / 2) * (distance - left[i]!.distance), 0);
    expect(area / (result.energy.unspent * motorOf(setup).efficiency)).toBeCloseTo(1, 2);
  });
  it('is nothing once the motor has let go', () => {
    const { setup, result } = runOf(newCar('x'));
    expect(pullLeft(setup, result)).toEqual([]);
  });
});

describe('work at the tyre', () => {
  it('is what the winding gave back, where nothing slips: conservation of energy', () => {
    const { result } = runOf(newCar('x'));
    expect(workAtTyre(result.trace!) / (result.storedEnergy - result.energy.hysteresis)).toBeCloseTo(1, 2);
  });
  it('is what the car spends on its way, where the wheels spin: conservation of energy', () => {
    const { setup, result } = runOf(
      weighing({ ...newCar('x', 'band'), tyre: 'bare-disc', axleDiameter: 0.006, sleeve: [] }, { driveLoadShare: 0.4 }),
    );
    const { rolling, air, otherBearing, spin } = result.energy;
    expect(result.slipDistance).toBeGreaterThan(0.5);
    // The drive wheels' own rolling is paid at the axle, not at the tyre.
    const ownRolling = setup.surface.rollingResistanceDrive * setup.car.driveLoadShare * setup.car.mass * 9.80665 * result.distance;
    const pushed = workAtTyre(result.trace!);
    expect(pushed).toBeGreaterThan(rolling + air + otherBearing + spin - 1.4 * ownRolling);
    expect(pushed).toBeLessThan(rolling + air + otherBearing + spin);
    expect(pushed).toBeLessThan(result.storedEnergy - result.energy.hysteresis - result.energy.slip);
  });
});

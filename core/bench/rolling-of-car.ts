import type { CarDesign } from '../car/car-design.ts';
import { likelyNumbers } from '../car/values.ts';
import type { Numbers, ValueKey } from '../car/value-table.ts';
import { modelOf } from '../motor/motors.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { carForces, otherRolling, driveRolling } from '../run/forces.ts';

/** What a car that rolls without pull on a level floor is held back by, as a fraction of its weight: rolling, rub and bearings as loaded (docs/model.md). */
export function rollingOfCar(design: CarDesign, numbers: Numbers = likelyNumbers(design)): number {
  const setup = deriveRunSetup(design, { kind: 'full' }, { ...numbers, slope: 0 });
  const car = carForces(setup, { ...setup.surface, slope: 0 }, modelOf(setup.motor).path(setup.motor));
  const onDrive = car.loadBase;
  const held = (car.bearingLever * car.bearingLoad) / car.radius + car.otherBearing;
  return (held + driveRolling(car, onDrive, 0) + otherRolling(car, onDrive)) / car.weight;
}

/** The values that rolling is made of. */
export const ROLLING_KEYS: readonly ValueKey[] = ['bearingFriction', 'rollingLengthDrive', 'rollingLengthOther', 'rub'];

/** How much of the rolling each of them makes, as a fraction of the weight; they add up to it. */
export function rollingShares(design: CarDesign, numbers: Numbers = likelyNumbers(design)): ReadonlyMap<ValueKey, number> {
  const all = rollingOfCar(design, numbers);
  return new Map(
    ROLLING_KEYS.flatMap((key): [ValueKey, number][] =>
      numbers[key] ? [[key, all - rollingOfCar(design, { ...numbers, [key]: 0 })]] : [],
    ),
  );
}

import type { Fault } from '../fault.ts';
import type { RunSetup } from '../files/generated/run-setup.ts';

/**
 * Below these a part is nothing anyone could build and the equations of motion lose their digits; a file that asks for it
 * has most likely the wrong unit. SI units.
 */
const LEAST_CAR = { mass: 1e-3, wheelbase: 0.01 };
const LEAST_WHEELSET = { radius: 1e-3, inertia: 1e-10 };
const LEAST_OTHER_WHEELSET = { radius: LEAST_WHEELSET.radius };
const LEAST_SURFACE = { staticGrip: 1e-3 };
const LEAST_BAND = { bandEfficiency: 0.05, bandWidth: 1e-4, bandThickness: 1e-4, bandLength: 5e-3, turns: 0.01 };
const LEAST_MOTOR = {
  lever: { leverLength: 5e-3, pivotToAxle: 5e-3, springEfficiency: 0.05, windingWidth: 1e-3 },
  band: { ...LEAST_BAND, anchorToAxle: 5e-3, windingWidth: 1e-3 },
  twist: { ...LEAST_BAND, hookToHook: 5e-3, armLength: 5e-3 },
};
const LEAST_SPOOL_STEP = { radius: 2e-4, turns: 1e-3 };

/** Every size too small to be meant. Asked of each car of a map: it makes nothing where nothing is wrong. */
export function leastSizeFaults({ car, surface, motor }: RunSetup): Fault[] {
  const faults: Fault[] = [];
  const judge = (path: string, values: object, least: Readonly<Record<string, number>>): void => {
    for (const key in least)
      if ((values as Record<string, number>)[key]! < least[key]!)
        faults.push({ path: `${path}.${key}`, message: `must be at least ${least[key]!}` });
  };
  judge('car', car, LEAST_CAR);
  judge('car.driveWheels', car.driveWheels, LEAST_WHEELSET);
  if (car.otherWheels) judge('car.otherWheels', car.otherWheels, LEAST_OTHER_WHEELSET);
  judge('surface', surface, LEAST_SURFACE);
  judge('motor', motor, LEAST_MOTOR[motor.kind]);
  // A step without turns takes what is left: undefined is not below anything.
  if (motor.kind !== 'twist') motor.spool.forEach((step, i) => judge(`motor.spool[${i}]`, step, LEAST_SPOOL_STEP));
  return faults;
}

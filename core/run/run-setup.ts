import type { Fault } from '../fault.ts';
import type { RunSetup, SurfaceSetup } from '../schema/generated/run-setup.ts';
import type { Motor } from '../motor/motor.ts';
import { modelOf } from '../motor/motors.ts';
import { sizeFaults } from './size-faults.ts';

export type {
  BandSetup,
  CarSetup,
  LeverSetup,
  MotorSetup,
  RunSetup,
  SpoolStep,
  SurfaceSetup,
  TwistSetup,
  Wheelset,
} from '../schema/generated/run-setup.ts';

/** What a schema cannot say: keys that do not go together. Empty when the run can be computed. */
export function runFaults(setup: RunSetup): Fault[] {
  const { car, surface, motor, stretches = [] } = setup;
  const faults: Fault[] = sizeFaults(setup);
  const check = (path: string, { slidingGrip, staticGrip, rollingResistanceOther }: SurfaceSetup): void => {
    if (slidingGrip > staticGrip)
      faults.push({ path: `${path}.slidingGrip`, code: 'against', must: 'not-exceed', other: `${path}.staticGrip` });
    if (car.otherWheels !== null && rollingResistanceOther === undefined)
      faults.push({ path: `${path}.rollingResistanceOther`, code: 'missing', because: 'the car has other wheels' });
  };
  check('surface', surface);
  stretches.forEach((stretch, i) => {
    check(`stretches.${i}`, stretch);
    if (i > 0 && stretch.from <= stretches[i - 1]!.from)
      faults.push({ path: `stretches.${i}.from`, code: 'against', must: 'exceed', other: `stretches.${i - 1}.from` });
  });
  if (faults.length > 0) return faults;
  const { isRoller, faults: motorFaults } = modelOf(motor);
  if (isRoller && car.otherWheels !== null)
    return [{ path: 'car.otherWheels', code: 'expected', what: 'null: the roller of a twist motor is the drive wheel' }];
  return motorFaults(motor);
}

/** The motor of a setup that has passed `runFaults`. */
export const motorOf = ({ motor }: RunSetup): Motor => modelOf(motor).path(motor);

import type { Fault } from '../fault.ts';
import type { RunSetup } from '../schema/generated/run-setup.ts';
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
  const { car, surface, motor } = setup;
  const faults: Fault[] = sizeFaults(setup);
  if (surface.slidingGrip > surface.staticGrip)
    faults.push({ path: 'surface.slidingGrip', code: 'against', must: 'not-exceed', other: 'surface.staticGrip' });
  if (car.otherWheels !== null && surface.rollingResistanceOther === undefined)
    faults.push({ path: 'surface.rollingResistanceOther', code: 'missing', because: 'the car has other wheels' });
  if (faults.length > 0) return faults;
  const { isRoller, faults: motorFaults } = modelOf(motor);
  if (isRoller && car.otherWheels !== null)
    return [{ path: 'car.otherWheels', code: 'expected', what: 'null: the roller of a twist motor is the drive wheel' }];
  return motorFaults(motor);
}

/** The motor of a setup that has passed `runFaults`. */
export const motorOf = ({ motor }: RunSetup): Motor => modelOf(motor).path(motor);

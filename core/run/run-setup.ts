import type { Fault } from '../fault.ts';
import type { RunSetup, Spool } from '../files/generated/run-setup.ts';
import { bandFaults, bandMotor } from '../motor/band.ts';
import { leverFaults, leverMotor } from '../motor/lever.ts';
import type { Motor } from '../motor/motor.ts';
import { twistMotor } from '../motor/twist.ts';
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
} from '../files/generated/run-setup.ts';

const spoolFaults = (spool: Spool): Fault[] =>
  spool.flatMap((step, index) =>
    step.turns === undefined && index < spool.length - 1
      ? [{ path: `motor.spool[${index}].turns`, message: 'is missing (only the last step may leave it out)' }]
      : [],
  );

function motorFaults({ car, motor }: RunSetup): Fault[] {
  switch (motor.kind) {
    case 'lever':
      return [...spoolFaults(motor.spool), ...leverFaults(motor)];
    case 'band':
      return [...spoolFaults(motor.spool), ...bandFaults(motor)];
    case 'twist':
      return car.otherWheels === null
        ? []
        : [{ path: 'car.otherWheels', message: 'must be null: the roller of a twist motor is the drive wheel' }];
  }
}

/** What a schema cannot say: keys that do not go together. Empty when the run can be computed. */
export function runFaults(setup: RunSetup): Fault[] {
  const { car, surface } = setup;
  const faults: Fault[] = sizeFaults(setup);
  if (surface.slidingGrip > surface.staticGrip)
    faults.push({ path: 'surface.slidingGrip', message: `must not be above surface.staticGrip (${surface.staticGrip})` });
  if (car.otherWheels !== null && surface.rollingResistanceOther === undefined)
    faults.push({ path: 'surface.rollingResistanceOther', message: 'is missing (the car has other wheels)' });
  return faults.length > 0 ? faults : motorFaults(setup);
}

/** The motor of a setup that has passed `runFaults`. */
export function motorOf({ motor }: RunSetup): Motor {
  switch (motor.kind) {
    case 'lever':
      return leverMotor(motor);
    case 'band':
      return bandMotor(motor);
    case 'twist':
      return twistMotor(motor);
  }
}

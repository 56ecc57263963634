import type { Fault } from '../fault.ts';
import type { LeverSetup, RunSetup } from '../files/generated/run-setup.ts';
import { leverFaults, leverMotor } from '../motor/lever.ts';
import type { Motor } from '../motor/motor.ts';

export type { CarSetup, LeverSetup, MotorSetup, RunSetup, SpoolStep, SurfaceSetup, Wheelset } from '../files/generated/run-setup.ts';

const spoolFaults = ({ spool }: LeverSetup): Fault[] =>
  spool
    .slice(0, -1)
    .flatMap((step, index) =>
      step.turns === undefined
        ? [{ path: `motor.spool[${index}].turns`, message: 'is missing (only the last step may leave it out)' }]
        : [],
    );

function motorFaults(setup: RunSetup): Fault[] {
  switch (setup.motor.kind) {
    case 'lever':
      return [...spoolFaults(setup.motor), ...leverFaults(setup.motor)];
  }
}

/** What a schema cannot say: keys that do not go together. Empty when the run can be computed. */
export function runFaults(setup: RunSetup): Fault[] {
  const { car, surface } = setup;
  const faults: Fault[] = [];
  if (surface.slidingGrip > surface.staticGrip)
    faults.push({ path: 'surface.slidingGrip', message: `must not be above surface.staticGrip (${surface.staticGrip})` });
  if (car.otherWheels !== null && surface.rollingResistanceOther === undefined)
    faults.push({ path: 'surface.rollingResistanceOther', message: 'is missing (the car has other wheels)' });
  return [...faults, ...motorFaults(setup)];
}

/** The motor of a setup that has passed `runFaults`. */
export function motorOf(setup: RunSetup): Motor {
  switch (setup.motor.kind) {
    case 'lever':
      return leverMotor(setup.motor);
  }
}

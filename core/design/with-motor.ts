import { newCar, type CarDesign, type MotorKind } from './car-design.ts';

/** The same car driven otherwise: its wheels, body and floor stay, the motor begins as in a new car of that kind. */
export function withMotor(design: CarDesign, kind: MotorKind): CarDesign {
  if (design.motor.kind === kind) return design;
  const fresh = newCar(design.name, kind);
  // A roller is another thing altogether, and a car made from one needs axles and wheels.
  if (kind === 'twist' || design.motor.kind === 'twist') return { ...fresh, floor: design.floor, aim: design.aim, limits: design.limits };
  return { ...design, motor: fresh.motor, sleeve: [], measured: {} };
}

import type { CarDesign, MotorKind } from './car-design.ts';
import { MOTORS } from './motors/motors.ts';
import type { Size } from './size.ts';

/** The sizes of a car of this kind, in the order they are shown. */
export const sizesOf = (kind: MotorKind): readonly Size[] => MOTORS[kind].sizes;

/** The size of this name. Throws a RangeError where a car of this kind has none. */
export function sizeCalled(design: CarDesign, id: string): Size {
  const size = sizesOf(design.motor.kind).find((candidate) => candidate.id === id);
  if (!size) throw new RangeError(`${id} is not a size of this car`);
  return size;
}

import type { CarDesign, MotorKind } from './car-design.ts';
import { MOTOR_KINDS, MOTORS } from './motors/motors.ts';
import type { Size } from './size.ts';
import { standingWeight, weighedAt } from './weights.ts';

/** As the scale says: what no part explains makes up for the difference. */
const WEIGHT: Size = {
  id: 'mass',
  label: 'Ready-to-run weight',
  quantity: 'weight',
  group: 'body',
  low: 0.02,
  high: 0.5,
  read: (d) => standingWeight(d).mass,
  write: (d, mass) => weighedAt(d, { ...standingWeight(d), mass }),
};
const SHARE: Size = {
  id: 'driveLoadShare',
  label: 'On the drive wheels',
  quantity: 'share',
  group: 'body',
  low: 0.3,
  high: 0.9,
  read: (d) => standingWeight(d).driveLoadShare,
  write: (d, driveLoadShare) => weighedAt(d, { ...standingWeight(d), driveLoadShare }),
};
/** What is read off a scale, before what is put on the car to change it; a roller stands on one axle. */
function withScale(sizes: readonly Size[], isRoller: boolean): readonly Size[] {
  const at = sizes.findIndex(({ id }) => id === 'overhang' || id === 'ballast');
  const scale = isRoller ? [{ ...WEIGHT, low: 0.005, high: 0.3 }] : [WEIGHT, SHARE];
  return [...sizes.slice(0, at), ...scale, ...sizes.slice(at)];
}

const SIZES = Object.fromEntries(
  MOTOR_KINDS.map((kind) => [kind, withScale(MOTORS[kind].sizes, MOTORS[kind].newCar.otherWheels === null)]),
) as Readonly<Record<MotorKind, readonly Size[]>>;

/** The sizes of a car of this kind, in the order they are shown. */
export const sizesOf = (kind: MotorKind): readonly Size[] => SIZES[kind];

/** The sizes that a car has, each told once. */
export const ownSizesOf = (design: CarDesign): readonly Size[] =>
  sizesOf(design.motor.kind).filter(({ isRestated, isOf }) => !isRestated && isOf?.(design) !== false);

/** The size of this name. Throws a RangeError where a car of this kind has none. */
export function findSize(design: CarDesign, id: string): Size {
  const size = sizesOf(design.motor.kind).find((candidate) => candidate.id === id);
  if (!size) throw new RangeError(`${id} is not a size of this car`);
  return size;
}

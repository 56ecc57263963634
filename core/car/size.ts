import type { Quantity } from '../units/quantity.ts';
import type { CarDesign, MotorDesign, MotorKind } from './car-design.ts';
import type { CarGroup } from './car-groups.ts';
import type { PartSlot } from './part-slots.ts';

/** One number of a design that can be typed or slid, with the range a slider covers (SI). Typing may go beyond it, as far as the file format does. */
export interface Size {
  readonly id: string;
  readonly label: string;
  /** What builders look for it by besides its label. */
  readonly synonyms?: string;
  /** Whether a car has it at all; every car of its kind where this is not given. */
  readonly isOf?: (design: CarDesign) => boolean;
  /** Whether it is another way to read one of the others: lists of what differs or matters leave it out. */
  readonly isRestated?: true;
  readonly quantity: Quantity;
  /** What of the car it belongs to. */
  readonly group: CarGroup;
  /** The part whose own size it is: it is reported in one row with it. */
  readonly slot?: PartSlot;
  readonly low: number;
  readonly high: number;
  /** In which steps a builder would change it for a better car, SI; none where it is given. */
  readonly searchStep?: number;
  /** The only values there are to be had, SI; null where it is cut to any. */
  readonly stock?: (design: CarDesign) => readonly number[] | null;
  /** The most that a search tries, where that is not `high`. */
  readonly searchedUpTo?: (design: CarDesign) => number;
  readonly read: (design: CarDesign) => number;
  readonly write: (design: CarDesign, value: number) => CarDesign;
}

/** Least and most of a slider, SI. */
export type Range = readonly [low: number, high: number];

/** Makes the sizes of motors of one kind; each leaves a car with another motor as it is. */
export const sizesOfMotor =
  <Kind extends MotorKind>(kind: Kind) =>
  (
    id: keyof Extract<MotorDesign, { kind: Kind }> & string,
    label: string,
    quantity: Quantity,
    [low, high]: Range,
    more: Pick<Size, 'searchStep' | 'searchedUpTo' | 'slot' | 'synonyms'> = {},
  ): Size => ({
    id,
    label,
    quantity,
    group: 'motor',
    low,
    high,
    ...more,
    read: (d) => (d.motor.kind === kind ? Number(Reflect.get(d.motor, id)) : 0),
    write: (d, value) => (d.motor.kind === kind ? { ...d, motor: { ...d.motor, [id]: value } } : d),
  });

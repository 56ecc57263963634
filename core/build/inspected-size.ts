import type { CarDesign } from '../car/car-design.ts';
import type { Quantity } from '../units/quantity.ts';

/** A size of the finished car that is measured and compared with the drawing. */
export interface InspectedSize {
  readonly id: string;
  readonly label: string;
  readonly quantity: Quantity;
  /** As it was drawn, SI; null where only the tolerance says what is right. */
  readonly drawn: number | null;
  /** A larger deviation is reported; SI. */
  readonly tolerance: number;
  /** What puts it right, in a few words. */
  readonly cure: string;
  /** The car as built, with this as measured; the same car where the model does not depend on it. */
  readonly built: (design: CarDesign, measured: Readonly<Record<string, number>>) => CarDesign;
}

/** The car as it is: for what the model does not depend on. */
export const unchanged = (design: CarDesign): CarDesign => design;

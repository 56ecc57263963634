import type { CarDesign } from '../../../core/car/car-design.ts';

/** A design drawn behind the present one on the curve. */
export interface Ghost {
  readonly id: string;
  readonly name: string;
  readonly design: CarDesign;
}

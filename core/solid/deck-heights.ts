import type { CarDesign } from '../car/car-design.ts';
import { bodyPartOf } from '../car/fitted.ts';

/** Axles pass through a bottle or tube with this fraction of its width below them. */
export const TUBE_BELOW = 0.15;

/** Height of the line through the middles of both axles at a place along the car, and how it rises. */
export function axleLine({ driveWheels, otherWheels, wheelbase }: CarDesign): {
  readonly at: (x: number) => number;
  readonly slope: number;
} {
  const drive = driveWheels.diameter / 2;
  const slope = otherWheels ? (otherWheels.diameter / 2 - drive) / wheelbase : 0;
  return { at: (x) => drive + slope * x, slope };
}

/** Underside and top of a deck at a place along the car, m over the floor; of a tube where it is thickest. */
export function deckHeights(design: CarDesign, x: number): { readonly under: number; readonly top: number } {
  const { isTube, thickness } = bodyPartOf(design);
  const line = axleLine(design);
  if (!isTube) return { under: line.at(x) + design.body.axleGap, top: line.at(x) + design.body.axleGap + thickness };
  const low = line.at(design.wheelbase / 2) - TUBE_BELOW * design.body.width;
  return { under: low, top: low + design.body.width };
}

import type { CarDesign } from '../car/car-design.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { bodyReach } from '../car/body-reach.ts';
import { bodyLength } from '../car/weights.ts';
import { radiusAlong } from './shape.ts';

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

/** Fraction of a bottle's length that its shoulder takes, and its neck; and how thick that is. */
const SHOULDER = 0.16;
const NECK = 0.08;
const NECK_WIDTH = 0.36;

/** A bottle has a shoulder and a neck toward the other axle; a tube is as thick all along. */
export function tubeProfile(design: CarDesign): readonly { readonly x: number; readonly radius: number }[] {
  const { left, right } = bodyReach(design);
  const radius = design.body.width / 2;
  if (design.body.kind !== 'bottle')
    return [
      { x: left, radius },
      { x: right, radius },
    ];
  const long = bodyLength(design);
  return [
    { x: left, radius },
    { x: right - (SHOULDER + NECK) * long, radius },
    { x: right - NECK * long, radius: NECK_WIDTH * radius },
    { x: right, radius: NECK_WIDTH * radius },
  ];
}

/** Half the thickness of a bottle or tube at a place along the car, m; of its ends beyond them. */
export const tubeRadiusAt = (design: CarDesign, x: number): number => radiusAlong(tubeProfile(design), x);

/** Underside and top of a body at a place along the car, m over the floor. */
export function deckHeights(design: CarDesign, x: number): { readonly under: number; readonly top: number } {
  const { isTube, thickness } = bodyPartOf(design);
  const line = axleLine(design);
  if (!isTube) return { under: line.at(x) + design.body.axleGap, top: line.at(x) + design.body.axleGap + thickness };
  const middle = line.at(design.wheelbase / 2) + (0.5 - TUBE_BELOW) * design.body.width;
  const radius = tubeRadiusAt(design, x);
  return { under: middle - radius, top: middle + radius };
}

import type { CarDesign } from '../car/car-design.ts';
import { movingSolids, standingSolids } from './car-solids.ts';
import { collisionsOf, floatingIn, type Collision, type Floating } from './collisions.ts';

/** Places of the lever from cocked to rest at which it is looked at. */
const PLACES = 25;

/** What of a car is in something else's way from cocked to rest, the deepest first, and what nothing holds. `wound`: radius of what is wound, m. */
export function carCollisions(
  design: CarDesign,
  wound: number,
): { readonly collisions: readonly Collision[]; readonly floating: readonly Floating[] } {
  const { motor } = design;
  const standing = standingSolids(design, wound);
  const moments =
    motor.kind === 'lever'
      ? Array.from({ length: PLACES }, (_, i) =>
          movingSolids(design, motor.cockedAngle + ((motor.releaseAngle - motor.cockedAngle) * i) / (PLACES - 1)),
        )
      : [];
  return { collisions: collisionsOf(standing, moments), floating: floatingIn([...standing, ...(moments[0] ?? [])]) };
}

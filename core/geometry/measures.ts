import { bandCount } from '../car/band-chain.ts';
import type { CarDesign } from '../car/car-design.ts';
import { AXLE_ENDS } from '../car/catalogue.ts';
import { tyreBands } from '../car/parts.ts';
import { hasBands } from '../car/motors/motors.ts';
import { standingWeight } from '../car/weights.ts';
import type { LeverStands } from './motors/motor-geometry.ts';
import { geometryOf } from './motors/motors.ts';
import { sideView } from './side-view.ts';

/**
 * Length, width and height of a car as it is ready, its lever as `lever` says, m; its own weight without a load, kg; its bands, those on its
 * wheels too; m from its nose to where its last wheel touches the floor.
 */
export function measuresOf(
  design: CarDesign,
  lever: LeverStands = 'largest',
): Readonly<Record<'length' | 'width' | 'height' | 'mass' | 'bands' | 'lastWheel', number>> {
  // The drawing has the drive axle at 0, and the other at the wheelbase.
  const { bounds, heading } = sideView(design, lever);
  const { motor } = design;
  const { rollerWidth, highest } = geometryOf(motor);
  return {
    length: bounds.right - bounds.left,
    width: rollerWidth(motor) ?? design.trackWidth + AXLE_ENDS,
    // Between cocked and at rest the lever stands upright once.
    height: lever === 'largest' ? Math.max(bounds.top, design.driveWheels.diameter / 2 + highest(motor)) : bounds.top,
    mass: standingWeight(design).mass - design.load.mass,
    bands: (hasBands(motor) ? bandCount(motor) : 0) + tyreBands(design),
    lastWheel: heading === 1 ? bounds.right : design.wheelbase - bounds.left,
  };
}

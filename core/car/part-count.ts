import { bandCount } from './band-chain.ts';
import type { CarDesign } from './car-design.ts';
import { hasBands, isRoller } from './motors/motors.ts';
import { hasTyres, neededAt } from './parts.ts';

/** Pieces of a trap's motor: trap, lever, string and peg. Of bands on an axle the hook; of a roller washer and arm. */
const TRAP_PIECES = 4;
const HOOK = 1;
const ROLLER_PIECES = 2;
const BEARINGS_OF_AN_AXLE = 2;

/** How many parts a car is made of: body, wheels, axles, a bearing at each end, tyres, motor and what is added; glue and tape are none. */
export function partCount(design: CarDesign): number {
  const { motor, body, otherWheels, layout, sleeve, ballast, load } = design;
  const bands = hasBands(motor) ? bandCount(motor) : 0;
  const tyres = hasTyres(design) ? neededAt(design, 'tyre') : 0;
  const spools = sleeve.filter(({ kind }) => kind !== 'tape').length;
  const added = spools + Number(ballast.mass > 0) + Number(load.in === 'basket');
  if (isRoller(design)) return 1 + bands + ROLLER_PIECES + tyres + added;
  const axles = otherWheels ? 2 : 1;
  return (
    1 +
    (body.stiffener?.count ?? 0) +
    2 +
    (otherWheels ? layout.otherWheelCount : 0) +
    axles * (1 + BEARINGS_OF_AN_AXLE) +
    tyres +
    (bands > 0 ? bands + HOOK : TRAP_PIECES) +
    added
  );
}

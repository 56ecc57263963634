import type { CarDesign, FittedPart, LeverDesign, TwistDesign, Wheels } from './car-design.ts';
import { AXLES, BEARINGS, BODIES, LEVER_MATERIALS, TRAPS, TYRES, WASHERS, WHEELS } from './catalogue.ts';

/** The catalogue's entry with a fitted part's own name and values in place. */
const merged = <T extends object>(entry: T, own: FittedPart | undefined): T => (own ? { ...entry, ...own.values, label: own.name } : entry);

/** Tyre as fitted: coefficient of friction on a smooth floor, fraction of it left while it slides, how its rim gives, kg per metre of rim. */
export function tyreOf({ tyre, own }: CarDesign) {
  const fitted = merged(TYRES[tyre], own?.tyre);
  // A builder's own tyre is known by what it grips while it slides.
  const sliding = own?.tyre?.values.slidingGrip;
  return sliding === undefined ? fitted : { ...fitted, slidingRatio: Math.min(sliding / fitted.staticGrip, 1) };
}
/** Bearing as fitted: coefficient of friction of the axle in it. */
export const bearingOf = ({ bearing, own }: CarDesign) => merged(BEARINGS[bearing], own?.bearing);
/** What the other axle turns in: one of the catalogue, or what the drive axle turns in. */
export const otherBearingOf = (design: CarDesign) => (design.otherBearing ? BEARINGS[design.otherBearing] : bearingOf(design));
/** Axle as fitted: density kg/m³, modulus Pa, diameter m, solid fraction of its section 0 to 1. */
export const axleOf = ({ axle, own }: CarDesign) => merged(AXLES[axle], own?.axle);
/** Drive wheel as fitted: mass over its face kg/m², thickness m, roundness k of I = k m R². */
export const driveWheelOf = ({ driveWheels, own }: CarDesign) => merged(WHEELS[driveWheels.kind], own?.driveWheels);
/** Of a car that has other wheels. */
export const otherWheelOf = ({ otherWheels, own }: CarDesign) => merged(WHEELS[(otherWheels as Wheels).kind], own?.otherWheels);
/** Body as fitted: modulus Pa, thickness m, kg per m², whether it is a tube. */
export const bodyPartOf = ({ body, own }: CarDesign) => merged(BODIES[body.kind], own?.body);
/** Trap as fitted: preload N·m, rate N·m/rad, fraction of energy given back, the arm's inertia kg·m². */
export const trapOf = ({ own }: CarDesign, motor: LeverDesign) => merged(TRAPS[motor.trap], own?.trap);
/** Lever as fitted: kg per metre, stiffness N·m², width m. */
export const leverOf = ({ own }: CarDesign, motor: LeverDesign) => merged(LEVER_MATERIALS[motor.leverMaterial], own?.lever);
/** Washer as fitted: coefficient of friction. */
export const washerOf = ({ own }: CarDesign, motor: TwistDesign) => merged(WASHERS[motor.washer], own?.washer);

/** Bearings stand this fraction of the track width apart. Estimate. */
const BEARING_SHARE = 0.7;
/** Way between the bearings of an axle, m. */
export const bearingsApart = ({ trackWidth }: CarDesign): number => BEARING_SHARE * trackWidth;

import type { MotorDesign, MotorKind } from '../../car/car-design.ts';
import { BAND_BUILD } from './band.ts';
import { LEVER_BUILD } from './lever.ts';
import type { MotorBuild } from './motor-build.ts';
import { TWIST_BUILD } from './twist.ts';

const BUILDS: { readonly [Kind in MotorKind]: MotorBuild } = { lever: LEVER_BUILD, band: BAND_BUILD, twist: TWIST_BUILD };

/** How a car with this motor is made. */
export const buildOf = ({ kind }: MotorDesign): MotorBuild => BUILDS[kind];

import type { MotorDesign, MotorKind } from '../../car/car-design.ts';
import { BAND_GEOMETRY } from './band.ts';
import { LEVER_GEOMETRY } from './lever.ts';
import type { MotorGeometry } from './motor-geometry.ts';
import { TWIST_GEOMETRY } from './twist.ts';

const GEOMETRIES: { readonly [Kind in MotorKind]: MotorGeometry } = {
  lever: LEVER_GEOMETRY,
  band: BAND_GEOMETRY,
  twist: TWIST_GEOMETRY,
};

/** How what drives a car is placed in it. */
export const geometryOf = ({ kind }: MotorDesign): MotorGeometry => GEOMETRIES[kind];

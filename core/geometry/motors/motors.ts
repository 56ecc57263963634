import type { MotorDesign, MotorKind } from '../../car/car-design.ts';
import { BAND_GEOMETRY } from './band.ts';
import { LEVER_GEOMETRY } from './lever.ts';
import type { MotorGeometry } from './motor-geometry.ts';
import { TWIST_GEOMETRY } from './twist.ts';

const GEOMETRIES: { readonly [Kind in MotorKind]: MotorGeometry<Extract<MotorDesign, { kind: Kind }>> } = {
  lever: LEVER_GEOMETRY,
  band: BAND_GEOMETRY,
  twist: TWIST_GEOMETRY,
};

/** How what drives a car stands in it. */
export const geometryOf = <Motor extends MotorDesign>({ kind }: Motor): MotorGeometry<Motor> =>
  GEOMETRIES[kind] as unknown as MotorGeometry<Motor>;

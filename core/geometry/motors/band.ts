import type { BandDesign } from '../../car/car-design.ts';
import { MOST_STRANDS } from '../../solid/motors/band.ts';
import { anchorOf } from '../../solid/pull-places.ts';
import type { BandSetup } from '../../run/run-setup.ts';
import type { MotorGeometry, MotorView } from './motor-geometry.ts';

export const BAND_GEOMETRY: MotorGeometry<BandDesign, Extract<MotorView, { kind: 'band' }>, BandSetup> = {
  sideView: (motor, axleHeight) => ({
    kind: 'band',
    anchor: anchorOf(motor, axleHeight),
    strands: Math.min(motor.parallel, MOST_STRANDS),
  }),
  outline: ({ anchor }) => [anchor],
  deckReach: (motor) => anchorOf(motor, 0).x,
  pullLine: ({ anchorToAxle }) => [
    { x: anchorToAxle, y: 0 },
    { x: 0, y: 0 },
  ],
  rollerWidth: () => null,
  highest: () => 0,
  leverAngle: () => null,
};

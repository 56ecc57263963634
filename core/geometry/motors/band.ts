import type { BandDesign } from '../../car/car-design.ts';
import type { BandSetup } from '../../run/run-setup.ts';
import type { MotorGeometry, MotorView } from './motor-geometry.ts';

/** Bands drawn side by side, however many there are. */
const MOST_STRANDS = 3;

const along = ({ anchorToAxle, anchorAboveAxle }: BandDesign): number => Math.sqrt(Math.max(anchorToAxle ** 2 - anchorAboveAxle ** 2, 0));

export const BAND_GEOMETRY: MotorGeometry<BandDesign, Extract<MotorView, { kind: 'band' }>, BandSetup> = {
  sideView: (motor, axleHeight) => ({
    kind: 'band',
    anchor: { x: along(motor), y: axleHeight + motor.anchorAboveAxle },
    strands: Math.min(motor.parallel, MOST_STRANDS),
  }),
  outline: ({ anchor }) => [anchor],
  deckReach: along,
  pullLine: ({ anchorToAxle }) => [
    { x: anchorToAxle, y: 0 },
    { x: 0, y: 0 },
  ],
  rollerWidth: () => null,
  highest: () => 0,
  leverAngle: () => null,
};

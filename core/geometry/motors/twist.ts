import type { TwistDesign } from '../../car/car-design.ts';
import type { TwistSetup } from '../../run/run-setup.ts';
import type { MotorGeometry, MotorView } from './motor-geometry.ts';

/** The trailing arm lies this far beside the roller, m. */
const BESIDE = 0.004;

export const TWIST_GEOMETRY: MotorGeometry<TwistDesign, Extract<MotorView, { kind: 'twist' }>, TwistSetup> = {
  sideView: ({ armLength }) => ({ kind: 'twist', armTip: { x: -armLength, y: 0 } }),
  outline: ({ armTip }) => [armTip],
  deckReach: () => 0,
  pullLine: ({ armLength }, half) => [
    { x: -armLength, y: half + BESIDE },
    { x: 0, y: half + BESIDE },
  ],
  rollerWidth: ({ hookToHook }) => hookToHook,
  highest: () => 0,
  leverAngle: () => null,
};

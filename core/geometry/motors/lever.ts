import type { LeverDesign } from '../../car/car-design.ts';
import { cockedAngleAfter } from '../../motor/lever.ts';
import { TRAP_LENGTH, TRAP_THICKNESS } from '../../car/motors/lever.ts';
import { leverTip, pivotOf } from '../../solid/pull-places.ts';
import { box } from '../box.ts';
import type { MotorGeometry, MotorView } from './motor-geometry.ts';
import type { LeverSetup } from '../../run/run-setup.ts';

export const LEVER_GEOMETRY: MotorGeometry<LeverDesign, Extract<MotorView, { kind: 'lever' }>, LeverSetup> = {
  sideView: (motor, axleHeight, deckTop) => {
    const pivot = pivotOf(motor, axleHeight);
    return {
      kind: 'lever',
      trap: box(pivot.x - TRAP_LENGTH / 2, pivot.x + TRAP_LENGTH / 2, pivot.y - TRAP_THICKNESS, pivot.y),
      post: [
        { x: pivot.x, y: pivot.y - TRAP_THICKNESS },
        { x: pivot.x, y: deckTop(pivot.x) },
      ],
      pivot,
      tipCocked: leverTip(motor, axleHeight, motor.cockedAngle),
      tipAtRest: leverTip(motor, axleHeight, motor.releaseAngle),
    };
  },
  outline: ({ tipCocked, tipAtRest, pivot }, lever) => [
    pivot,
    ...(lever === 'rest' ? [] : [tipCocked]),
    ...(lever === 'cocked' ? [] : [tipAtRest]),
  ],
  deckReach: ({ trapPosition }) => trapPosition + TRAP_LENGTH / 2,
  pullLine: ({ trapPosition, leverLength, cockedAngle, besideMiddle: y = 0 }) => [
    { x: trapPosition, y },
    { x: trapPosition + leverLength * Math.cos(cockedAngle), y },
  ],
  rollerWidth: () => null,
  // Between cocked and at rest the lever stands upright once.
  highest: ({ pivotAboveAxle, leverLength }) => pivotAboveAxle + leverLength,
  leverAngle: cockedAngleAfter,
};

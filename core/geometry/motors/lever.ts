import type { LeverDesign } from '../../car/car-design.ts';
import { cockedAngleAfter } from '../../motor/lever.ts';
import { TRAP_LENGTH, TRAP_THICKNESS } from '../../car/motors/lever.ts';
import { box } from '../box.ts';
import type { Point } from '../point.ts';
import type { MotorGeometry, MotorView } from './motor-geometry.ts';
import type { LeverSetup } from '../../run/run-setup.ts';

export const LEVER_GEOMETRY: MotorGeometry<LeverDesign, Extract<MotorView, { kind: 'lever' }>, LeverSetup> = {
  sideView: (motor, axleHeight, deckTop) => {
    const pivot = { x: motor.trapPosition, y: axleHeight + motor.pivotAboveAxle };
    const tipAt = (angle: number): Point => ({
      x: pivot.x + motor.leverLength * Math.cos(angle),
      y: pivot.y + motor.leverLength * Math.sin(angle),
    });
    return {
      kind: 'lever',
      trap: box(pivot.x - TRAP_LENGTH / 2, pivot.x + TRAP_LENGTH / 2, pivot.y - TRAP_THICKNESS, pivot.y),
      post: [
        { x: pivot.x, y: pivot.y - TRAP_THICKNESS },
        { x: pivot.x, y: deckTop(pivot.x) },
      ],
      pivot,
      tipCocked: tipAt(motor.cockedAngle),
      tipAtRest: tipAt(motor.releaseAngle),
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

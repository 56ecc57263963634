import type { BandDesign, LeverDesign } from '../car/car-design.ts';
import type { Corner } from './shape.ts';

/** Where a lever turns, seen from the side, m. `axleHeight`: of the drive axle over the floor. */
export const pivotOf = ({ trapPosition, pivotAboveAxle }: LeverDesign, axleHeight: number): Corner => ({
  x: trapPosition,
  y: axleHeight + pivotAboveAxle,
});

/** Where the string hangs with the lever at an angle, rad, seen from the side, m. */
export function leverTip(motor: LeverDesign, axleHeight: number, angle: number): Corner {
  const { x, y } = pivotOf(motor, axleHeight);
  return { x: x + motor.leverLength * Math.cos(angle), y: y + motor.leverLength * Math.sin(angle) };
}

/** Where the bands are hooked, seen from the side, m. */
export const anchorOf = ({ anchorToAxle, anchorAboveAxle }: BandDesign, axleHeight: number): Corner => ({
  x: Math.sqrt(Math.max(anchorToAxle ** 2 - anchorAboveAxle ** 2, 0)),
  y: axleHeight + anchorAboveAxle,
});

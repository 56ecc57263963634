import type { MotorView } from '../../../core/geometry/motors/motor-geometry.ts';
import { Across, Label } from '../dimension-marks.tsx';
import { ALONG, handle } from '../handle.ts';
import { INK, PULL_TEXT, Stroke } from '../stroke.tsx';
import type { MotorDrawing } from './motor-drawing.ts';

/** A roller's trailing arm. */
export const TWIST_DRAWING: MotorDrawing<Extract<MotorView, { kind: 'twist' }>> = {
  sketch: ({ view: { armTip }, axle, scale, line }) => (
    <g>
      <Stroke scale={scale} from={axle} to={armTip} width={2 * line} colour={INK} />
      <circle cx={scale.x(armTip.x)} cy={scale.y(armTip.y)} r={1.6 * line} fill={INK} />
    </g>
  ),
  dimensions: ({ view: { armTip }, words, top, scale, floor, size }) => (
    <>
      <Across from={scale.x(armTip.x)} to={scale.x(0)} y={floor + 20} base={floor + 4} text={`arm ${size(-armTip.x)}`} sizeId="armLength" />
      <Label x={Math.round(scale.x(0))} y={Math.round(top - 14)} fill={PULL_TEXT} sizeId="turns">
        {words}
      </Label>
    </>
  ),
  handles: ({ armTip }) => [handle('armLength', 'arm', armTip, ALONG, -1)],
};

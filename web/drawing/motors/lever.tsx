import type { MotorView } from '../../../core/geometry/motors/motor-geometry.ts';
import { Across, Label } from '../dimension-marks.tsx';
import { ALONG, handle } from '../handle.ts';
import { corners, INK, MUTED, PULL_AREA, PULL_TEXT, Stroke } from '../stroke.tsx';
import type { MotorDrawing } from './motor-drawing.ts';

/** Drawing units half of “cocked” takes. */
const HALF_COCKED = 26;

/** The trap, its lever cocked (solid) and at rest (dashed), and the string. */
export const LEVER_DRAWING: MotorDrawing<Extract<MotorView, { kind: 'lever' }>> = {
  sketch: ({ view: { trap, post, pivot, tipCocked, tipAtRest }, axle, scale, line, pose }) => {
    const length = Math.hypot(tipCocked.x - pivot.x, tipCocked.y - pivot.y);
    const angle = pose?.leverAngle;
    const tip = angle == null ? tipCocked : { x: pivot.x + length * Math.cos(angle), y: pivot.y + length * Math.sin(angle) };
    const isOff = pose?.phase === 'coasting';
    return (
      <g>
        <polyline points={corners(scale, post)} stroke={MUTED} strokeWidth={3 * line} />
        <polygon points={corners(scale, trap)} fill={PULL_AREA} stroke={INK} strokeWidth={0.6 * line} />
        <g opacity={0.75}>
          <Stroke scale={scale} from={pivot} to={tipAtRest} width={1.6 * line} dash={`${4 * line} ${3 * line}`} />
          <Stroke scale={scale} from={tipAtRest} to={axle} width={0.6 * line} dash={`${2 * line} ${3 * line}`} colour={MUTED} />
        </g>
        <Stroke scale={scale} from={pivot} to={tip} width={2.4 * line} />
        {!isOff && <Stroke scale={scale} from={tip} to={axle} width={0.6 * line} colour={MUTED} />}
        <circle cx={scale.x(pivot.x)} cy={scale.y(pivot.y)} r={1.8 * line} fill={INK} />
      </g>
    );
  },
  dimensions: ({ view: { pivot, tipAtRest, tipCocked }, driveWheel, words, scale, floor, size }) => {
    const isOverWheel = Math.abs(tipCocked.x - driveWheel.x) < driveWheel.radius + HALF_COCKED / scale.length(1);
    const clear = isOverWheel ? Math.max(tipCocked.y, driveWheel.y + driveWheel.radius) : tipCocked.y;
    return (
      <>
        <Across from={scale.x(0)} to={scale.x(pivot.x)} y={floor + 20} base={floor + 4} text={size(pivot.x)} sizeId="trapPosition" />
        <Label
          x={Math.round(scale.x(tipAtRest.x))}
          y={Math.round(scale.y(tipAtRest.y) - 14)}
          anchor="end"
          fill={PULL_TEXT}
          sizeId="leverLength"
        >
          {words}
        </Label>
        <Label x={Math.round(scale.x(tipCocked.x))} y={Math.round(scale.y(clear) - 16)} fill={PULL_TEXT}>
          cocked
        </Label>
      </>
    );
  },
  handles: ({ pivot, tipCocked, trap }) => {
    const length = Math.hypot(tipCocked.x - pivot.x, tipCocked.y - pivot.y) || 1;
    return [
      handle('trapPosition', 'trap', pivot, ALONG),
      // At the end of its board.
      ...(trap[3] ? [handle('pivotAboveAxle', 'height of the trap', trap[3], { x: 0, y: 1 })] : []),
      handle('leverLength', 'lever', tipCocked, { x: (tipCocked.x - pivot.x) / length, y: (tipCocked.y - pivot.y) / length }),
    ];
  },
};

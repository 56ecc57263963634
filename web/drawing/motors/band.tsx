import type { MotorView } from '../../../core/geometry/motors/motor-geometry.ts';
import { Across, Label } from '../dimension-marks.tsx';
import { ALONG, handle } from '../handle.ts';
import { INK, PAPER, PULL_TEXT, Stroke } from '../stroke.tsx';
import type { MotorDrawing } from './motor-drawing.ts';

/** Bands from their hook to the axle. */
export const BAND_DRAWING: MotorDrawing<Extract<MotorView, { kind: 'band' }>> = {
  sketch: ({ view: { anchor, strands }, axle, scale, line, pose }) => {
    // Bands that dropped off are gone.
    if (pose?.phase === 'coasting') return null;
    const apart = 2.2 * line;
    return (
      <g>
        {Array.from({ length: strands + 1 }, (_, i) => (i - strands / 2) * apart).map((offset) => (
          <g key={offset} transform={`translate(0 ${offset})`}>
            <Stroke scale={scale} from={anchor} to={axle} width={1.5 * line} />
          </g>
        ))}
        <circle cx={scale.x(anchor.x)} cy={scale.y(anchor.y)} r={2.4 * line} fill={PAPER} stroke={INK} strokeWidth={line} />
      </g>
    );
  },
  dimensions: ({ view: { anchor }, words, top, scale, floor, size }) => (
    <>
      <Across from={scale.x(0)} to={scale.x(anchor.x)} y={floor + 20} base={floor + 4} text={size(anchor.x)} sizeId="anchorToAxle" />
      <Label x={Math.round(scale.x(anchor.x / 2))} y={Math.round(top - 10)} fill={PULL_TEXT} sizeId="turns">
        {words}
      </Label>
    </>
  ),
  // Its height is grabbed beside it.
  handles: ({ anchor }) => [
    handle('anchorToAxle', 'anchor hook', anchor, ALONG),
    handle('anchorAboveAxle', 'height of the anchor hook', { x: anchor.x - 0.018, y: anchor.y }, { x: 0, y: 1 }),
  ],
};

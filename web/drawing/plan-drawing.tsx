import { curvatureOf, driftAfter } from '../../core/predict/straightness.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Plate, PlanView } from '../../core/geometry/plan-view.ts';
import { ofGroup } from './of-group.ts';
import type { Scale } from './scale.ts';
import { Across, Dimensions, Label, Upright } from './dimension-marks.tsx';
import { INK, MUTED, PAPER } from './stroke.tsx';

/** m ahead at which the drift is reported on the drawing. */
const TOLD_AT = 5;

const PlateShape = ({
  plate,
  scale,
  fill,
  line,
}: {
  readonly plate: Plate;
  readonly scale: Scale;
  readonly fill: string;
  readonly line: number;
}) => (
  <rect
    x={-scale.length(plate.length) / 2}
    y={-scale.length(plate.width) / 2}
    width={scale.length(plate.length)}
    height={scale.length(plate.width)}
    transform={`translate(${scale.x(plate.middle.x)} ${scale.y(plate.middle.y)}) rotate(${(-plate.turn * 180) / Math.PI})`}
    fill={fill}
    stroke={INK}
    strokeWidth={line}
  />
);

interface PlanDrawingProps {
  readonly design: CarDesign;
  readonly view: PlanView;
  readonly scale: Scale;
  readonly size: (metres: number) => string;
  readonly distance: (metres: number) => string;
}

/** The car from above: axles as they stand, and where that steers it. */
export function PlanDrawing({ design, view, scale, size, distance }: PlanDrawingProps) {
  const { bounds } = view;
  const drift = design.otherWheels ? driftAfter(curvatureOf(design), TOLD_AT) : 0;
  const below = scale.y(-bounds.halfWidth);
  return (
    <>
      <g {...ofGroup('body')}>
        {view.body.map((corners, i) => (
          <polygon
            key={i}
            points={corners.map(({ x, y }) => `${scale.x(x)},${scale.y(y)}`).join(' ')}
            fill={PAPER}
            stroke={INK}
            strokeWidth={1}
          />
        ))}
      </g>
      {view.axles.map(([a, b], i) => (
        <line
          key={i}
          x1={scale.x(a.x)}
          y1={scale.y(a.y)}
          x2={scale.x(b.x)}
          y2={scale.y(b.y)}
          stroke={MUTED}
          strokeWidth={Math.max(2, scale.length(design.axleDiameter))}
          {...ofGroup('straight')}
        />
      ))}
      {[...view.driveWheels, ...view.otherWheels].map((plate, i) => (
        <PlateShape key={i} plate={plate} scale={scale} fill={PAPER} line={1.6} />
      ))}
      <line
        x1={scale.x(view.pull[0].x)}
        y1={scale.y(view.pull[0].y)}
        x2={scale.x(view.pull[1].x)}
        y2={scale.y(view.pull[1].y)}
        stroke="var(--mui-palette-workbench-pull)"
        strokeWidth={4}
        strokeLinecap="round"
      />
      {view.ballast && <PlateShape plate={view.ballast} scale={scale} fill={MUTED} line={1} />}
      {view.load && <PlateShape plate={view.load} scale={scale} fill={PAPER} line={1.6} />}
      {design.otherWheels && (
        <Dimensions>
          <Across
            from={scale.x(0)}
            to={scale.x(design.wheelbase)}
            y={below + 20}
            base={below + 4}
            text={size(design.wheelbase)}
            sizeId="wheelbase"
          />
          <Upright
            x={Math.max(scale.x(bounds.left) - 38, 48)}
            top={scale.y(design.trackWidth / 2)}
            bottom={scale.y(-design.trackWidth / 2)}
            reach={scale.x(0)}
            text={size(design.trackWidth)}
            sizeId="trackWidth"
          />
          <Label x={scale.x(bounds.right)} y={below + 44} anchor="end">
            {Math.abs(drift) < 0.005
              ? `axles as drawn: straight at ${distance(TOLD_AT)}`
              : `as drawn it drifts ${distance(Math.abs(drift))} to the ${drift > 0 ? 'right' : 'left'} in ${distance(TOLD_AT)}`}
          </Label>
        </Dimensions>
      )}
    </>
  );
}

import type { Pose } from '../../core/drawing/pose.ts';
import type { Circle, Point, SideView } from '../../core/drawing/side-view.ts';
import type { Scale } from './scale.ts';

const ink = 'var(--mui-palette-workbench-ink)';
const muted = 'var(--mui-palette-workbench-muted)';
const paper = 'var(--mui-palette-workbench-panel)';
const pull = 'var(--mui-palette-workbench-pull)';
const pullArea = 'var(--mui-palette-workbench-pullArea)';

const points = (scale: Scale, corners: readonly Point[]): string => corners.map(({ x, y }) => `${scale.x(x)},${scale.y(y)}`).join(' ');

interface WheelProps {
  readonly scale: Scale;
  readonly wheel: Circle;
  readonly line: number;
  /** rad it has turned; its spokes are drawn while it runs. */
  readonly turn: number | null;
}

const Wheel = ({ scale, wheel, line, turn }: WheelProps) => (
  <>
    <circle
      cx={scale.x(wheel.x)}
      cy={scale.y(wheel.y)}
      r={scale.length(wheel.radius)}
      fill={paper}
      fillOpacity={0.72}
      stroke={ink}
      strokeWidth={line}
    />
    {turn !== null && (
      <g
        transform={`translate(${scale.x(wheel.x)} ${scale.y(wheel.y)}) rotate(${((turn * 180) / Math.PI) % 360})`}
        stroke={ink}
        strokeWidth={0.7 * line}
      >
        {[0, 60, 120].map((angle) => (
          <line key={angle} x1={-scale.length(wheel.radius)} x2={scale.length(wheel.radius)} transform={`rotate(${angle})`} />
        ))}
      </g>
    )}
  </>
);

interface CarSketchProps {
  readonly view: SideView;
  readonly scale: Scale;
  /** Stroke of outlines, in drawing units. */
  readonly line: number;
  /** Where it is along its run; standing at the line without. */
  readonly pose?: Pose | null;
}

/** The car from the side, to scale: body, wheels, and what drives it. */
export function CarSketch({ view, scale, line, pose = null }: CarSketchProps) {
  const { axle, otherAxle } = view;
  return (
    <g>
      {view.otherWheel && <Wheel scale={scale} wheel={view.otherWheel} line={line} turn={pose && view.heading * pose.otherAngle} />}
      <Wheel scale={scale} wheel={view.driveWheel} line={line} turn={pose && view.heading * pose.driveAngle} />
      {view.deck.length > 0 && <polygon points={points(scale, view.deck)} fill={paper} stroke={muted} strokeWidth={0.7 * line} />}
      {view.ballast.length > 0 && <polygon points={points(scale, view.ballast)} fill={muted} stroke={ink} strokeWidth={0.6 * line} />}
      {otherAxle && (
        <circle cx={scale.x(otherAxle.x)} cy={scale.y(otherAxle.y)} r={Math.max(scale.length(otherAxle.radius), line)} fill={ink} />
      )}
      <MotorSketch view={view} scale={scale} line={line} pose={pose} />
      {[...view.sleeves].reverse().map((sleeve) => (
        <circle
          key={sleeve.radius}
          cx={scale.x(sleeve.x)}
          cy={scale.y(sleeve.y)}
          r={Math.max(scale.length(sleeve.radius), 2.4 * line)}
          fill={paper}
          stroke={pull}
          strokeWidth={0.6 * line}
        />
      ))}
      <circle
        cx={scale.x(axle.x)}
        cy={scale.y(axle.y)}
        r={Math.max(scale.length(axle.radius), 1.6 * line)}
        fill={pullArea}
        stroke={pull}
        strokeWidth={line}
      />
    </g>
  );
}

interface StrokeProps {
  readonly scale: Scale;
  readonly from: Point;
  readonly to: Point;
  readonly width: number;
  readonly dash?: string | undefined;
  readonly colour?: string;
}

const Stroke = ({ scale, from, to, width, dash, colour = pull }: StrokeProps) => (
  <line
    x1={scale.x(from.x)}
    y1={scale.y(from.y)}
    x2={scale.x(to.x)}
    y2={scale.y(to.y)}
    stroke={colour}
    strokeWidth={width}
    strokeDasharray={dash}
    strokeLinecap="round"
  />
);

/** Lever cocked (solid) and at rest (dashed) with its string; bands from hook to axle; or a roller's trailing arm. */
function MotorSketch({ view: { motor, axle }, scale, line, pose = null }: CarSketchProps) {
  switch (motor.kind) {
    case 'lever': {
      const { pivot, tipCocked } = motor;
      const length = Math.hypot(tipCocked.x - pivot.x, tipCocked.y - pivot.y);
      const angle = pose?.leverAngle;
      const tip = angle == null ? tipCocked : { x: pivot.x + length * Math.cos(angle), y: pivot.y + length * Math.sin(angle) };
      const isOff = pose !== null && pose.phase === 'coasting';
      return (
        <g>
          <polyline points={points(scale, motor.post)} stroke={muted} strokeWidth={3 * line} />
          <polygon points={points(scale, motor.trap)} fill={pullArea} stroke={ink} strokeWidth={0.6 * line} />
          <g opacity={0.75}>
            <Stroke scale={scale} from={motor.pivot} to={motor.tipAtRest} width={1.6 * line} dash={`${4 * line} ${3 * line}`} />
            <Stroke scale={scale} from={motor.tipAtRest} to={axle} width={0.6 * line} dash={`${2 * line} ${3 * line}`} colour={muted} />
          </g>
          <Stroke scale={scale} from={motor.pivot} to={tip} width={2.4 * line} />
          {!isOff && <Stroke scale={scale} from={tip} to={axle} width={0.6 * line} colour={muted} />}
          <circle cx={scale.x(motor.pivot.x)} cy={scale.y(motor.pivot.y)} r={1.8 * line} fill={ink} />
        </g>
      );
    }
    case 'band': {
      // Bands that dropped off are gone.
      if (pose?.phase === 'coasting') return null;
      const apart = 2.2 * line;
      return (
        <g>
          {Array.from({ length: motor.strands + 1 }, (_, i) => (i - motor.strands / 2) * apart).map((offset) => (
            <g key={offset} transform={`translate(0 ${offset})`}>
              <Stroke scale={scale} from={motor.anchor} to={axle} width={1.5 * line} />
            </g>
          ))}
          <circle cx={scale.x(motor.anchor.x)} cy={scale.y(motor.anchor.y)} r={2.4 * line} fill={paper} stroke={ink} strokeWidth={line} />
        </g>
      );
    }
    case 'twist':
      return (
        <g>
          <Stroke scale={scale} from={axle} to={motor.armTip} width={2 * line} colour={ink} />
          <circle cx={scale.x(motor.armTip.x)} cy={scale.y(motor.armTip.y)} r={1.6 * line} fill={ink} />
        </g>
      );
  }
}

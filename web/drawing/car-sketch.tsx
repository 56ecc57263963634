import type { CarGroup } from '../../core/car/car-groups.ts';
import type { Pose } from '../../core/geometry/pose.ts';
import type { SideView } from '../../core/geometry/side-view.ts';
import type { Circle } from '../../core/geometry/point.ts';
import { drawingOf } from './motors/motors.ts';
import { ofGroup } from './of-group.ts';
import type { Scale } from './scale.ts';
import { corners, INK, MUTED, PAPER, PULL, PULL_AREA } from './stroke.tsx';

interface WheelProps {
  readonly scale: Scale;
  readonly wheel: Circle;
  /** Radii of what tells its kind, m. */
  readonly marks: readonly number[];
  readonly line: number;
  /** rad it has turned; its spokes are drawn while it runs. */
  readonly turn: number | null;
  readonly group: CarGroup;
}

const Wheel = ({ scale, wheel, marks, line, turn, group }: WheelProps) => (
  <g {...ofGroup(group)}>
    <circle
      cx={scale.x(wheel.x)}
      cy={scale.y(wheel.y)}
      r={scale.length(wheel.radius)}
      fill={PAPER}
      fillOpacity={0.72}
      stroke={INK}
      strokeWidth={line}
    />
    {marks.map((radius) => (
      <circle
        key={radius}
        cx={scale.x(wheel.x)}
        cy={scale.y(wheel.y)}
        r={scale.length(radius)}
        fill="none"
        stroke={MUTED}
        strokeWidth={0.5 * line}
      />
    ))}
    {turn !== null && (
      <g
        transform={`translate(${scale.x(wheel.x)} ${scale.y(wheel.y)}) rotate(${((turn * 180) / Math.PI) % 360})`}
        stroke={INK}
        strokeWidth={0.7 * line}
      >
        {[0, 60, 120].map((angle) => (
          <line key={angle} x1={-scale.length(wheel.radius)} x2={scale.length(wheel.radius)} transform={`rotate(${angle})`} />
        ))}
      </g>
    )}
  </g>
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
      {view.otherWheel && (
        <Wheel
          group="otherAxle"
          scale={scale}
          wheel={view.otherWheel}
          marks={view.otherMarks}
          line={line}
          turn={pose && view.heading * pose.otherAngle}
        />
      )}
      <Wheel
        group="driveAxle"
        scale={scale}
        wheel={view.driveWheel}
        marks={view.driveMarks}
        line={line}
        turn={pose && view.heading * pose.driveAngle}
      />
      {view.deck.length > 0 && (
        <polygon {...ofGroup('body')} points={corners(scale, view.deck)} fill={PAPER} stroke={MUTED} strokeWidth={0.7 * line} />
      )}
      {[
        { block: view.ballast, fill: MUTED, width: 0.6 },
        { block: view.load, fill: PAPER, width: 1 },
      ].map(
        ({ block, fill, width }) =>
          block.length > 0 && (
            <polygon key={fill} {...ofGroup('body')} points={corners(scale, block)} fill={fill} stroke={INK} strokeWidth={width * line} />
          ),
      )}
      {otherAxle && (
        <circle cx={scale.x(otherAxle.x)} cy={scale.y(otherAxle.y)} r={Math.max(scale.length(otherAxle.radius), line)} fill={INK} />
      )}
      <g {...ofGroup('motor')}>{drawingOf(view.motor).sketch({ view: view.motor, axle, scale, line, pose })}</g>
      {[...view.sleeves].reverse().map((sleeve) => (
        <circle
          key={sleeve.radius}
          cx={scale.x(sleeve.x)}
          cy={scale.y(sleeve.y)}
          r={Math.max(scale.length(sleeve.radius), 2.4 * line)}
          fill={PAPER}
          stroke={PULL}
          strokeWidth={0.6 * line}
        />
      ))}
      <circle
        cx={scale.x(axle.x)}
        cy={scale.y(axle.y)}
        r={Math.max(scale.length(axle.radius), 1.6 * line)}
        fill={PULL_AREA}
        stroke={PULL}
        strokeWidth={line}
      />
    </g>
  );
}

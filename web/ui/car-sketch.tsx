import type { Circle, Point, SideView } from '../../core/drawing/side-view.ts';

const ink = 'var(--mui-palette-workbench-ink)';
const muted = 'var(--mui-palette-workbench-muted)';
const paper = 'var(--mui-palette-workbench-panel)';
const pull = 'var(--mui-palette-workbench-pull)';

/** Metres to drawing units: x grows to the right, y down from the floor. */
export interface Scale {
  readonly x: (metres: number) => number;
  readonly y: (metres: number) => number;
  readonly length: (metres: number) => number;
}

/** The largest scale at which the car, with margins, fits `width` × `height`. The floor lies `floor` units above the lower edge. */
export function fitScale(view: SideView, width: number, height: number, margin: { side: number; top: number; floor: number }): Scale {
  const { left, right, top } = view.bounds;
  const perMetre = Math.min((width - 2 * margin.side) / (right - left), (height - margin.top - margin.floor) / top);
  const centre = (left + right) / 2;
  return {
    x: (metres) => width / 2 + (metres - centre) * perMetre,
    y: (metres) => height - margin.floor - metres * perMetre,
    length: (metres) => metres * perMetre,
  };
}

const points = (scale: Scale, corners: readonly Point[]): string => corners.map(({ x, y }) => `${scale.x(x)},${scale.y(y)}`).join(' ');

const Wheel = ({ scale, wheel, line }: { readonly scale: Scale; readonly wheel: Circle; readonly line: number }) => (
  <circle
    cx={scale.x(wheel.x)}
    cy={scale.y(wheel.y)}
    r={scale.length(wheel.radius)}
    fill={paper}
    fillOpacity={0.72}
    stroke={ink}
    strokeWidth={line}
  />
);

interface CarSketchProps {
  readonly view: SideView;
  readonly scale: Scale;
  /** Stroke of outlines, in drawing units. */
  readonly line: number;
}

/** The car from the side, to scale: body, wheels, trap, lever cocked (solid) and at rest (dashed), string. */
export function CarSketch({ view, scale, line }: CarSketchProps) {
  const { pivot, tipCocked, tipAtRest, axle, otherAxle } = view;
  const lever = (tip: Point, isCocked: boolean) => (
    <g stroke={pull} strokeLinecap="round" fill="none" opacity={isCocked ? 1 : 0.75}>
      <line
        x1={scale.x(pivot.x)}
        y1={scale.y(pivot.y)}
        x2={scale.x(tip.x)}
        y2={scale.y(tip.y)}
        strokeWidth={isCocked ? 2.4 * line : 1.6 * line}
        strokeDasharray={isCocked ? undefined : `${4 * line} ${3 * line}`}
      />
      <line
        x1={scale.x(tip.x)}
        y1={scale.y(tip.y)}
        x2={scale.x(axle.x)}
        y2={scale.y(axle.y)}
        stroke={muted}
        strokeWidth={0.6 * line}
        strokeDasharray={isCocked ? undefined : `${2 * line} ${3 * line}`}
      />
    </g>
  );
  return (
    <g>
      <Wheel scale={scale} wheel={view.otherWheel} line={line} />
      <Wheel scale={scale} wheel={view.driveWheel} line={line} />
      <polygon points={points(scale, view.deck)} fill={paper} stroke={muted} strokeWidth={0.7 * line} />
      <polyline points={points(scale, view.post)} stroke={muted} strokeWidth={3 * line} />
      <polygon points={points(scale, view.trap)} fill="var(--mui-palette-workbench-pullArea)" stroke={ink} strokeWidth={0.6 * line} />
      <circle cx={scale.x(otherAxle.x)} cy={scale.y(otherAxle.y)} r={Math.max(scale.length(otherAxle.radius), line)} fill={ink} />
      {lever(tipAtRest, false)}
      {lever(tipCocked, true)}
      <circle
        cx={scale.x(axle.x)}
        cy={scale.y(axle.y)}
        r={Math.max(scale.length(axle.radius), 1.6 * line)}
        fill="var(--mui-palette-workbench-pullArea)"
        stroke={pull}
        strokeWidth={line}
      />
      <circle cx={scale.x(pivot.x)} cy={scale.y(pivot.y)} r={1.8 * line} fill={ink} />
    </g>
  );
}

import type { Point } from '../../core/geometry/point.ts';
import type { Scale } from './scale.ts';

/** Colours of a drawing. */
export const INK = 'var(--mui-palette-workbench-ink)';
export const MUTED = 'var(--mui-palette-workbench-muted)';
export const PAPER = 'var(--mui-palette-workbench-panel)';
export const PULL = 'var(--mui-palette-workbench-pull)';
export const PULL_AREA = 'var(--mui-palette-workbench-pullArea)';
export const PULL_TEXT = 'var(--mui-palette-workbench-pullText)';

/** Corners as SVG wants them. */
export const corners = (scale: Scale, points: readonly Point[]): string =>
  points.map(({ x, y }) => `${scale.x(x)},${scale.y(y)}`).join(' ');

interface StrokeProps {
  readonly scale: Scale;
  readonly from: Point;
  readonly to: Point;
  readonly width: number;
  readonly dash?: string | undefined;
  readonly colour?: string;
}

/** A straight line between two points of a view. */
export const Stroke = ({ scale, from, to, width, dash, colour = PULL }: StrokeProps) => (
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

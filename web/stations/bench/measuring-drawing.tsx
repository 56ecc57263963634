import { useId, useMemo } from 'react';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { measuringSetup } from '../../../core/geometry/measuring-setup.ts';
import { CarSketch } from '../../drawing/car-sketch.tsx';
import { corners, INK, MUTED, PAPER, PULL } from '../../drawing/stroke.tsx';
import { FONTS } from '../../ui/tokens.ts';

interface MeasuringDrawingProps {
  readonly design: CarDesign;
  readonly kind: MeasurementKind;
  readonly name: string;
}

const WIDTH = 460;
const HEIGHT = 200;
/** px kept free for words at the sides, above and below. */
const SIDE = 40;
const EDGE = 26;

/** px that a letter takes, generously. */
const LETTER = 7;

/** This car as it is measured, to scale. */
export function MeasuringDrawing({ design, kind, name }: MeasuringDrawingProps) {
  const tip = useId();
  const { view, car, boxes, lines, circles, arrows, bounds } = useMemo(() => measuringSetup(design, kind), [design, kind]);
  const perMetre = Math.min((WIDTH - 2 * SIDE) / (bounds.right - bounds.left), (HEIGHT - 2 * EDGE) / (bounds.top - bounds.bottom));
  const x0 = WIDTH / 2 - ((bounds.left + bounds.right) / 2) * perMetre;
  const y0 = HEIGHT - EDGE + bounds.bottom * perMetre;
  const scale = { x: (x: number) => x0 + x * perMetre, y: (y: number) => y0 - y * perMetre, length: (metres: number) => metres * perMetre };
  const degrees = car ? (-car.tilt * 180) / Math.PI : 0;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${name} on ${design.name}, drawn to scale`}
      style={{ width: '100%', maxWidth: WIDTH, height: 'auto' }}
      fontFamily={FONTS.text}
      fontSize={13}
    >
      <defs>
        <marker id={tip} viewBox="0 0 8 8" refX={7} refY={4} markerWidth={7} markerHeight={7} orient="auto-start-reverse">
          <path d="M0 0L8 4L0 8Z" fill={PULL} />
        </marker>
      </defs>
      {lines.map(([from, to], i) => (
        <line key={i} x1={scale.x(from.x)} y1={scale.y(from.y)} x2={scale.x(to.x)} y2={scale.y(to.y)} stroke={INK} strokeWidth={1.6} />
      ))}
      {boxes.map(({ points, label }) => (
        <g key={label}>
          <polygon points={corners(scale, points)} fill={PAPER} stroke={INK} strokeWidth={1.2} />
          <text
            x={scale.x(points.reduce((sum, { x }) => sum + x, 0) / points.length)}
            y={Math.min(HEIGHT - 6, scale.y(Math.min(...points.map(({ y }) => y))) + 16)}
            textAnchor="middle"
            fill={MUTED}
          >
            {label}
          </text>
        </g>
      ))}
      {car && (
        <g transform={`translate(0 ${-scale.length(car.lift)}) rotate(${degrees} ${scale.x(0)} ${scale.y(0)})`}>
          <CarSketch view={view} scale={scale} line={1.2} />
        </g>
      )}
      {circles.map(({ x, y, radius }, i) => (
        <circle key={i} cx={scale.x(x)} cy={scale.y(y)} r={Math.max(scale.length(radius), 2)} fill="none" stroke={INK} strokeWidth={1.6} />
      ))}
      {arrows.map(({ from, to, label }, i) => {
        const [x, y] = [scale.x(to.x), scale.y(to.y)];
        const isUpright = Math.abs(x - scale.x(from.x)) < Math.abs(y - scale.y(from.y));
        // Below the floor's line its words stand below it.
        const isBelow = from.y < 0 && to.y < 0;
        const isLeft = x + 8 + LETTER * label.length > WIDTH;
        const middle = (x + scale.x(from.x)) / 2;
        return (
          <g key={i}>
            <line x1={scale.x(from.x)} y1={scale.y(from.y)} x2={x} y2={y} stroke={PULL} strokeWidth={2.4} markerEnd={`url(#${tip})`} />
            <text
              x={isUpright ? x + (isLeft ? -8 : 8) : middle}
              y={isUpright ? Math.max(14, y + 4) : isBelow ? y + 17 : Math.max(14, Math.min(y, scale.y(from.y)) - 7)}
              textAnchor={isUpright ? (isLeft ? 'end' : 'start') : 'middle'}
              fill={INK}
            >
              {label}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

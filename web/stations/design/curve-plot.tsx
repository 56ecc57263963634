import { useId } from 'react';
import { printNumber, printQuantity, unitOf, unitValue, type UnitSystem } from '../../../core/units/quantity.ts';
import { FONTS } from '../../app/tokens.ts';
import { rowAt, type Curve, type CurveRow } from './curve-data.ts';

/** What the pull is drawn against. */
export type CurveAxis = 'distance' | 'time';

const PLOT = { left: 52, right: 20, top: 30, bottom: 40 };
const colour = (name: string): string => `var(--mui-palette-workbench-${name})`;

/** Round values from 0 to `most`, about `count` of them. */
function ticksTo(most: number, count: number): number[] {
  const rough = most / count;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 3, 5, 10].find((factor) => factor * power >= rough) ?? 10) * power;
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
}

/** Places on the chart, px, of what stands on the curve's axes. */
export interface CurvePlaces {
  readonly x: (row: Pick<CurveRow, CurveAxis>) => number;
  readonly y: (newton: number) => number;
  /** The distance, m, at a place across. */
  readonly distanceAt: (px: number) => number;
}

interface CurvePlotProps {
  readonly curve: Curve;
  /** An earlier version, drawn behind. */
  readonly behind: { readonly name: string; readonly curve: Curve } | null;
  /** m, marked on the curve. */
  readonly reading: number | null;
  readonly axis: CurveAxis;
  readonly units: UnitSystem;
  readonly width: number;
  readonly height: number;
}

/** Where the axes end: along, in m or s; up, in N. */
const extent = ({
  curve,
  behind,
  axis,
}: Pick<CurvePlotProps, 'curve' | 'behind' | 'axis'>): { readonly along: number; readonly most: number } => {
  const own = axis === 'distance' ? curve.end : (curve.rows.at(-1)?.time ?? 0);
  const other = behind ? (behind.curve.rows.at(-1)?.[axis] ?? 0) : 0;
  const top = (rows: readonly CurveRow[]): number => rows.reduce((most, { thrust }) => Math.max(most, thrust), 1e-6);
  return {
    along: Math.max(own, Math.min(1.5 * own, other)) || 1,
    most: 1.25 * Math.max(top(curve.rows), behind ? top(behind.curve.rows) : 0),
  };
};

/** The distance on the curve at a place across the chart, m; null beside the plot. */
export function distanceUnder(
  px: number,
  { curve, behind, axis, width }: Pick<CurvePlotProps, 'curve' | 'behind' | 'axis' | 'width'>,
): number | null {
  const part = (px - PLOT.left) / (width - PLOT.left - PLOT.right);
  if (part < 0 || part > 1) return null;
  const along = part * extent({ curve, behind, axis }).along;
  if (axis === 'distance') return Math.min(along, curve.end);
  const after = curve.rows.findIndex(({ time }) => time >= along);
  if (after <= 0) return after === 0 ? 0 : curve.end;
  const [a, b] = [curve.rows[after - 1]!, curve.rows[after]!];
  return a.distance + (b.time > a.time ? (along - a.time) / (b.time - a.time) : 1) * (b.distance - a.distance);
}

/** The pull curve itself: drawn anew in every frame of a drag, so by hand and light. */
export function CurvePlot({ curve, behind, reading, axis, units, width, height }: CurvePlotProps) {
  const hatch = useId();
  const { along, most } = extent({ curve, behind, axis });
  const [far, strong] = [axis === 'distance' ? unitValue('distance', units) : 1, unitValue('force', units)];
  const right = width - PLOT.right;
  const floor = height - PLOT.bottom;
  const x = (row: Pick<CurveRow, CurveAxis>): number => PLOT.left + (row[axis] / along) * (right - PLOT.left);
  const y = (newton: number): number => floor - (Math.max(newton, 0) / most) * (floor - PLOT.top);
  const lineOf = (rows: readonly CurveRow[], value: (row: CurveRow) => number): string =>
    rows.map((row, i) => `${i === 0 ? 'M' : 'L'}${x(row).toFixed(1)} ${y(value(row)).toFixed(1)}`).join('');
  const back = (rows: readonly CurveRow[], value: (row: CurveRow) => number): string =>
    [...rows]
      .reverse()
      .map((row) => `L${x(row).toFixed(1)} ${y(value(row)).toFixed(1)}`)
      .join('');
  const { rows } = curve;
  const grip = rows[0]?.gripLimit ?? 0;
  const isGripShown = grip < most;
  const at = (part: number): CurveRow => rows.find(({ distance }) => distance >= part * (curve.powerEnd ?? curve.end)) ?? rows.at(-1)!;
  const powerEnd = curve.powerEnd === null ? null : rowAt(curve, curve.powerEnd);
  const read = reading === null ? null : rowAt(curve, reading);
  const spinning = rows.filter(({ phase }) => phase === 'spinning');
  const name = (text: string, row: CurveRow, newton: number, fill: string, up: boolean) => (
    <text
      x={Math.min(x(row), right - 60)}
      y={y(newton) + (up ? -10 : 18)}
      fill={fill}
      fontWeight={600}
      stroke={colour('ground')}
      strokeWidth={5}
      paintOrder="stroke"
      strokeLinejoin="round"
    >
      {text}
    </text>
  );
  const figure = (value: number): string => String(Number(value.toFixed(3)));
  return (
    <svg width={width} height={height} fontFamily={FONTS.text} fontSize={13} aria-hidden style={{ position: 'absolute' }}>
      <defs>
        <pattern id={hatch} width={8} height={8} patternUnits="userSpaceOnUse">
          <path d="M-2 2l4 -4M0 8l8 -8M6 10l4 -4" stroke={colour('stop')} strokeWidth={1.4} />
        </pattern>
      </defs>
      {ticksTo(most / strong, 6).map((value) => (
        <g key={value}>
          <path d={`M${PLOT.left} ${y(value * strong)}H${right}`} stroke={colour('rule')} strokeWidth={0.7} />
          <text
            x={PLOT.left - 8}
            y={y(value * strong) + 4}
            textAnchor="end"
            fontFamily={FONTS.figures}
            fontSize={12}
            fill={colour('muted')}
          >
            {figure(value)}
          </text>
        </g>
      ))}
      {ticksTo(along / far, 7).map((value) => {
        const px = PLOT.left + ((value * far) / along) * (right - PLOT.left);
        return (
          <g key={value}>
            <path d={`M${px} ${floor}v5`} stroke={colour('ink')} />
            <text x={px} y={floor + 18} textAnchor="middle" fontFamily={FONTS.figures} fontSize={12} fill={colour('muted')}>
              {figure(value)}
            </text>
          </g>
        );
      })}
      <text x={16} y={16} fill={colour('muted')}>
        {`pull at the tyre, ${unitOf('force', units)}${isGripShown ? '' : `  ·  grip limit ${printNumber(grip, 'force', units)}, far above`}`}
      </text>
      <text x={right} y={floor + 36} textAnchor="end" fill={colour('muted')}>
        {axis === 'distance' ? `distance travelled, ${unitOf('distance', units)}` : 'time, s'}
      </text>
      <path
        d={`${lineOf(rows, ({ thrust }) => thrust)}L${x(rows.at(-1)!)} ${floor}L${x(rows[0]!)} ${floor}Z`}
        fill={colour('pullArea')}
        opacity={0.55}
      />
      {spinning.length > 1 && (
        <path
          d={`${lineOf(spinning, ({ thrust, gripLimit }) => Math.max(thrust, gripLimit))}${back(spinning, ({ gripLimit }) => gripLimit)}Z`}
          fill={`url(#${hatch})`}
        />
      )}
      <path d={lineOf(rows, ({ thrust }) => thrust)} fill="none" stroke={colour('pull')} strokeWidth={3} strokeLinejoin="round" />
      {isGripShown && (
        <path d={lineOf(rows, ({ gripLimit }) => Math.min(gripLimit, most))} fill="none" stroke={colour('ink')} strokeWidth={1.5} />
      )}
      <path
        d={lineOf(rows, ({ resistance }) => resistance)}
        fill="none"
        stroke={colour('distance')}
        strokeWidth={2}
        strokeDasharray="7 5"
      />
      {behind && (
        <path
          d={lineOf(
            behind.curve.rows.filter((row) => row[axis] <= along),
            ({ thrust }) => thrust,
          )}
          fill="none"
          stroke={colour('muted')}
          strokeWidth={2}
          strokeDasharray="2 4"
        />
      )}
      <path d={`M${PLOT.left} ${PLOT.top}V${floor}H${right}`} fill="none" stroke={colour('ink')} />
      {powerEnd && (
        <>
          <path d={`M${x(powerEnd)} ${PLOT.top}V${floor}`} stroke={colour('ink')} />
          {curve.distance > powerEnd.distance && (
            <text x={Math.min(x(powerEnd) + 6, right - 120)} y={PLOT.top + 12} fill={colour('ink')}>
              coasts {printQuantity(curve.distance - powerEnd.distance, 'distance', units)} more
            </text>
          )}
        </>
      )}
      {spinning.length > 1 && name('wheelspin', spinning[Math.floor(spinning.length / 8)]!, spinning[0]!.thrust, colour('stop'), true)}
      {isGripShown && name(`grip limit ${printQuantity(grip, 'force', units)}`, at(0.8), at(0.8).gripLimit, colour('ink'), true)}
      {behind &&
        name(
          behind.name,
          behind.curve.rows[Math.floor(behind.curve.rows.length / 2)]!,
          behind.curve.rows[Math.floor(behind.curve.rows.length / 2)]!.thrust,
          colour('muted'),
          false,
        )}
      {name('pull of this car', at(0.3), at(0.3).thrust, colour('pullText'), true)}
      {name('resistance', at(0.72), at(0.72).resistance, colour('distance'), false)}
      {read && (
        <>
          <path d={`M${x(read)} ${PLOT.top}V${floor}`} stroke={colour('distance')} strokeDasharray="4 3" />
          <circle cx={x(read)} cy={y(read.thrust)} r={5} fill={colour('panel')} stroke={colour('pull')} strokeWidth={3} />
        </>
      )}
    </svg>
  );
}

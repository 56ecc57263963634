import type { EChartsCoreOption } from 'echarts/core';
import { printNumber, printQuantity, unitOf, unitValue, type UnitSystem } from '../../../core/units/quantity.ts';
import { FONTS, type Tokens } from '../../app/tokens.ts';
import { rowAt, type Curve } from './curve-data.ts';

const axisText = (tokens: Tokens) => ({ fontFamily: FONTS.figures, fontSize: 12, color: tokens.muted });

/** Diagonal lines, for energy that is lost: never by colour alone. */
function hatch(colour: string): { image: HTMLCanvasElement; repeat: 'repeat' } {
  const tile = document.createElement('canvas');
  tile.width = tile.height = 8;
  const pen = tile.getContext('2d')!;
  pen.strokeStyle = colour;
  pen.lineWidth = 1.4;
  pen.beginPath();
  for (const offset of [-8, 0, 8]) {
    pen.moveTo(offset, 8);
    pen.lineTo(offset + 8, 0);
  }
  pen.stroke();
  return { image: tile, repeat: 'repeat' };
}

/** What the pull is drawn against. */
export type CurveAxis = 'distance' | 'time';

interface CurveChart {
  readonly curve: Curve;
  /** An earlier version, drawn behind. */
  readonly behind: { readonly name: string; readonly curve: Curve } | null;
  /** m, marked on the curve. */
  readonly reading: number | null;
  readonly axis: CurveAxis;
  readonly units: UnitSystem;
  readonly tokens: Tokens;
}

/** The pull curve as the chart library draws it. */
export function curveOption({ curve, behind, reading, axis, units, tokens }: CurveChart): EChartsCoreOption {
  const far = axis === 'distance' ? unitValue('distance', units) : 1;
  const strong = unitValue('force', units);
  type Row = Curve['rows'][number];
  const acrossOf = (row: Row): number => row[axis];
  const pairsOf = (rows: readonly Row[], value: (row: Row) => number) => rows.map((row) => [acrossOf(row) / far, value(row) / strong]);
  const pairs = (value: (row: Row) => number) => pairsOf(curve.rows, value);
  /** The place across of a distance on the curve. */
  const acrossAt = (distance: number): number => (axis === 'distance' ? distance : (rowAt(curve, distance)?.time ?? 0));
  const end = Math.max(acrossAt(curve.end), behind ? Math.min(1.5 * acrossAt(curve.end), acrossOf(behind.curve.rows.at(-1)!)) : 0);
  const most = Math.max(...curve.rows.map(({ thrust }) => thrust), ...(behind?.curve.rows.map(({ thrust }) => thrust) ?? []), 1e-6);
  const top = (1.25 * most) / strong;
  const grip = curve.rows[0]?.gripLimit ?? 0;
  const isGripShown = grip / strong < top;
  const line = (name: string, data: number[][], color: string, more: object = {}) => ({
    type: 'line',
    name,
    data,
    symbol: 'none',
    animation: false,
    silent: true,
    lineStyle: { color, width: 2 },
    ...more,
  });
  const upright = (x: number, label: string, color: string, type: 'solid' | 'dashed') => ({
    xAxis: x / far,
    lineStyle: { color, width: 1, type },
    label: {
      formatter: label,
      color: tokens.ink,
      fontFamily: FONTS.text,
      fontSize: 13,
      position: 'insideEndTop',
      rotate: 0,
      align: 'left',
      offset: [6, 14],
    },
  });
  const uprights = [
    ...(curve.powerEnd === null
      ? []
      : [
          upright(
            acrossAt(curve.powerEnd),
            curve.distance > curve.powerEnd ? `coasts ${printQuantity(curve.distance - curve.powerEnd, 'distance', units)} more` : '',
            tokens.ink,
            'solid',
          ),
        ]),
    ...(reading === null ? [] : [upright(acrossAt(reading), '', tokens.distance, 'dashed')]),
  ];
  const named = (text: string, color: string, at: number, y: number, up: boolean) => ({
    type: 'line',
    data: [[at / far, y / strong]],
    symbol: 'circle',
    symbolSize: 0.1,
    silent: true,
    animation: false,
    label: {
      show: true,
      formatter: text,
      color,
      fontFamily: FONTS.text,
      fontWeight: 600,
      fontSize: 13,
      position: up ? 'top' : 'bottom',
      distance: 6,
      backgroundColor: tokens.ground,
      padding: [1, 3],
    },
  });
  const at = (part: number) => curve.rows.find(({ distance }) => distance >= part * (curve.powerEnd ?? curve.end)) ?? curve.rows.at(-1)!;
  const pullName = at(0.3);
  const resistanceName = at(0.72);
  return {
    animation: false,
    grid: { left: 52, right: 20, top: 30, bottom: 40 },
    xAxis: {
      type: 'value',
      min: 0,
      max: end / far,
      name: axis === 'distance' ? `distance travelled, ${unitOf('distance', units)}` : 'time, s',
      nameLocation: 'end',
      nameTextStyle: {
        align: 'right',
        verticalAlign: 'top',
        padding: [24, 0, 0, 0],
        color: tokens.muted,
        fontFamily: FONTS.text,
        fontSize: 13,
      },
      axisLine: { lineStyle: { color: tokens.ink } },
      axisLabel: { ...axisText(tokens), showMaxLabel: false, formatter: (value: number) => String(Number(value.toFixed(3))) },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: top,
      name: `pull at the tyre, ${unitOf('force', units)}${isGripShown ? '' : `  ·  grip limit ${printNumber(grip, 'force', units)}, far above`}`,
      nameGap: 14,
      nameTextStyle: { align: 'left', color: tokens.muted, fontFamily: FONTS.text, fontSize: 13, padding: [0, 0, 0, -44] },
      axisLabel: { ...axisText(tokens), showMaxLabel: false, formatter: (value: number) => String(Number(value.toFixed(3))) },
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      line(
        'pull',
        pairs(({ thrust }) => Math.max(thrust, 0)),
        tokens.pull,
        {
          lineStyle: { color: tokens.pull, width: 3 },
          areaStyle: { color: tokens.pullArea, opacity: 0.55 },
          markLine: { symbol: 'none', silent: true, animation: false, data: uprights },
        },
      ),
      ...(curve.spins
        ? [
            line(
              'floor of wheelspin',
              pairs(({ thrust, gripLimit }) => Math.min(thrust, gripLimit)),
              'transparent',
              { stack: 'spin', lineStyle: { width: 0 } },
            ),
            line(
              'wheelspin',
              pairs(({ thrust, gripLimit }) => Math.max(thrust - gripLimit, 0)),
              'transparent',
              { stack: 'spin', lineStyle: { width: 0 }, areaStyle: { color: hatch(tokens.stop), opacity: 0.9 } },
            ),
            named('wheelspin', tokens.stop, 0.12 * acrossAt(curve.powerEnd ?? curve.end), curve.rows[0]!.thrust, true),
          ]
        : []),
      ...(isGripShown
        ? [
            line(
              'grip limit',
              pairs(({ gripLimit }) => gripLimit),
              tokens.ink,
              { lineStyle: { color: tokens.ink, width: 1.5 } },
            ),
            named(`grip limit ${printQuantity(grip, 'force', units)}`, tokens.ink, acrossOf(at(0.8)), at(0.8).gripLimit, true),
          ]
        : []),
      line(
        'resistance',
        pairs(({ resistance }) => resistance),
        tokens.distance,
        { lineStyle: { color: tokens.distance, width: 2, type: 'dashed' } },
      ),
      ...(behind
        ? [
            line(
              'behind',
              pairsOf(behind.curve.rows, ({ thrust }) => Math.max(thrust, 0)),
              tokens.muted,
              { lineStyle: { color: tokens.muted, width: 2, type: 'dotted' } },
            ),
            named(
              behind.name,
              tokens.muted,
              acrossOf(behind.curve.rows[Math.floor(behind.curve.rows.length / 6)]!),
              behind.curve.rows[Math.floor(behind.curve.rows.length / 6)]!.thrust,
              false,
            ),
          ]
        : []),
      named('pull of this car', tokens.pullText, acrossOf(pullName), pullName.thrust, true),
      named('resistance', tokens.distance, acrossOf(resistanceName), resistanceName.resistance, false),
    ],
  };
}

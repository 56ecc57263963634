import type { EChartsCoreOption } from 'echarts/core';
import { printNumber, printQuantity, unitOf, unitValue, type UnitSystem } from '../../../core/units/quantity.ts';
import { FONTS, type Tokens } from '../../app/tokens.ts';
import type { Curve } from './curve-data.ts';

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

/** The pull curve as the chart library draws it, with the reading at `reading` metres marked. */
export function curveOption(curve: Curve, reading: number | null, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const far = unitValue('distance', units);
  const strong = unitValue('force', units);
  const pairs = (value: (row: Curve['rows'][number]) => number) => curve.rows.map((row) => [row.distance / far, value(row) / strong]);
  const most = Math.max(...curve.rows.map(({ thrust }) => thrust), 1e-6);
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
            curve.powerEnd,
            curve.distance > curve.powerEnd ? `coasts ${printQuantity(curve.distance - curve.powerEnd, 'distance', units)} more` : '',
            tokens.ink,
            'solid',
          ),
        ]),
    ...(reading === null ? [] : [upright(reading, '', tokens.distance, 'dashed')]),
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
      max: curve.end / far,
      name: `distance travelled, ${unitOf('distance', units)}`,
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
            named('wheelspin', tokens.stop, curve.rows[0]!.distance + 0.12 * (curve.powerEnd ?? curve.end), curve.rows[0]!.thrust, true),
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
            named(`grip limit ${printQuantity(grip, 'force', units)}`, tokens.ink, at(0.8).distance, at(0.8).gripLimit, true),
          ]
        : []),
      line(
        'resistance',
        pairs(({ resistance }) => resistance),
        tokens.distance,
        { lineStyle: { color: tokens.distance, width: 2, type: 'dashed' } },
      ),
      named('pull of this car', tokens.pullText, pullName.distance, pullName.thrust, true),
      named('resistance', tokens.distance, resistanceName.distance, resistanceName.resistance, false),
    ],
  };
}

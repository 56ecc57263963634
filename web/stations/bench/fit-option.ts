import type { EChartsCoreOption } from 'echarts/core';
import type { FitPlot } from '../../../core/bench/measured.ts';
import { acrossName, axisText, upName } from '../../charts/axis-text.ts';
import type { Tokens } from '../../ui/tokens.ts';

/** Readings as points, odd ones as diamonds, dashed the prior, with the fit and the band within which it lies 9 times in 10. */
export function fitOption({ across, up, points, odd, residuals, curve, thought = [] }: FitPlot, tokens: Tokens): EChartsCoreOption {
  const line = { type: 'line', symbol: 'none', silent: true, animation: false };
  const xAxis = {
    type: 'value',
    min: ({ min, max }: { min: number; max: number }) => min - 0.04 * (max - min || 1),
    max: ({ min, max }: { min: number; max: number }) => max + 0.04 * (max - min || 1),
    axisLabel: { ...axisText(tokens), showMinLabel: false, showMaxLabel: false },
    axisLine: { lineStyle: { color: tokens.ink } },
    splitLine: { show: false },
  };
  const yAxis = {
    type: 'value',
    axisLabel: axisText(tokens),
    splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
  };
  const left = points.map(([x], i) => [x, residuals[i] ?? 0] as const);
  const most = Math.max(...residuals.map(Math.abs), 1e-12);
  /** Below the readings, what the fit leaves of each: without a trend where the line or curve is the right one. */
  const below = { xAxisIndex: 1, yAxisIndex: 1 };
  return {
    animation: false,
    grid: [
      { left: 56, right: 16, top: 28, height: '56%' },
      { left: 56, right: 16, top: '76%', bottom: 40 },
    ],
    xAxis: [
      { ...xAxis, axisLabel: { show: false } },
      { ...xAxis, gridIndex: 1, name: across, ...acrossName(tokens), axisLine: { onZero: false, lineStyle: { color: tokens.ink } } },
    ],
    yAxis: [
      { ...yAxis, scale: true, name: up, ...upName(tokens, 48) },
      {
        ...yAxis,
        gridIndex: 1,
        min: -1.3 * most,
        max: 1.3 * most,
        interval: 1.3 * most,
        axisLabel: { ...axisText(tokens), formatter: (value: number) => (Math.abs(value) < 1e-12 ? '0' : value.toPrecision(2)) },
        name: 'residual',
        nameGap: 4,
        nameTextStyle: { color: tokens.muted, align: 'left' },
      },
    ],
    series: [
      {
        ...line,
        ...below,
        name: 'no residual',
        data:
          left.length > 0
            ? [
                [left[0]![0], 0],
                [left.at(-1)![0], 0],
              ]
            : [],
        lineStyle: { color: tokens.distance, width: 1 },
      },
      {
        ...below,
        type: 'scatter',
        name: 'residual',
        data: left.filter((_, i) => !odd.includes(i)),
        symbolSize: 6,
        itemStyle: { color: tokens.ink },
      },
      {
        ...below,
        type: 'scatter',
        name: 'residual, outlier',
        data: left.filter((_, i) => odd.includes(i)),
        symbol: 'diamond',
        symbolSize: 10,
        itemStyle: { color: tokens.stop },
      },
      { ...line, name: 'low', stack: 'range', data: curve.map(({ x, low }) => [x, low]), lineStyle: { width: 0 } },
      {
        ...line,
        name: '9 in 10',
        stack: 'range',
        stackStrategy: 'all',
        data: curve.map(({ x, low, high }) => [x, high - low]),
        lineStyle: { width: 0 },
        areaStyle: { color: tokens.distance, opacity: 0.18 },
      },
      { ...line, name: 'fitted', data: curve.map(({ x, y }) => [x, y]), lineStyle: { color: tokens.distance, width: 2 } },
      { ...line, name: 'expected', data: [...thought], lineStyle: { color: tokens.muted, width: 2, type: 'dashed' } },
      {
        type: 'scatter',
        name: 'reading',
        data: points.filter((_, i) => !odd.includes(i)),
        symbolSize: 9,
        itemStyle: { color: tokens.ink },
      },
      {
        type: 'scatter',
        name: 'outlier',
        data: points.filter((_, i) => odd.includes(i)),
        symbol: 'diamond',
        symbolSize: 13,
        itemStyle: { color: tokens.stop },
      },
    ],
  };
}

import type { EChartsCoreOption } from 'echarts/core';
import type { Drawn } from '../../../core/bench/measured.ts';
import { acrossName, axisText, upName } from '../../charts/axis-text.ts';
import type { Tokens } from '../../ui/tokens.ts';

/** Readings as points, odd ones as diamonds, dashed what was thought, with the fit and the band within which it lies 9 times in 10. */
export function fitOption({ across, up, points, odd, curve, thought = [] }: Drawn, tokens: Tokens): EChartsCoreOption {
  const line = { type: 'line', symbol: 'none', silent: true, animation: false };
  return {
    animation: false,
    grid: { left: 56, right: 16, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      scale: true,
      name: across,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
      axisLine: { lineStyle: { color: tokens.ink } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      name: up,
      ...upName(tokens, 48),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
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
      { ...line, name: 'as thought', data: [...thought], lineStyle: { color: tokens.muted, width: 2, type: 'dashed' } },
      {
        type: 'scatter',
        name: 'read',
        data: points.filter((_, i) => !odd.includes(i)),
        symbolSize: 9,
        itemStyle: { color: tokens.ink },
      },
      {
        type: 'scatter',
        name: 'odd',
        data: points.filter((_, i) => odd.includes(i)),
        symbol: 'diamond',
        symbolSize: 13,
        itemStyle: { color: tokens.stop },
      },
    ],
  };
}

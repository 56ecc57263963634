import type { EChartsCoreOption } from 'echarts/core';
import {
  coastingAlong,
  measuredAlong,
  modelledAlong,
  type AlongTheWay,
  type AtPlace,
  type WayQuantity,
} from '../../../core/trials/along-the-way.ts';
import type { Trace } from '../../../core/run/trace.ts';
import { unitOf, type UnitSystem, unitValue } from '../../../core/units/quantity.ts';
import { acrossName, axisText, upName } from '../../charts/axis-text.ts';
import type { Tokens } from '../../ui/tokens.ts';

/** A run along its way: measured pieces, the model behind them, the fitted coasting over them. */
export function alongRunOption(along: AlongTheWay, trace: Trace, axis: WayQuantity, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const metre = unitValue('distance', units);
  const up = unitValue(axis, units);
  const inUnits = (places: readonly AtPlace[]): AtPlace[] => places.map(([x, y]) => [x / metre, y / up]);
  const end = Math.max(along.speeds.at(-1)!.to, trace.distance.at(-1)!);
  const line = (name: string, data: AtPlace[], colour: string, type: 'solid' | 'dashed') => ({
    type: 'line',
    name,
    data,
    symbol: 'none',
    silent: true,
    animation: false,
    lineStyle: { color: colour, width: 2, type },
  });
  return {
    animation: false,
    grid: { left: 56, right: 20, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      max: end / metre,
      name: `distance, ${unitOf('distance', units)}`,
      ...acrossName(tokens),
      axisLabel: { ...axisText(tokens), showMaxLabel: false },
      axisLine: { lineStyle: { color: tokens.ink }, onZero: false },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: `${axis}, ${unitOf(axis, units)}`,
      ...upName(tokens, 48),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      line('model', inUnits(modelledAlong(trace, axis)), tokens.distance, 'solid'),
      line('coasting, fitted', inUnits(coastingAlong(along, end, axis)), tokens.ink, 'dashed'),
      { type: 'scatter', name: 'measured', data: inUnits(measuredAlong(along, axis)), symbolSize: 9, itemStyle: { color: tokens.ink } },
    ],
  };
}

import type { EChartsCoreOption } from 'echarts/core';
import type { Influence } from '../../../../core/explore/sensitivity.ts';
import { unitOf, type UnitSystem, unitValue } from '../../../../core/units/quantity.ts';
import type { Tokens } from '../../../ui/tokens.ts';
import { acrossName, axisText } from '../../../charts/axis-text.ts';

interface MattersChart {
  readonly list: readonly Influence[];
  /** m or points, of the car as it is. */
  readonly distance: number;
  readonly units: UnitSystem;
  readonly tokens: Tokens;
  /** In points of all rounds. */
  readonly isOfAll?: boolean;
}

/** What moves the distance, as the chart library draws it: a bar each way, what matters most on top. */
export function mattersOption({ list, distance, units, tokens, isOfAll = false }: MattersChart): EChartsCoreOption {
  const far = isOfAll ? 1 : unitValue('distance', units);
  const bars = (name: string, read: (influence: Influence) => number, color: string) => ({
    type: 'bar',
    name,
    data: list.map((influence) => (Number.isFinite(read(influence)) ? (read(influence) - distance) / far : null)),
    itemStyle: { color },
    animation: false,
  });
  return {
    animation: false,
    grid: { left: 260, right: 24, top: 16, bottom: 44 },
    xAxis: {
      type: 'value',
      name: isOfAll ? 'more points' : `further, ${unitOf('distance', units)}`,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: list.map(({ label }) => label),
      axisLabel: { ...axisText(tokens), width: 240, overflow: 'truncate' },
      axisLine: { onZero: false },
    },
    series: [bars('smaller', ({ low }) => low, tokens.distanceSoft), bars('larger', ({ high }) => high, tokens.distance)],
  };
}

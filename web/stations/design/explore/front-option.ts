import type { Candidate } from '../../../../core/explore/best-car.ts';
import { unitOf, unitValue, type UnitSystem } from '../../../../core/units/quantity.ts';
import { acrossName, axisText, upName } from '../../../charts/axis-text.ts';
import type { Tokens } from '../../../ui/tokens.ts';

/** The chart of quickness against distance. */
export function frontOption(front: readonly Candidate[], units: UnitSystem, tokens: Tokens) {
  const unit = unitValue('distance', units);
  return {
    animation: false,
    grid: { left: 50, right: 16, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      name: `time, s`,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: `distance, ${unitOf('distance', units)}`,
      ...upName(tokens, 40),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      {
        type: 'line',
        step: 'end',
        data: front.toReversed().map(({ time, distance }) => [time, distance / unit]),
        symbol: 'circle',
        symbolSize: 5,
        silent: true,
        animation: false,
        lineStyle: { color: tokens.distance, width: 2 },
        itemStyle: { color: tokens.distance },
      },
    ],
  };
}

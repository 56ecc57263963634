import type { EChartsCoreOption } from 'echarts/core';
import { fullTurns } from '../../../core/predict/derive-run-setup.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { unitOf, type UnitSystem, unitValue } from '../../../core/units/quantity.ts';
import { acrossName, axisText, upName } from '../../charts/axis-text.ts';
import type { Tokens } from '../../ui/tokens.ts';

type Place = readonly [x: number, y: number | null];

interface Drawn {
  readonly across: string;
  readonly points: readonly { readonly place: Place; readonly isWall: boolean; readonly isOdd: boolean }[];
  /** Low and width of what 9 in 10 lie within; the lines as expected and as fitted. */
  readonly low: readonly Place[];
  readonly width: readonly Place[];
  readonly thought: readonly Place[];
  readonly fitted: readonly Place[];
  /** Whether lines go from place to place, or represent one run each. */
  readonly isLine: boolean;
}

function drawn({ across, points, low, width, thought, fitted, isLine }: Drawn, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const placed = (is: (run: Drawn['points'][number]) => boolean): Place[] => points.filter(is).map(({ place }) => place);
  const course = isLine ? { smooth: 0.2 } : { step: 'middle' };
  const line = (name: string, data: readonly Place[], colour: string, type: 'solid' | 'dashed') => ({
    type: 'line',
    name,
    data,
    symbol: 'none',
    silent: true,
    animation: false,
    ...course,
    lineStyle: { color: colour, width: 2, type },
  });
  const hidden = { type: 'line', symbol: 'none', silent: true, animation: false, stack: 'range', ...course, lineStyle: { width: 0 } };
  return {
    animation: false,
    grid: { left: 52, right: 20, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      min: 0,
      minInterval: isLine ? 0 : 1,
      name: across,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
      axisLine: { lineStyle: { color: tokens.ink } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: 0,
      name: `distance, ${unitOf('distance', units)}`,
      ...upName(tokens, 44),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      { ...hidden, name: 'low', data: low },
      { ...hidden, name: '9 in 10', data: width, areaStyle: { color: tokens.distance, opacity: 0.18 } },
      line('expected', thought, tokens.muted, 'dashed'),
      line('fitted to the runs', fitted, tokens.distance, 'solid'),
      {
        type: 'scatter',
        name: 'stopped',
        data: placed(({ isWall, isOdd }) => !isWall && !isOdd),
        symbolSize: 9,
        itemStyle: { color: tokens.ink },
      },
      {
        type: 'scatter',
        name: 'at least',
        data: placed(({ isWall }) => isWall),
        symbol: 'arrow',
        symbolSize: 14,
        itemStyle: { color: tokens.stop },
      },
      {
        type: 'scatter',
        name: 'outlier',
        data: placed(({ isOdd }) => isOdd),
        symbol: 'diamond',
        symbolSize: 13,
        itemStyle: { color: tokens.stop },
      },
    ],
  };
}

/** The runs of a car over its turns, as expected and as fitted: points where it stopped, arrows where it hit the wall, diamonds where a run is odd. */
export function runsOverTurns({ groups, curve }: Tuning, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const metre = unitValue('distance', units);
  const inUnits = (value: number | null | undefined): number | null => (value == null ? null : value / metre);
  return drawn(
    {
      across: 'turns of the drive axle',
      points: groups.flatMap(({ design, wind, distances }) => {
        const turns = wind.kind === 'turns' ? wind.turns : fullTurns(design);
        return distances.map((run) => ({ ...run, place: [turns, inUnits(run.distance)] as Place }));
      }),
      low: curve.map(({ turns, fitted }): Place => [turns, inUnits(fitted?.low)]),
      width: curve.map(({ turns, fitted }): Place => [turns, fitted && inUnits(fitted.high - fitted.low)]),
      thought: curve.map(({ turns, thought }): Place => [turns, inUnits(thought)]),
      fitted: curve.map(({ turns, fitted }): Place => [turns, inUnits(fitted?.middle)]),
      isLine: true,
    },
    units,
    tokens,
  );
}

/** The same runs one after the other, each with its expected value and where 9 in 10 of the fitted car's next runs lie. */
export function runsInOrder({ groups }: Tuning, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const metre = unitValue('distance', units);
  const inUnits = (value: number | null | undefined): number | null => (value == null ? null : value / metre);
  const runs = groups
    .flatMap(({ distances, predicted, next }) => distances.map((run) => ({ ...run, predicted, next })))
    .toSorted((a, b) => a.order - b.order);
  return drawn(
    {
      across: 'run',
      points: runs.map((run) => ({ ...run, place: [run.order, inUnits(run.distance)] as Place })),
      low: runs.map(({ order, next }): Place => [order, inUnits(next?.low)]),
      width: runs.map(({ order, next }): Place => [order, next && inUnits(next.high - next.low)]),
      thought: runs.map(({ order, predicted }): Place => [order, inUnits(predicted)]),
      fitted: runs.map(({ order, next }): Place => [order, inUnits(next?.middle)]),
      isLine: false,
    },
    units,
    tokens,
  );
}

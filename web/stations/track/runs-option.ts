import type { EChartsCoreOption } from 'echarts/core';
import type { CarDesign, RunRecord } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { evenlySpaced } from '../../../core/explore/sweep.ts';
import { fullTurns } from '../../../core/predict/derive-run-setup.ts';
import { nextRun, runScatter } from '../../../core/predict/next-run.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { unitOf, type UnitSystem, unitValue } from '../../../core/units/quantity.ts';
import { acrossName, axisText, upName } from '../../charts/axis-text.ts';
import type { Tokens } from '../../ui/tokens.ts';

type Place = readonly [x: number, y: number | null];

interface Drawn {
  readonly across: string;
  readonly points: readonly { readonly place: Place; readonly isWall: boolean }[];
  /** The prediction, and within what 8 in 10 of its next runs lie. */
  readonly expected: readonly ({ readonly x: number } & Predicted)[];
  /** Whether the prediction is a line, or a step from run to run. */
  readonly isLine: boolean;
}

/** m that a run is predicted to go, null of one that cannot run; and how much such runs scatter, as a fraction of it. */
interface Predicted {
  readonly distance: number | null;
  readonly scatter: number;
}

function predicted(design: CarDesign, wind: RunRecord['wind']): Predicted {
  const prediction = predictRun(design, wind);
  return prediction.kind === 'ran'
    ? { distance: prediction.result.distance, scatter: runScatter(design, wind) }
    : { distance: null, scatter: 0 };
}

/** Runs as the chart library draws them: points where they stopped, arrows where they hit the wall, the prediction with its range behind. */
function drawn({ across, points, expected, isLine }: Drawn, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const metre = unitValue('distance', units);
  const inUnits = (value: number | null): number | null => (value === null ? null : value / metre);
  const placed = (isWall: boolean) => points.filter((point) => point.isWall === isWall).map(({ place: [x, y] }) => [x, inUnits(y)]);
  const hidden = {
    type: 'line',
    symbol: 'none',
    silent: true,
    animation: false,
    stack: 'range',
    lineStyle: { width: 0 },
    step: isLine ? false : 'middle',
  };
  const edge = (of: 'low' | 'width') =>
    expected.map(({ x, distance, scatter }) => {
      if (distance === null) return [x, null];
      const { low, high } = nextRun(distance, scatter);
      return [x, inUnits(of === 'low' ? low : high - low)];
    });
  return {
    animation: false,
    grid: { left: 52, right: 20, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      name: across,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
      axisLine: { lineStyle: { color: tokens.ink } },
      splitLine: { show: false },
      minInterval: isLine ? 0 : 1,
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
      { ...hidden, name: 'low', data: edge('low') },
      { ...hidden, name: 'range', data: edge('width'), areaStyle: { color: tokens.distance, opacity: 0.18 } },
      {
        type: 'line',
        name: 'predicted',
        step: isLine ? false : 'middle',
        data: expected.map(({ x, distance }) => [x, inUnits(distance)]),
        symbol: 'none',
        silent: true,
        animation: false,
        lineStyle: { color: tokens.distance, width: 2 },
      },
      { type: 'scatter', name: 'stopped', data: placed(false), symbolSize: 10, itemStyle: { color: tokens.ink } },
      { type: 'scatter', name: 'at least', data: placed(true), symbol: 'arrow', symbolSize: 14, itemStyle: { color: tokens.stop } },
    ],
  };
}

/** Runs in the order they were made, the first at 1. */
export const byOrderOption = (runs: readonly RunOfCar[], units: UnitSystem, tokens: Tokens): EChartsCoreOption =>
  drawn(
    {
      across: 'run',
      points: runs.map(({ record: { outcome } }, i) => ({ place: [i + 1, outcome.distance], isWall: outcome.kind === 'hit-wall' })),
      expected: runs.map(({ record, design }, i) => ({ x: i + 1, ...predicted(design, record.wind) })),
      isLine: false,
    },
    units,
    tokens,
  );

/** Places of the model’s curve. */
const CURVE = 24;

/** Runs against the turns they were wound, with the curve of the car as it is. */
export function byTurnsOption(runs: readonly RunOfCar[], design: CarDesign, units: UnitSystem, tokens: Tokens): EChartsCoreOption {
  const most = fullTurns(design);
  const turnsOf = ({ record: { wind }, design: ran }: RunOfCar): number => (wind.kind === 'turns' ? wind.turns : fullTurns(ran));
  return drawn(
    {
      across: 'turns of the drive axle',
      points: runs.map((run) => ({ place: [turnsOf(run), run.record.outcome.distance], isWall: run.record.outcome.kind === 'hit-wall' })),
      expected: evenlySpaced(most / CURVE, most, CURVE).map((turns) => ({
        x: turns,
        ...predicted(design, { kind: 'turns', turns }),
      })),
      isLine: true,
    },
    units,
    tokens,
  );
}

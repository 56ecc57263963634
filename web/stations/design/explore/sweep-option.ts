import type { EChartsCoreOption } from 'echarts/core';
import { goalOf } from '../../../../core/brief/goal.ts';
import type { Aim } from '../../../../core/car/car-design.ts';
import { goalRecord } from '../../../../core/brief/goals.ts';
import type { Size } from '../../../../core/car/size.ts';
import { carried, type BoundedSweepPoint } from '../../../../core/explore/sweep.ts';
import type { Bounds } from '../../../../core/predict/uncertainty.ts';
import { formatQuantity, type Quantity, unitOf, type UnitSystem, unitValue } from '../../../../core/units/quantity.ts';
import { FONTS, type Tokens } from '../../../ui/tokens.ts';
import { acrossName, axisText, upName } from '../../../charts/axis-text.ts';
import { sizeName } from './axes.ts';

/** What a sweep can show. */
interface Reading {
  readonly label: string;
  readonly quantity: Quantity;
  /** What represents the unit of what has none of its own. */
  readonly unit?: string;
  readonly read: (p: BoundedSweepPoint) => number;
  readonly bounds: (p: BoundedSweepPoint) => Pick<Bounds, 'low' | 'high'>;
}

const READINGS = {
  distance: {
    label: 'distance',
    quantity: 'distance',
    read: (p: BoundedSweepPoint) => p.distance,
    bounds: (p: BoundedSweepPoint) => p.distanceBounds,
  },
  time: { label: 'time', quantity: 'time', read: (p: BoundedSweepPoint) => p.time, bounds: (p: BoundedSweepPoint) => p.timeBounds },
  grip: {
    label: 'launch grip',
    quantity: 'count',
    unit: '× what it needs',
    // What needs no grip has no ratio.
    read: (p: BoundedSweepPoint) => p.launchGripRatio,
    bounds: (p: BoundedSweepPoint) => p.gripBounds,
  },
  carried: {
    label: 'load × distance',
    quantity: 'count',
    unit: 'kg·m',
    read: carried,
    bounds: (p: BoundedSweepPoint) => ({ low: p.value * p.distanceBounds.low, high: p.value * p.distanceBounds.high }),
  },
} as const satisfies Record<string, Reading>;
export type Swept = keyof typeof READINGS | 'asked';

/** A reading of a sweep of cars that are asked this. */
export function readingOf(swept: Swept, aim: Aim): Reading {
  if (swept !== 'asked') return READINGS[swept];
  const figures = {
    label: aim.contest ? 'points' : 'goal',
    read: (p: BoundedSweepPoint) => p.asked,
    bounds: (p: BoundedSweepPoint) => p.askedBounds,
  };
  if (aim.contest) return { ...figures, quantity: 'count', unit: 'points' };
  const { quantity } = goalRecord(goalOf(aim));
  return quantity === 'kg·m' || quantity === 'm + m/s'
    ? { ...figures, quantity: 'count', unit: quantity === 'kg·m' ? quantity : 'points' }
    : { ...figures, quantity };
}

/** What can be shown of a sweep over a size: the goal first, where that is not the distance; load × distance of loads alone. */
export const sweptOf = ({ id }: Size, { kind, contest }: Aim): Swept[] => [
  ...(!contest && (kind === 'furthest' || kind === 'at-least') ? [] : (['asked'] as const)),
  ...(Object.keys(READINGS) as Swept[]).filter((key) => key !== 'carried' || id === 'load'),
];

interface SweepChart {
  readonly points: readonly BoundedSweepPoint[];
  readonly present: number;
  readonly best: number | null;
  readonly reading: Reading;
  readonly size: Size;
  readonly units: UnitSystem;
  readonly tokens: Tokens;
}

/** Runs of neighbouring points that a check or rule stops, as ranges of the swept value: each point represents all up to half way to the next. */
function stoppedRanges(points: readonly BoundedSweepPoint[]): { readonly from: number; readonly to: number; readonly by: string }[] {
  const ranges: { from: number; to: number; by: string }[] = [];
  const between = (i: number, k: number): number => (points[i]!.value + (points[k] ?? points[i]!).value) / 2;
  points.forEach(({ stoppedBy }, i) => {
    if (stoppedBy === null) return;
    const last = ranges.at(-1);
    const from = between(i, i - 1);
    if (last?.by === stoppedBy && last.to === from) last.to = between(i, i + 1);
    else ranges.push({ from, to: between(i, i + 1), by: stoppedBy });
  });
  return ranges;
}

/** Fraction of the chart's width that a range takes at least, to be named in it. */
const LEAST_NAMED = 0.04;

/** A sweep as the chart library draws it: the likely line, its range as a band, the present and the best value. */
export function sweepOption({ points, present, best, reading, size, units, tokens }: SweepChart): EChartsCoreOption {
  const { label, quantity, unit, read, bounds } = reading;
  const across = unitValue(size.quantity, units);
  const up = unitValue(quantity, units);
  const pair = (p: BoundedSweepPoint, value: number | undefined): (number | null)[] => [
    p.value / across,
    value === undefined || !Number.isFinite(value) ? null : value / up,
  ];
  const [from, to] = [points[0]!.value, points.at(-1)!.value];
  // Beside its line, to the left where the right has no room.
  const isRight = (value: number): boolean => value - from < 0.8 * (to - from);
  const mark = (value: number, name: string, type: 'solid' | 'dashed', down: number) => ({
    xAxis: value / across,
    lineStyle: { color: tokens.ink, width: 1, type },
    label: {
      formatter: name,
      color: tokens.ink,
      fontFamily: FONTS.text,
      fontSize: 13,
      position: 'insideEndTop',
      rotate: 0,
      align: isRight(value) ? 'left' : 'right',
      offset: [isRight(value) ? 8 : -8, down],
      backgroundColor: tokens.panel,
      padding: [1, 4],
    },
  });
  const hidden = { type: 'line', symbol: 'none', silent: true, animation: false, stack: 'range', lineStyle: { width: 0 } };
  return {
    animation: false,
    grid: { left: 52, right: 20, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      min: from / across,
      max: to / across,
      name: sizeName(size, units),
      ...acrossName(tokens),
      axisLabel: {
        ...axisText(tokens),
        showMaxLabel: false,
        showMinLabel: false,
        formatter: (value: number) => String(Number(value.toFixed(2))),
      },
      axisLine: { lineStyle: { color: tokens.ink } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: 0,
      name: `${label}, ${unit ?? unitOf(quantity, units)}`,
      ...upName(tokens, 44),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      { ...hidden, name: 'low', data: points.map((p) => pair(p, bounds(p).low)) },
      {
        ...hidden,
        name: 'range',
        data: points.map((p) => {
          const range = bounds(p);
          return pair(p, range.high - range.low);
        }),
        areaStyle: { color: tokens.distance, opacity: 0.22 },
      },
      {
        type: 'line',
        name: label,
        data: points.map((p) => pair(p, read(p))),
        symbol: 'none',
        silent: true,
        animation: false,
        lineStyle: { color: tokens.distance, width: 2.5 },
        markArea: {
          silent: true,
          animation: false,
          itemStyle: { color: tokens.stop, opacity: 0.1 },
          label: {
            color: tokens.stop,
            fontFamily: FONTS.text,
            fontSize: 13,
            position: 'insideBottom',
            rotate: 90,
            align: 'left',
            verticalAlign: 'middle',
            offset: [0, -8],
            backgroundColor: tokens.panel,
            padding: [1, 4],
          },
          // What is too narrow for words is reported by the table.
          data: stoppedRanges(points).map((range) => [
            { name: range.to - range.from < LEAST_NAMED * (to - from) ? '' : `✕ ${range.by}`, xAxis: range.from / across },
            { xAxis: range.to / across },
          ]),
        },
        markLine: {
          symbol: 'none',
          silent: true,
          animation: false,
          data: [
            mark(present, `now ${formatQuantity(present, size.quantity, units)}`, 'solid', 20),
            ...(best === null || Math.abs(best - present) < 1e-9
              ? []
              : [mark(best, `best ${formatQuantity(best, size.quantity, units)}`, 'dashed', 42)]),
          ],
        },
      },
    ],
  };
}

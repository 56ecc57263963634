import type { EChartsCoreOption } from 'echarts/core';
import type { MeasuredFilm } from '../../core/film/measured-film.ts';
import type { Trace } from '../../core/run/trace.ts';
import { unitOf, type UnitSystem, unitValue } from '../../core/units/quantity.ts';
import { acrossName, axisText, upName } from '../charts/axis-text.ts';
import type { Tokens } from '../ui/tokens.ts';
import { NINE_IN_TEN } from './film-words.ts';

/** Speed over the time of the film: measured with what it may be off, the expected run, and where the film is. */
export function filmCurveOption(
  { speed }: Pick<MeasuredFilm, 'speed'>,
  expected: { readonly trace: Trace; readonly start: number } | null,
  now: number,
  units: UnitSystem,
  tokens: Tokens,
): EChartsCoreOption {
  const up = unitValue('speed', units);
  const [first, last] = [speed[0]!.time, speed.at(-1)!.time];
  const ofTrace = expected
    ? expected.trace.time.map((time, i) => [time + expected.start, expected.trace.speed[i]! / up] as const).filter(([time]) => time <= last)
    : [];
  const line = (name: string, data: readonly (readonly [number, number])[], more: object) => ({
    type: 'line',
    name,
    data,
    symbol: 'none',
    silent: true,
    animation: false,
    ...more,
  });
  return {
    animation: false,
    grid: { left: 56, right: 20, top: 28, bottom: 40 },
    xAxis: {
      type: 'value',
      min: first,
      max: last,
      name: 'time in the film, s',
      ...acrossName(tokens),
      axisLabel: { ...axisText(tokens), showMaxLabel: false, showMinLabel: false },
      axisLine: { lineStyle: { color: tokens.ink }, onZero: false },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: `speed, ${unitOf('speed', units)}`,
      ...upName(tokens, 48),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: [
      line(
        'least',
        speed.map((one) => [one.time, (one.speed - NINE_IN_TEN * one.deviation) / up]),
        { stack: 'range', lineStyle: { opacity: 0 } },
      ),
      line(
        'range',
        speed.map((one) => [one.time, (2 * NINE_IN_TEN * one.deviation) / up]),
        { stack: 'range', lineStyle: { opacity: 0 }, areaStyle: { color: tokens.pullArea, opacity: 0.6 } },
      ),
      line('expected', ofTrace, { lineStyle: { color: tokens.distance, width: 2, type: 'dashed' } }),
      line(
        'film',
        speed.map((one) => [one.time, one.speed / up]),
        {
          lineStyle: { color: tokens.pull, width: 2.5 },
          markLine: {
            silent: true,
            symbol: 'none',
            animation: false,
            label: { show: false },
            lineStyle: { color: tokens.ink, type: 'solid', width: 1.5 },
            data: [{ xAxis: now }],
          },
        },
      ),
    ],
  };
}

import { useMemo } from 'react';
import type { ChancesOverEvening } from '../../../core/meet/evening.ts';
import { useTokens } from '../../app/theme.ts';
import { axisText, acrossName, upName } from '../../charts/axis-text.ts';
import { Chart } from '../../charts/chart.tsx';
import plain from '../../ui/plain.module.css';
import type { Tokens } from '../../ui/tokens.ts';
import styles from './meet.module.css';

/** Lines that are told apart by their strokes too. */
const STROKES = ['solid', 'dashed', 'dotted'] as const;
/** Cars that have a line: those that were likeliest to win at some moment. */
const LINES = 6;
/** A chance that never rose above this has no line. */
const LEAST = 0.01;

function graphOption({ after, first }: ChancesOverEvening, nameOf: (id: string) => string, tokens: Tokens) {
  const colours = [tokens.pull, tokens.distance, tokens.ink];
  const shown = first
    .filter(({ chances }) => Math.max(...chances) >= LEAST)
    .toSorted((a, b) => Math.max(...b.chances) - Math.max(...a.chances))
    .slice(0, LINES);
  return {
    animation: false,
    grid: { left: 56, right: 120, top: 30, bottom: 44 },
    xAxis: {
      type: 'value',
      name: 'results',
      max: after.at(-1),
      minInterval: 1,
      ...acrossName(tokens),
      axisLabel: axisText(tokens),
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: 'to win, %',
      min: 0,
      max: 100,
      ...upName(tokens, 40),
      axisLabel: axisText(tokens),
      splitLine: { lineStyle: { color: tokens.rule, width: 0.7 } },
    },
    series: shown.map(({ entry, chances }, i) => ({
      type: 'line',
      name: nameOf(entry),
      data: chances.map((chance, k) => [after[k], 100 * chance]),
      symbol: 'none',
      silent: true,
      lineStyle: { color: colours[i % colours.length], width: 2, type: STROKES[Math.floor(i / colours.length) % STROKES.length] },
      endLabel: { show: true, formatter: '{a}', color: tokens.ink },
      labelLayout: { moveOverlap: 'shiftY' },
    })),
  };
}

interface ChancesGraphProps {
  readonly over: ChancesOverEvening;
  readonly nameOf: (id: string) => string;
}

/** How the chances to win moved over the evening. */
export function ChancesGraph({ over, nameOf }: ChancesGraphProps) {
  const tokens = useTokens();
  const option = useMemo(() => graphOption(over, nameOf, tokens), [over, nameOf, tokens]);
  const told = over.first
    .map(({ entry, chances }) => `${nameOf(entry)} from ${Math.round(100 * chances[0]!)} to ${Math.round(100 * chances.at(-1)!)} %`)
    .join(', ');
  return (
    <section aria-labelledby="over-title" className={styles.part}>
      <h2 id="over-title" className={plain.heading}>
        Chances to win over the evening
      </h2>
      <Chart option={option} role="img" aria-label={told} sx={{ height: 220 }} />
    </section>
  );
}

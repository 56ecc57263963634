import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { printAbout, printQuantity } from '../../../core/units/quantity.ts';
import { useTokens } from '../../app/theme.ts';
import { Chart } from '../../charts/chart.tsx';
import { ChartExport } from '../../charts/chart-export.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { runsInOrder, runsOverTurns } from './runs-against-model.ts';
import styles from './tune.module.css';
import { groupWords } from './tune-words.ts';

/** What the runs are drawn over. */
const ACROSS = {
  turns: { words: 'over the turns', option: runsOverTurns },
  order: { words: 'in order', option: runsInOrder },
} as const;

/** A trend that luck makes less often than so is told. */
const TOLD = 0.1;

interface WhatHappenedProps {
  readonly tuning: Tuning;
  readonly name: string;
  /** What a car as it ran is called. */
  readonly nameOf: (design: CarDesign) => string;
}

/** The runs as points over the turns, with what was thought and what is fitted behind them; groups with mean and scatter. */
export default function WhatHappened({ tuning, name, nameOf }: WhatHappenedProps) {
  const units = useUnits();
  const tokens = useTokens();
  const [across, setAcross] = useState<keyof typeof ACROSS>('turns');
  const option = useMemo(() => ACROSS[across].option(tuning, units, tokens), [across, tuning, units, tokens]);
  const metres = (value: number): string => printQuantity(value, 'distance', units);
  const { groups } = tuning;
  const odd = groups.flatMap(({ distances }) => distances).filter(({ isOdd }) => isOdd).length;
  const words = groups.map((group) => {
    const walls = group.distances.filter(({ isWall }) => isWall).length;
    return `${groupWords(group, nameOf)}: ${group.distances.length} runs${walls > 0 ? `, ${walls} into the wall` : ''}`;
  });
  return (
    <>
      <ToggleButtonGroup
        size="small"
        exclusive
        value={across}
        aria-label="Runs drawn"
        onChange={(_event, next: keyof typeof ACROSS | null) => next && setAcross(next)}
      >
        {(Object.keys(ACROSS) as (keyof typeof ACROSS)[]).map((key) => (
          <ToggleButton key={key} value={key}>
            {ACROSS[key].words}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Chart option={option} role="img" aria-label={`Runs ${ACROSS[across].words}. ${words.join('; ')}`} sx={{ height: 300 }} />
      <div className={styles.row}>
        <p className={`${plain.caption} ${plain.muted}`}>
          Points: stopped; arrows: at least; solid: fitted, 9 in 10 within the band; dashed: as thought.
        </p>
        <ChartExport
          name={`${name} tuned`}
          option={option}
          table={() => ({
            head: ['turns', 'thought m', 'fitted m', 'low m', 'high m'],
            rows: tuning.curve.map(({ turns, thought, fitted }) => [
              turns,
              thought ?? '',
              fitted?.middle ?? '',
              fitted?.low ?? '',
              fitted?.high ?? '',
            ]),
          })}
        />
      </div>
      <Wide label="Runs alike">
        <WordTable
          head={['runs alike', 'thought', 'mean (19 in 20)', 'scatter']}
          rows={groups.map((group, i) => [
            `${i + 1}. ${groupWords(group, nameOf)}, ${group.distances.length} ${group.distances.length === 1 ? 'run' : 'runs'}`,
            group.predicted === null ? '–' : printAbout(group.predicted, 'distance', units),
            group.spread
              ? `${metres(group.spread.mean)} (${metres(group.spread.low)} to ${group.spread.high === null ? 'open' : metres(group.spread.high)})`
              : '–',
            group.spread && group.spread.mean > 0 ? `${((100 * group.spread.deviation) / group.spread.mean).toFixed(0)} %` : '–',
          ])}
        />
      </Wide>
      {groups.map(
        (group, i) =>
          group.trend &&
          group.trend.p < TOLD && (
            <p key={i} className={plain.text}>
              Over the session the runs {groupWords(group, nameOf)} grow {group.trend.slope < 0 ? 'shorter' : 'longer'} by about{' '}
              {metres(Math.abs(group.trend.slope))} from run to run: wipe wheels and floor, and look for what works loose.
            </p>
          ),
      )}
      {odd > 0 && (
        <p className={plain.text}>
          ◆ {odd === 1 ? 'One run lies' : `${odd} runs lie`} far from the others: look at what was seen; nothing is left out by itself.
        </p>
      )}
    </>
  );
}

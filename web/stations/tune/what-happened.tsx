import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { formatAbout } from '../../../core/units/quantity.ts';
import { useTokens } from '../../app/theme.ts';
import { Chart } from '../../charts/chart.tsx';
import { ChartExport } from '../../charts/chart-export.tsx';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { OutlierRuns } from './outlier-runs.tsx';
import { describeCount } from '../../../core/trials/describe-count.ts';
import { runsInOrder, runsOverTurns } from './runs-against-model.ts';
import styles from './tune.module.css';
import { describeMean, describeRunGroup, describeSigns, describeSurvival } from './describe-tuning.ts';

/** What the runs are drawn over. */
const ACROSS = {
  turns: { words: 'over the turns', option: runsOverTurns },
  order: { words: 'in order', option: runsInOrder },
} as const;

/** How many of a group did not start: `, 2 of them did not start`. */
function didNotStartWords({ distances }: Tuning['groups'][number]): string {
  const count = distances.filter(({ hasStarted }) => !hasStarted).length;
  return count === 0 ? '' : `, ${count} of ${distances.length === count ? 'them' : 'these'} did not start`;
}

interface WhatHappenedProps {
  readonly tuning: Tuning;
  readonly name: string;
  /** What a car as it ran is called. */
  readonly nameOf: (design: CarDesign) => string;
  readonly explain: (figure: string) => Explanation;
  readonly runs: readonly RunOfCar[];
  readonly onLeaveOut: (run: RunOfCar, isLeftOut: boolean) => void;
}

/** The runs as points over the turns, with the prior and what is fitted behind them; groups with mean and scatter. */
export default function WhatHappened({ tuning, name, nameOf, explain, runs, onLeaveOut }: WhatHappenedProps) {
  const units = useUnits();
  const tokens = useTokens();
  const [across, setAcross] = useState<keyof typeof ACROSS>('turns');
  const option = useMemo(() => ACROSS[across].option(tuning, units, tokens), [across, tuning, units, tokens]);
  const { groups } = tuning;
  const ids = new Set(groups.flatMap(({ distances }) => distances.filter(({ isOdd }) => isOdd).map(({ id }) => id)));
  const odd = runs.filter(({ id }) => id !== undefined && ids.has(id));
  const leftOut = runs.filter(({ record }) => record.leftOut);
  const words = groups.map((group) => {
    const walls = group.distances.filter(({ isWall }) => isWall).length;
    const noStarts = group.distances.filter(({ hasStarted }) => !hasStarted).length;
    return `${describeRunGroup(group, nameOf)}: runs ${describeCount({ count: group.distances.length, walls, noStarts })}`;
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
          Points: stopped; arrows: at least; solid: fitted, 9 in 10 within the band; dashed: expected.
        </p>
        <ChartExport
          name={`${name} tuned`}
          option={option}
          table={() => ({
            head: ['turns', 'expected m', 'fitted m', 'low m', 'high m'],
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
      <Wide label="Groups of like runs">
        <WordTable
          head={['groups of like runs', 'expected', 'mean (95 %)', 'scatter']}
          rows={groups.map((group, i) => [
            `${i + 1}. ${describeRunGroup(group, nameOf)}, ${group.distances.length} ${group.distances.length === 1 ? 'run' : 'runs'}${didNotStartWords(group)}`,
            group.predicted === null ? '–' : formatAbout(group.predicted, 'distance', units),
            group.spread ? describeMean(group.spread, units) : '–',
            group.spread && group.spread.mean > 0 ? `${((100 * group.spread.deviation) / group.spread.mean).toFixed(0)} %` : '–',
          ])}
        />
      </Wide>
      <p className={plain.caption}>
        <Explained explain={explain} figure="like runs">
          how mean and scatter are calculated
        </Explained>
      </p>
      {groups.map(
        (group, i) =>
          group.beyond && (
            <p key={`beyond-${i}`} className={plain.text}>
              {i + 1}. {describeRunGroup(group, nameOf)}: {describeSurvival(group.beyond, units)}
            </p>
          ),
      )}
      {describeSigns(tuning.signs).map((words) => (
        <p key={words} className={plain.text}>
          {words}
        </p>
      ))}
      {tuning.signs.drift !== 'cannot-tell' && (
        <p className={plain.caption}>
          <Explained explain={explain} figure="signs">
            how drift, outliers and growing scatter are found
          </Explained>
        </p>
      )}
      {odd.length + leftOut.length > 0 && <OutlierRuns odd={odd} leftOut={leftOut} onLeaveOut={onLeaveOut} />}
    </>
  );
}

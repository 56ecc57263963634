import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeCount } from '../../../core/trials/describe-count.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { useTokens } from '../../app/theme.ts';
import { Chart } from '../../charts/chart.tsx';
import { ChartExport } from '../../charts/chart-export.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeRunGroup } from './describe-tuning.ts';
import { runsInOrder, runsOverTurns } from './runs-against-model.ts';
import styles from './tune.module.css';

/** What the runs are drawn over. */
const ACROSS = {
  turns: { words: 'over the turns', option: runsOverTurns },
  order: { words: 'in order', option: runsInOrder },
} as const;

interface RunsAndModelChartProps {
  readonly tuning: Tuning;
  readonly name: string;
  /** What a car as it ran is called. */
  readonly nameOf: (design: CarDesign) => string;
}

/** The runs as points, with what was expected and what is fitted behind them. */
export default function RunsAndModelChart({ tuning, name, nameOf }: RunsAndModelChartProps) {
  const units = useUnits();
  const tokens = useTokens();
  const [across, setAcross] = useState<keyof typeof ACROSS>('turns');
  const option = useMemo(() => ACROSS[across].option(tuning, units, tokens), [across, tuning, units, tokens]);
  const words = tuning.groups.map((group) => {
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
    </>
  );
}

import { describeCount } from '../../../core/trials/describe-count.ts';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { differences } from '../../../core/car/difference.ts';
import { comparedRuns, type RunOfCar } from '../../../core/trials/compared-runs.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { useTokens } from '../../app/theme.ts';
import { Chart } from '../../charts/chart.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { WordTable } from '../../ui/word-table.tsx';
import styles from './run-list.module.css';
import { formatWinding } from './describe-run.ts';
import { byOrderOption } from './runs-option.ts';

/** Runs that were ticked, beside each other: those alike together, what their cars differ in, and how they lie. */
export function ChosenRuns({ runs, onNone }: { readonly runs: readonly RunOfCar[]; readonly onNone: () => void }) {
  const units = useUnits();
  const tokens = useTokens();
  const inOrder = useMemo(() => runs.toSorted((a, b) => a.record.ranAt.localeCompare(b.record.ranAt)), [runs]);
  const groups = useMemo(() => comparedRuns(inOrder), [inOrder]);
  const option = useMemo(() => byOrderOption(inOrder, units, tokens), [inOrder, units, tokens]);
  if (runs.length === 0) return <p className={`${plain.caption} ${plain.muted}`}>Tick runs in the table to compare them.</p>;
  const metres = (value: number | null): string => (value === null ? '–' : formatQuantity(value, 'distance', units));
  const [first, second] = groups;
  const changed = first && second && groups.length === 2 ? differences(first.design, second.design, units) : [];
  const apart = first?.mean != null && second?.mean != null && groups.length === 2 ? second.mean - first.mean : null;
  return (
    <section aria-label="Chosen runs">
      <div className={styles.head}>
        <h3 className={plain.heading}>{runs.length === 1 ? '1 run chosen' : `${runs.length} runs chosen`}</h3>
        <Button size="small" onClick={onNone}>
          clear the choice
        </Button>
      </div>
      <WordTable
        head={['car', 'wound', 'runs', 'mean', 'spread']}
        rows={groups.map(({ design, wind, count, walls, noStarts, mean, deviation }, i) => [
          `${i + 1}. ${design.name}`,
          formatWinding(wind),
          describeCount({ count, walls, noStarts }),
          metres(mean),
          deviation === null ? '–' : `± ${metres(deviation)}`,
        ])}
      />
      {apart !== null && (
        <p className={plain.text}>
          The second is {metres(Math.abs(apart))} {apart < 0 ? 'short of' : 'beyond'} the first.
          {changed.length > 0 && ` Changed between them: ${changed.map(({ label, from, to }) => `${label} ${from} → ${to}`).join('; ')}.`}
        </p>
      )}
      <Chart
        option={option}
        role="img"
        aria-label={`${runs.length} chosen runs in order; the furthest ${metres(Math.max(...runs.map(({ record }) => record.outcome.distance)))}`}
        sx={{ height: 240 }}
      />
    </section>
  );
}

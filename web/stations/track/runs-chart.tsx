import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isReadable, type ListedRun } from '../../../core/schema/stored.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { type RunFilter, useListRunsQuery } from '../../app/api/runs-api.ts';
import { useTokens } from '../../app/theme.ts';
import { Chart } from '../../charts/chart.tsx';
import { ChartExport } from '../../charts/chart-export.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { byOrderOption, byTurnsOption } from './runs-option.ts';
import styles from './run-list.module.css';

interface RunsChartProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly filter: RunFilter | null;
}

const AXES = { order: 'in order', turns: 'against turns' } as const;

/** The newest hundred runs as points: in order with the prediction and its range, or against the turns with the model’s curve. */
export function RunsChart({ carId, design, filter }: RunsChartProps) {
  const units = useUnits();
  const tokens = useTokens();
  const [axis, setAxis] = useState<keyof typeof AXES>('order');
  const { data } = useListRunsQuery({ carId, filter, page: 0 });
  const runs = useMemo(
    () =>
      (data?.runs ?? [])
        .filter((run): run is ListedRun => isReadable<ListedRun>(run))
        .map(({ record, designId }): RunOfCar => ({ record, design: data!.designs[designId]! }))
        .reverse(),
    [data],
  );
  const option = useMemo(
    () => (axis === 'order' ? byOrderOption(runs, units, tokens) : byTurnsOption(runs, design, units, tokens)),
    [axis, runs, design, units, tokens],
  );
  if (runs.length === 0) return <p className={plain.text}>No run to show yet.</p>;
  const walls = runs.filter(({ record }) => record.outcome.kind === 'hit-wall').length;
  const words = `${runs.length} runs ${AXES[axis]}${walls > 0 ? `, ${walls} of them into the wall: at least so far` : ''}; the furthest ${formatQuantity(
    Math.max(...runs.map(({ record }) => record.outcome.distance)),
    'distance',
    units,
  )}`;
  return (
    <div>
      <div className={styles.head}>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={axis}
          aria-label="Runs shown"
          onChange={(_event, next: keyof typeof AXES | null) => next && setAxis(next)}
        >
          {(Object.keys(AXES) as (keyof typeof AXES)[]).map((key) => (
            <ToggleButton key={key} value={key}>
              {AXES[key]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <ChartExport
          name={`${design.name} runs`}
          option={option}
          table={() => ({
            head: ['ran at', 'turns', 'outcome', 'distance m'],
            rows: runs.map(({ record }) => [
              record.ranAt,
              record.wind.kind === 'full' ? 'full' : record.wind.turns,
              record.outcome.kind,
              record.outcome.distance,
            ]),
          })}
        />
      </div>
      <p className={`${plain.caption} ${plain.muted}`}>{words}. Points: stopped; arrows up: at least.</p>
      <Chart option={option} role="img" aria-label={words} sx={{ height: 320 }} />
    </div>
  );
}

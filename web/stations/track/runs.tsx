import Typography from '@mui/material/Typography';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { startTransition, Suspense, useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { useListSessionsQuery } from '../../app/api/documents-api.ts';
import { type RunFilter } from '../../app/api/runs-api.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { RunFiles } from './run-files.tsx';
import { RunList } from './run-list.tsx';
import styles from './run-list.module.css';
import { RunGroups, type ChosenGroup } from './run-groups.tsx';

interface RunsProps {
  readonly carId: string;
  readonly design: CarDesign;
}

const RunsTable = lazyWithPreload(() => import('./runs-table.tsx'));
const RunsChart = lazyWithPreload(() => import('./runs-chart.tsx').then(({ RunsChart: chart }) => ({ default: chart })));

/** No session in particular. */
const ANY = 'any';
const VIEWS = ['list', 'table', 'chart'] as const;
type View = (typeof VIEWS)[number];

/** All runs of a car: groups of them with mean and spread; below them the list, table or chart, of all or of one group. */
export function Runs({ carId, design }: RunsProps) {
  const [chosen, setChosen] = useState<ChosenGroup | null>(null);
  const [view, setView] = useState<View>('list');
  const [ofSession, setOfSession] = useState(ANY);
  const { data } = useListSessionsQuery();
  const sessions = data?.readable ?? [];
  const session = chosen?.filter.session ?? (ofSession === ANY ? undefined : ofSession);
  const asked = useMemo(
    (): RunFilter | null => (chosen || session ? { ...chosen?.filter, ...(session && { session }) } : null),
    [chosen, session],
  );
  return (
    <section aria-labelledby="runs-title" className={styles.groups}>
      <Typography id="runs-title" variant="h2">
        Runs
      </Typography>
      <RunGroups carId={carId} design={design} chosen={chosen} onChoose={setChosen} />
      <div className={styles.head}>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={view}
          aria-label="View of the runs"
          onChange={(_event, next: View | null) => next && startTransition(() => setView(next))}
        >
          {VIEWS.map((key) => (
            <ToggleButton key={key} value={key}>
              {key}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {sessions.length > 0 && (
          <ChoiceSelect
            label="Session"
            value={ofSession}
            options={{ [ANY]: 'any', ...Object.fromEntries(sessions.map(({ id, session: { name } }) => [id, name])) }}
            onChange={setOfSession}
          />
        )}
        <RunFiles carId={carId} design={design} />
      </div>
      {view !== 'list' && (
        <Suspense fallback={null}>
          {view === 'table' ? <RunsTable carId={carId} filter={asked} /> : <RunsChart carId={carId} design={design} filter={asked} />}
        </Suspense>
      )}
      {/* Also where no group can be told: what cannot be read is in the list. */}
      {view === 'list' && (
        <RunList
          carId={carId}
          filter={asked}
          filterWords={[chosen?.words ?? '', ...sessions.filter(({ id }) => id === ofSession).map(({ session: { name } }) => `in ${name}`)]
            .filter(Boolean)
            .join(', ')}
          onAll={() => {
            setChosen(null);
            setOfSession(ANY);
          }}
        />
      )}
    </section>
  );
}

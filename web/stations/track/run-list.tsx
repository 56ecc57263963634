import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import EditIcon from '@mui/icons-material/EditOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { CarDesign } from '../../../core/design/car-design.ts';
import { predictRun } from '../../../core/design/predict-run.ts';
import { isSameCar } from '../../../core/design/same-design.ts';
import { likeRuns, type LikeRuns } from '../../../core/trials/like-runs.ts';
import { spreadOf } from '../../../core/trials/spread.ts';
import { printNumber, printQuantity, unitOf } from '../../../core/units/quantity.ts';
import { problemLine, useListVersionsQuery, useRemoveRunMutation, type StoredRun } from '../../app/api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useUnits } from '../../ui/use-units.ts';
import { outcomeWords, SEEN_WORDS, windWords } from './run-words.ts';
import { formChanged } from './track-slice.ts';

interface RunListProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly runs: readonly StoredRun[];
}

/** All runs of a car, those wound alike together: predicted, measured, mean and spread. */
export function RunList({ design, runs, carId }: RunListProps) {
  const groups = useMemo(() => likeRuns(runs, ({ record }) => record), [runs]);
  const { data: versions } = useListVersionsQuery(carId);
  const versionName = ({ record }: StoredRun): string | null => versions?.find(({ id }) => id === record.carVersion)?.record.name ?? null;
  return (
    <Box component="section" aria-labelledby="runs-title" sx={{ display: 'grid', gap: 6 }}>
      <Typography id="runs-title" variant="h2">
        Runs
      </Typography>
      {groups.length === 0 && (
        <Typography color="text.secondary">
          No run yet. Wind it, place the nose at the line, release, measure from line to nose, and log it here: three runs wound alike show
          how much luck is in it.
        </Typography>
      )}
      {groups.map((group) => (
        <RunGroup
          key={group.runs[0]!.id}
          carId={carId}
          group={group}
          isPresentCar={isSameCar(group.design, design)}
          version={versionName(group.runs[0]!)}
        />
      ))}
    </Box>
  );
}

function RunGroup({
  carId,
  group,
  isPresentCar,
  version,
}: {
  readonly carId: string;
  readonly group: LikeRuns<StoredRun>;
  readonly isPresentCar: boolean;
  readonly version: string | null;
}) {
  const units = useUnits();
  const prediction = useMemo(() => predictRun(group.design, group.wind), [group]);
  const predicted = prediction.kind === 'ran' ? prediction.result.distance : null;
  const spread = spreadOf(group.runs.map(({ record }) => record));
  const distance = (value: number | null): string => (value === null ? '–' : printQuantity(value, 'distance', units));
  const facts: readonly (readonly [string, string])[] = [
    ['predicted', distance(predicted)],
    [spread.walls > 0 && spread.count > 0 ? 'mean of those that stopped' : 'mean', distance(spread.mean)],
    ['spread (standard deviation)', spread.deviation === null ? 'needs two runs that stopped' : `± ${distance(spread.deviation)}`],
    [
      'best',
      spread.best === null
        ? '–'
        : outcomeWords(group.runs.find(({ record }) => record.outcome.distance === spread.best)!.record.outcome, units),
    ],
  ];
  return (
    <Box component="section" aria-label={windWords(group.wind)}>
      <Typography variant="h3">
        {windWords(group.wind)}
        {(!isPresentCar || version) && (
          <Typography component="span" color="text.secondary">
            {' '}
            · {version ? `“${version}”` : 'the car as it was then'}
          </Typography>
        )}
      </Typography>
      <Box
        component="dl"
        sx={{
          my: 2,
          display: 'flex',
          flexWrap: 'wrap',
          columnGap: 8,
          rowGap: 2,
          '& dt': { fontSize: 13, color: 'text.secondary' },
          '& dd': { m: 0, typography: 'figures', fontSize: 17 },
        }}
      >
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </Box>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {group.runs.map((run) => (
          <RunRow key={run.id} carId={carId} run={run} predicted={predicted} />
        ))}
      </Box>
    </Box>
  );
}

const when = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

function RunRow({ carId, run, predicted }: { readonly carId: string; readonly run: StoredRun; readonly predicted: number | null }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [remove] = useRemoveRunMutation();
  const { record } = run;
  const { outcome } = record;
  const apart = predicted === null || outcome.kind === 'hit-wall' ? null : outcome.distance - predicted;
  const name = `${outcomeWords(outcome, units)}, ${when.format(new Date(record.ranAt))}`;
  const correct = (): void => {
    const change = {
      correcting: { id: run.id, version: run.version },
      wind: record.wind.kind,
      turns: record.wind.kind === 'turns' ? printNumber(record.wind.turns, 'count', units) : '',
      outcome: outcome.kind,
      distance: printQuantity(outcome.distance, 'distance', units).replace('\u00a0', ' '),
      time: record.time === undefined ? '' : String(record.time),
      seen: record.seen,
      note: record.note,
    };
    dispatch(formChanged({ carId, change }));
    window.document.querySelector('main')?.scrollTo({ top: 0 });
  };
  const takeAway = async (): Promise<void> => {
    const answer = await remove({ carId, id: run.id });
    dispatch(
      answer.error
        ? toasted(problemLine(answer.error), { tone: 'stop' })
        : toasted(`Run removed: ${name}`, { undoing: { kind: 'run', carId, id: run.id } }),
    );
  };
  const remarks = [...record.seen.map((thing) => SEEN_WORDS[thing]), record.note].filter(Boolean).join(' · ');
  return (
    <Box
      component="li"
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        py: 1,
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1fr) auto',
        alignItems: 'center',
      }}
    >
      <Box>
        <Typography component="span" variant="figures" sx={{ fontSize: 16, mr: 3 }}>
          {outcomeWords(outcome, units)}
        </Typography>
        <Typography component="span" variant="body2" color="text.secondary">
          {apart === null
            ? outcome.kind === 'hit-wall'
              ? 'hit the wall'
              : ''
            : `${apart < 0 ? '−' : '+'}${printQuantity(Math.abs(apart), 'distance', units)} against predicted`}
          {record.time === undefined ? '' : ` · ${printNumber(record.time, 'time', units)} ${unitOf('time', units)}`} ·{' '}
          {when.format(new Date(record.ranAt))}
        </Typography>
        {remarks && <Typography variant="body2">{remarks}</Typography>}
      </Box>
      <Box sx={{ display: 'flex' }}>
        <IconButton aria-label={`Correct run ${name}`} onClick={correct} sx={{ width: 44, height: 44 }}>
          <EditIcon />
        </IconButton>
        <IconButton aria-label={`Remove run ${name}`} onClick={() => void takeAway()} sx={{ width: 44, height: 44 }}>
          <DeleteIcon />
        </IconButton>
      </Box>
    </Box>
  );
}

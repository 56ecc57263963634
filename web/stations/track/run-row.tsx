import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import HistoryIcon from '@mui/icons-material/HistoryOutlined';
import EditIcon from '@mui/icons-material/EditOutlined';
import ShowChartIcon from '@mui/icons-material/ShowChartOutlined';
import SaveIcon from '@mui/icons-material/SaveAltOutlined';
import IconButton from '@mui/material/IconButton';
import { startTransition, Suspense, useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { formatFault } from '../../../core/fault-words.ts';
import type { ListedRun, Unreadable } from '../../../core/schema/stored.ts';
import { formatAbout, formatNumber, unitOf } from '../../../core/units/quantity.ts';
import { OBSERVATION_NAMES } from '../../../core/trials/observation-names.ts';
import { useIsOwner } from '../../app/use-role.ts';
import { download } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import styles from './run-list.module.css';
import { RunPhoto } from './run-photo.tsx';
import { useCorrecting, useRemoval } from './use-run-actions.ts';
import { describeDetails, describeEnd, formatOutcome, formatWinding } from './describe-run.ts';

const when = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
const RunHistory = lazyWithPreload(() => import('./run-history.tsx'));
const FilmGainLine = lazyWithPreload(() => import('./film-gain-line.tsx'));
const AlongTheWay = lazyWithPreload(() => import('./along-the-way.tsx'));
const PRESSED = { width: 44, height: 44 };

interface RunRowProps {
  readonly carId: string;
  readonly run: ListedRun;
  /** The car as it ran. */
  readonly design: CarDesign;
  /** The saved version it ran as; null for none. */
  readonly version: string | null;
}

/** One run: what came, against what was predicted for just that car and wind. */
export function RunRow({ carId, run, design, version }: RunRowProps) {
  const units = useUnits();
  const remove = useRemoval(carId);
  const isOwner = useIsOwner();
  const [isOpen, setOpen] = useState(false);
  const [isHistory, setHistory] = useState(false);
  const { record } = run;
  const { outcome, wind } = record;
  const prediction = useMemo(() => predictRun(design, wind), [design, wind]);
  const apart = prediction.kind === 'refused' || outcome.kind === 'hit-wall' ? null : outcome.distance - prediction.result.distance;
  const ranAt = when.format(new Date(record.ranAt));
  const name = `${formatOutcome(outcome, units)}, ${ranAt}`;
  const correct = useCorrecting(carId);
  const facts = [
    describeEnd(outcome),
    apart === null ? '' : `${formatAbout(Math.abs(apart), 'distance', units)} ${apart < 0 ? 'short of' : 'beyond'} predicted`,
    record.time === undefined ? '' : `${formatNumber(record.time, 'time', units)} ${unitOf('time', units)}`,
    `${formatWinding(wind)}${version ? `, “${version}”` : ''}`,
    ranAt,
  ];
  const remarks = [...record.seen.map((thing) => OBSERVATION_NAMES[thing]), ...describeDetails(record, units), record.note]
    .filter(Boolean)
    .join(' · ');
  return (
    <div className={styles.run}>
      <div>
        <span className={styles.outcome}>{formatOutcome(outcome, units)}</span>
        <span className={`${plain.text} ${plain.muted}`}>{facts.filter(Boolean).join(' · ')}</span>
        {remarks && <p className={plain.text}>{remarks}</p>}
        {record.photo && <RunPhoto id={record.photo} of={`run ${name}`} />}
      </div>
      <div className={styles.tools}>
        {(record.splits?.length ?? 0) >= 2 && (
          <IconButton
            aria-label={`Along run ${name}`}
            aria-expanded={isOpen}
            onClick={() => startTransition(() => setOpen(!isOpen))}
            sx={PRESSED}
          >
            <ShowChartIcon />
          </IconButton>
        )}
        {isOwner && run.version > 1 && (
          <IconButton
            aria-label={`History of run ${name}`}
            aria-expanded={isHistory}
            onClick={() => startTransition(() => setHistory(!isHistory))}
            sx={PRESSED}
          >
            <HistoryIcon />
          </IconButton>
        )}
        {isOwner && (
          <>
            <IconButton aria-label={`Correct run ${name}`} onClick={() => correct(run)} sx={PRESSED}>
              <EditIcon />
            </IconButton>
            <IconButton aria-label={`Remove run ${name}`} onClick={() => void remove(run.id, name)} sx={PRESSED}>
              <DeleteIcon />
            </IconButton>
          </>
        )}
      </div>
      {isOpen && (
        <Suspense fallback={null}>
          <AlongTheWay record={record} design={design} />
          {record.film && <FilmGainLine carId={carId} design={design} />}
        </Suspense>
      )}
      {isHistory && (
        <Suspense fallback={null}>
          <RunHistory carId={carId} run={run} />
        </Suspense>
      )}
    </div>
  );
}

/** A run that is stored but cannot be read any more: its text can be saved, and it can be removed. */
export function UnreadableRunRow({ carId, run: { id, unreadable } }: { readonly carId: string; readonly run: Unreadable }) {
  const remove = useRemoval(carId);
  return (
    <div className={styles.run}>
      <p className={plain.text}>✕ This run cannot be read: {formatFault(unreadable.faults[0]!)}</p>
      <div className={styles.tools}>
        <IconButton
          aria-label="Save the text of this run"
          onClick={() => download(`${id}.run.json`, unreadable.text, 'application/json')}
          sx={PRESSED}
        >
          <SaveIcon />
        </IconButton>
        <IconButton aria-label="Remove this unreadable run" onClick={() => void remove(id, 'an unreadable one')} sx={PRESSED}>
          <DeleteIcon />
        </IconButton>
      </div>
    </div>
  );
}

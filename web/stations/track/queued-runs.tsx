import Button from '@mui/material/Button';
import { discardQueuedPhoto, discardQueuedRun, isMemoryOnly, sendAgain, type QueuedRun } from '../../app/run-queue.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { useQueuedPhotos, useQueuedRuns } from '../../app/use-queued-runs.ts';
import { formatIn, plainly } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { formOf } from './read-run-form.ts';
import { formatOutcome, formatWinding } from './describe-run.ts';
import { emptyForm, formChanged } from './track-slice.ts';
import styles from './track.module.css';

/** Why so many runs wait. */
const describeWait = ({ delay }: QueuedRun, count: number): string => {
  const wait = count === 1 ? 'waits' : 'wait';
  return delay ? `${wait} in this browser. ${delay}` : `${wait} in this browser until the program can be reached.`;
};

/** Runs of this car, and pictures, that are in the browser only: until the program takes them, or until they are mended. */
export function QueuedRuns({ carId }: { readonly carId: string }) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const waiting = useQueuedRuns().filter((run) => run.carId === carId);
  const refusedPhotos = (useQueuedPhotos() ?? []).filter(({ problem }) => problem);
  const isFormFree = useAppSelector((state) => {
    const form = state.track[carId] ?? emptyForm;
    return form.distance === '' && form.note === '' && form.time === '' && form.photo === null;
  });
  if (waiting.length + refusedPhotos.length === 0) return null;
  /** Back into the form: mended there, it is logged as a new run, or over the one that it corrects. */
  const mend = async ({ id, baseVersion, content }: QueuedRun): Promise<void> => {
    const form = formOf(content, plainly(formatIn(units)));
    dispatch(formChanged({ carId, change: { ...form, correcting: baseVersion > 0 ? { id, version: baseVersion } : null } }));
    await discardQueuedRun(id);
  };
  const refused = waiting.filter(({ problem }) => problem !== null);
  const rest = waiting.filter(({ problem }) => problem === null);
  const nameOf = ({ content }: QueuedRun): string => `${formatOutcome(content.outcome, units)}, ${formatWinding(content.wind)}`;
  // Told in one line, however many there are: the form below stays where the thumb is.
  const [first] = rest;
  return (
    <section aria-label="Runs in the queue" className={styles.waiting}>
      {isMemoryOnly() && <p className={plain.strong}>! This browser cannot store data. Keep this page open until these runs are sent.</p>}
      {first && (
        <div className={plain.text}>
          <p role="status">
            {rest.length === 1 ? `${nameOf(first)}: ` : `${rest.length} runs: `}
            {describeWait(first, rest.length)}
          </p>
          {rest.length > 1 && (
            <details>
              <summary>Show these runs</summary>
              <ul>
                {rest.map((run) => (
                  <li key={run.id}>{nameOf(run)}</li>
                ))}
              </ul>
            </details>
          )}
          <Button size="small" variant="outlined" onClick={() => void sendAgain(dispatch)}>
            Send again
          </Button>
        </div>
      )}
      {refused.map((run) => (
        <p key={run.id} role="status" className={plain.text}>
          {nameOf(run)}: ✕ not accepted: {run.problem}
          <Button size="small" disabled={!isFormFree} onClick={() => void mend(run)}>
            Correct
          </Button>
          <Button size="small" onClick={() => void sendAgain(dispatch)}>
            Send again
          </Button>
          <Button size="small" aria-label={`Discard the run ${nameOf(run)}`} onClick={() => void discardQueuedRun(run.id)}>
            Discard
          </Button>
        </p>
      ))}
      {refusedPhotos.map(({ id, content, problem }) => (
        <p key={id} className={plain.text}>
          Photo {content.name}: ✕ not accepted: {problem}
          <Button size="small" aria-label={`Discard the photo ${content.name}`} onClick={() => void discardQueuedPhoto(id)}>
            Discard
          </Button>
        </p>
      ))}
    </section>
  );
}

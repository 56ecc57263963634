import Button from '@mui/material/Button';
import { dropWaiting } from '../../app/run-queue.ts';
import { useWaitingRuns } from '../../app/use-waiting-runs.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { outcomeWords, windWords } from './run-words.ts';
import styles from './track.module.css';

/** Runs of this car that are in the browser only, until the program is back; or that it does not take, and why. */
export function WaitingRuns({ carId }: { readonly carId: string }) {
  const units = useUnits();
  const waiting = useWaitingRuns().filter((run) => run.carId === carId);
  if (waiting.length === 0) return null;
  return (
    <section aria-label="Runs that wait" role="status">
      {waiting.map(({ id, content, problem }) => (
        <p key={id} className={`${plain.text} ${styles.waiting}`}>
          {outcomeWords(content.outcome, units)}, {windWords(content.wind)}:{' '}
          {problem === null ? 'waits in this browser until the program is back.' : `✕ not taken: ${problem}`}
          {problem !== null && (
            <Button size="small" onClick={() => void dropWaiting(id)}>
              Give it up
            </Button>
          )}
        </p>
      ))}
    </section>
  );
}

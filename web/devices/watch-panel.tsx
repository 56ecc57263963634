import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { formatQuantity } from '../../core/units/quantity.ts';
import plain from '../ui/plain.module.css';
import { useUnits } from '../ui/use-units.ts';
import styles from './devices.module.css';
import { useWatch } from './use-watch.ts';

/** A time along the run. m, s. */
export interface Split {
  readonly at: number;
  readonly time: number;
}

interface WatchPanelProps {
  /** What is timed: its watch runs on under this name. */
  readonly name: string;
  /** m, where times are taken along the run. */
  readonly marks: readonly number[];
  /** What the press that takes it is called. */
  readonly taking?: string;
  readonly onStopped: (time: number, splits: readonly Split[]) => void;
}

const seconds = (ms: number): string => (ms / 1000).toFixed(2);

/** Go and Stop, with a time at each mark along the run; a slip is taken back. Hit without looking. */
export function WatchPanel({ name, marks, taking = 'Use this time', onStopped }: WatchPanelProps) {
  const units = useUnits();
  const watch = useWatch(marks.length, name);
  const { phase, presses } = watch;
  const shown = useShownTime(watch);
  const passed = presses.slice(0, marks.length);
  const next = marks[passed.length];
  const label =
    phase === 'ready' ? 'Go' : phase === 'stopped' ? 'Stopped' : next === undefined ? 'Stop' : formatQuantity(next, 'distance', units);
  return (
    <div className={styles.panel}>
      <p className={styles.watch} role="timer" aria-live="off">
        {seconds(shown)} s
      </p>
      <ol className={styles.splits}>
        {passed.map((ms, i) => (
          <li key={marks[i]}>
            {formatQuantity(marks[i]!, 'distance', units)}: {seconds(ms)} s
          </li>
        ))}
      </ol>
      <div className={styles.row}>
        <Button variant="outlined" disabled={phase === 'ready'} onClick={watch.back}>
          {phase === 'running' && presses.length === 0 ? 'Undo Go' : 'Undo last press'}
        </Button>
        {phase === 'running' && next !== undefined && (
          <Button variant="outlined" onClick={watch.stop}>
            Stop now
          </Button>
        )}
        {phase === 'stopped' && (
          <Button
            variant="contained"
            onClick={() => {
              onStopped(
                Number(seconds(watch.stoppedAt!)),
                passed.map((ms, i) => ({ at: marks[i]!, time: Number(seconds(ms)) })),
              );
              watch.reset();
            }}
          >
            {taking}
          </Button>
        )}
      </div>
      <p className={`${plain.caption} ${plain.muted}`}>
        Release from behind and to one side. Press as it goes{marks.length > 0 ? ', at each mark,' : ''} and as it stops.
      </p>
      <Button
        variant="contained"
        color={phase === 'running' ? 'secondary' : 'primary'}
        disabled={phase === 'stopped'}
        className={styles.go}
        onPointerDown={watch.press}
        onKeyDown={(event) => {
          if (event.repeat || (event.key !== ' ' && event.key !== 'Enter')) return;
          event.preventDefault();
          watch.press();
        }}
      >
        {label}
      </Button>
    </div>
  );
}

/** ms to show, following the watch while it runs. */
function useShownTime({ phase, startedAt, stoppedAt }: ReturnType<typeof useWatch>): number {
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (phase !== 'running' || startedAt === null) return;
    let frame = requestAnimationFrame(function follow() {
      setNow(Date.now() - startedAt);
      frame = requestAnimationFrame(follow);
    });
    return () => cancelAnimationFrame(frame);
  }, [phase, startedAt]);
  return phase === 'stopped' ? stoppedAt! : phase === 'running' ? now : 0;
}

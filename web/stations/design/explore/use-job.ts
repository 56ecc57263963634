import { useCallback, useEffect, useRef, useState } from 'react';
import { stopAll } from '../../../workers/explore.ts';

/** ms without a change after which long work is begun anew. */
export const QUIET = 150;

/** ms between two tellings of the share done: telling takes time from the work. */
const BETWEEN_NEWS = 100;

interface Job<T> {
  /** Share done, 0 to 1, while it runs. */
  readonly progress: number | null;
  readonly result: T | null;
}

/**
 * Long work in the workers: started anew, shown as it grows, and stopped. `start` gets a function that takes what is there
 * so far and the share done; work that was stopped or overtaken says no more.
 */
export function useJob<T>() {
  const [job, setJob] = useState<Job<T>>({ progress: null, result: null });
  const turn = useRef(0);
  const told = useRef(0);
  const run = useCallback((start: (report: (result: T | null, share: number) => boolean) => Promise<T | null>): void => {
    const mine = ++turn.current;
    const isCurrent = (): boolean => mine === turn.current;
    setJob(({ result }) => ({ progress: 0, result }));
    void start((result, share) => {
      const isNews = result !== null || performance.now() - told.current > BETWEEN_NEWS;
      if (isCurrent() && isNews) {
        told.current = performance.now();
        setJob((before) => ({ progress: share, result: result ?? before.result }));
      }
      return isCurrent();
    }).then((result) => {
      if (isCurrent()) setJob((before) => ({ progress: null, result: result ?? before.result }));
    });
  }, []);
  const stop = useCallback((): void => {
    turn.current++;
    stopAll();
    setJob(({ result }) => ({ progress: null, result }));
  }, []);
  useEffect(
    () => () => {
      turn.current++;
    },
    [],
  );
  return { ...job, run, stop };
}

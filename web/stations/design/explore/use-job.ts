import { useCallback, useEffect, useRef, useState } from 'react';
import { orBroken, stopAll } from '../../../workers/explore.ts';

/** ms without a change after which long work is begun anew. */
export const QUIET = 150;

/** ms between two tellings of the share done: telling takes time from the work. */
const BETWEEN_NEWS = 100;

interface Job<T> {
  /** Share done, 0 to 1, while it runs. */
  readonly progress: number | null;
  readonly result: T | null;
  /** It broke down: it can be tried again. */
  readonly isBroken: boolean;
}

type Start<T> = (report: (result: T | null, share: number) => boolean) => Promise<T | null>;

/**
 * Long work in the workers: started anew, shown as it grows, and stopped. `start` gets a function that takes what is there
 * so far and the share done; work that was stopped or overtaken says no more. It ends in a result, a stop, or broken.
 */
export function useJob<T>() {
  const [job, setJob] = useState<Job<T>>({ progress: null, result: null, isBroken: false });
  const turn = useRef(0);
  const told = useRef(0);
  const latest = useRef<Start<T> | null>(null);
  const run = useCallback((start: Start<T>): void => {
    latest.current = start;
    const mine = ++turn.current;
    const isCurrent = (): boolean => mine === turn.current;
    setJob(({ result }) => ({ progress: 0, result, isBroken: false }));
    const work = start((result, share) => {
      const isNews = result !== null || performance.now() - told.current > BETWEEN_NEWS;
      if (isCurrent() && isNews) {
        told.current = performance.now();
        setJob((before) => ({ progress: share, result: result ?? before.result, isBroken: false }));
      }
      return isCurrent();
    });
    orBroken(work).then(
      (result) => {
        if (isCurrent()) setJob((before) => ({ progress: null, result: result ?? before.result, isBroken: false }));
      },
      (reason: unknown) => {
        console.error(reason);
        if (!isCurrent()) return;
        // A worker that broke answers no more: the next work gets new ones.
        stopAll();
        setJob(({ result }) => ({ progress: null, result, isBroken: true }));
      },
    );
  }, []);
  const again = useCallback(() => latest.current && run(latest.current), [run]);
  const stop = useCallback((): void => {
    turn.current++;
    stopAll();
    setJob(({ result }) => ({ progress: null, result, isBroken: false }));
  }, []);
  useEffect(
    () => () => {
      turn.current++;
    },
    [],
  );
  return { ...job, run, stop, again };
}

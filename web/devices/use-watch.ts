import { useLocalStorage } from '../ui/use-local-storage.ts';

/** A watch: not begun, running, or stopped; ms of the machine's clock, and ms since the start. */
export interface Watch {
  readonly startedAt: number | null;
  /** Presses along the run, since the start. */
  readonly presses: readonly number[];
  readonly stoppedAt: number | null;
}

export type WatchAction =
  | { readonly kind: 'press' | 'stop'; readonly now: number; readonly marks: number }
  | { readonly kind: 'back' }
  | { readonly kind: 'reset' };

export const NOT_BEGUN: Watch = { startedAt: null, presses: [], stoppedAt: null };

/** A press starts it, takes the time at each of so many marks, and then stops it; `back` takes the last of these back. */
export function watchReducer(watch: Watch, action: WatchAction): Watch {
  const { startedAt, presses, stoppedAt } = watch;
  switch (action.kind) {
    case 'press':
      if (startedAt === null) return { ...NOT_BEGUN, startedAt: action.now };
      if (stoppedAt !== null) return watch;
      return presses.length < action.marks
        ? { ...watch, presses: [...presses, action.now - startedAt] }
        : { ...watch, stoppedAt: action.now - startedAt };
    case 'stop':
      return startedAt === null || stoppedAt !== null ? watch : { ...watch, stoppedAt: action.now - startedAt };
    case 'back':
      if (stoppedAt !== null) return { ...watch, stoppedAt: null };
      return presses.length > 0 ? { ...watch, presses: presses.slice(0, -1) } : NOT_BEGUN;
    case 'reset':
      return NOT_BEGUN;
  }
}

/** A watch with times at so many marks. It runs on under its name in this browser: another stage, a reload or a locked screen does not stop it. */
export function useWatch(marks: number, name: string) {
  const [watch, setWatch] = useLocalStorage<Watch>(`watch ${name}`, NOT_BEGUN);
  const dispatch = (action: WatchAction): void => setWatch(watchReducer(watch, action));
  return {
    ...watch,
    phase: watch.startedAt === null ? ('ready' as const) : watch.stoppedAt === null ? ('running' as const) : ('stopped' as const),
    press: () => dispatch({ kind: 'press', now: Date.now(), marks }),
    stop: () => dispatch({ kind: 'stop', now: Date.now(), marks }),
    back: () => dispatch({ kind: 'back' }),
    reset: () => dispatch({ kind: 'reset' }),
  };
}

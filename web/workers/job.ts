/** Long work as it is seen: how far it is, what is there of it, and whether it broke down. */
export interface Job<T> {
  /** Share done, 0 to 1, while it runs. */
  readonly progress: number | null;
  readonly result: T | null;
  /** It broke down: it can be tried again. */
  readonly isBroken: boolean;
}

/** Begins work; it tells what is there so far and the fraction done, and is answered whether it is still wanted. */
export type Start<T> = (report: (result: T | null, fraction: number) => boolean) => Promise<T | null>;

interface Surroundings<T> {
  /** Told of every change of the job. */
  readonly onChange: (change: (before: Job<T>) => Job<T>) => void;
  /** Ends what the workers are doing. */
  readonly stopWorkers: () => void;
  /** ms between two tellings of the fraction done: telling takes time from the work. */
  readonly betweenNews: number;
}

/** Runs one piece of long work at a time: what was stopped or overtaken says no more, and it ends in a result, a stop, or broken. */
export function makeJobs<T>({ onChange, stopWorkers, betweenNews }: Surroundings<T>) {
  let turn = 0;
  let lastReported = -Infinity;
  let latest: Start<T> | null = null;
  let isRunning = false;
  const run = (start: Start<T>): void => {
    latest = start;
    isRunning = true;
    const mine = ++turn;
    const isCurrent = (): boolean => mine === turn;
    onChange(({ result }) => ({ progress: 0, result, isBroken: false }));
    const work = start((result, fraction) => {
      const isNews = result !== null || performance.now() - lastReported > betweenNews;
      if (isCurrent() && isNews) {
        lastReported = performance.now();
        onChange((before) => ({ progress: fraction, result: result ?? before.result, isBroken: false }));
      }
      return isCurrent();
    });
    work.then(
      (result) => {
        if (!isCurrent()) return;
        isRunning = false;
        onChange((before) => ({ progress: null, result: result ?? before.result, isBroken: false }));
      },
      (reason: unknown) => {
        console.error(reason);
        if (!isCurrent()) return;
        isRunning = false;
        // A worker that broke answers no more: the next work gets new ones.
        stopWorkers();
        onChange(({ result }) => ({ progress: null, result, isBroken: true }));
      },
    );
  };
  /** Whatever runs is ended, and says no more. */
  const leave = (): void => {
    turn++;
    if (isRunning) stopWorkers();
    isRunning = false;
  };
  return {
    run,
    again: () => latest && run(latest),
    stop: () => {
      leave();
      onChange(({ result }) => ({ progress: null, result, isBroken: false }));
    },
    leave,
  };
}

import type { RunSums } from '../schema/stored.ts';

export type { RunSums } from '../schema/stored.ts';

/** The sums of two sets of runs as those of one. Of two that went as far, the one that hit the wall is the better. */
export const sumsTogether = (a: RunSums, b: RunSums): RunSums => ({
  stopped: a.stopped + b.stopped,
  walls: a.walls + b.walls,
  noStarts: a.noStarts + b.noStarts,
  sum: a.sum + b.sum,
  sumOfSquares: a.sumOfSquares + b.sumOfSquares,
  best: b.best.distance > a.best.distance || (b.best.distance === a.best.distance && b.best.kind === 'hit-wall') ? b.best : a.best,
});

/** How a set of like runs lies. m. */
export interface Spread {
  /** Arithmetic mean of those that stopped; null without any. */
  readonly mean: number | null;
  /** Sample standard deviation, n − 1; null below two runs. */
  readonly deviation: number | null;
}

/** Mean and spread of measured distances. A run that hit the wall is censored, and one that did not start has none: neither enters the mean. */
export function spreadOf({ stopped, sum, sumOfSquares }: Pick<RunSums, 'stopped' | 'sum' | 'sumOfSquares'>): Spread {
  if (stopped === 0) return { mean: null, deviation: null };
  const mean = sum / stopped;
  // Rounding may leave a little less than nothing of runs that are all alike.
  const deviation = stopped > 1 ? Math.sqrt(Math.max(0, sumOfSquares - stopped * mean * mean) / (stopped - 1)) : null;
  return { mean, deviation };
}

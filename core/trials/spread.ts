import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { RunRecord } from '../design/car-design.ts';

/** How a set of like runs lies. m. */
export interface Spread {
  /** Runs that stopped by themselves; `walls` more hit the wall and say only "at least". */
  readonly count: number;
  readonly walls: number;
  /** Arithmetic mean of those that stopped; null without any. */
  readonly mean: number | null;
  /** Sample standard deviation, n − 1; null below two runs. */
  readonly deviation: number | null;
  /** The furthest measured, wall hits too. */
  readonly best: number | null;
}

/** Mean and spread of measured distances. A run that hit the wall is censored: it never enters the mean. */
export function spreadOf(records: readonly RunRecord[]): Spread {
  const stopped = records.filter(({ outcome }) => outcome.kind === 'stopped').map(({ outcome }) => outcome.distance);
  return {
    count: stopped.length,
    walls: records.length - stopped.length,
    mean: stopped.length > 0 ? mean(stopped) : null,
    deviation: stopped.length > 1 ? sampleStandardDeviation(stopped) : null,
    best: records.length > 0 ? Math.max(...records.map(({ outcome }) => outcome.distance)) : null,
  };
}

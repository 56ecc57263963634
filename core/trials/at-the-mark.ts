import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { USUAL_SCATTER, type ScatterPrior } from './fit/scale-grid.ts';
import { SESSION } from './did-it-help.ts';
import { logRuns, scatterPosterior } from './scatter-posterior.ts';
import type { ScoredRun, ScoredRuns, Scoring } from './scored-runs.ts';

/** How the next runs of two cars do at the goal. */
export interface AtTheMark {
  /** Chance that the next run of the second beats that of the first; of two that do not start neither does, and each has half of that. */
  readonly beats: number;
  /** m: the mark, and the chance that the next run of each comes so far; null where none is set. */
  readonly mark: { readonly distance: number; readonly reach: readonly [first: number, second: number] } | null;
}

/** Places at which a normal is looked at, in equal shares. */
const SHARES = 41;
const NODES = Array.from({ length: SHARES }, (_, i) => normalQuantile((i + 0.5) / SHARES, 0, 1));

/** Chance that a next run starts, by how many did: the rule of succession (Laplace); sure where all did. */
const startChance = (runs: readonly ScoredRun[]): number => {
  const started = runs.filter(({ hasStarted }) => hasStarted).length;
  return started === runs.length ? 1 : (started + 1) / (runs.length + 2);
};

/**
 * Chance that the next run of one car beats that of another: normal in ln about each mean, with the scatter integrated over as in
 * `didItHelp`. `mark`: m that is asked for, where distances are compared. Null without two runs of each that started.
 */
export function atTheMark(
  { before, after }: ScoredRuns,
  { isLess, target }: Pick<Scoring, 'isLess' | 'target'>,
  mark: number | null,
  scatter: ScatterPrior = USUAL_SCATTER,
): AtTheMark | null {
  const groups = [logRuns(before), logRuns(after)];
  if (groups.some((group) => group.length < 2)) return null;
  let [beats, firstReaches, secondReaches] = [0, 0, 0];
  for (const { scatter: size, weight, means } of scatterPosterior(groups, scatter)) {
    const [first, second] = means.map(({ mean, variance }) => ({ mean, sd: Math.sqrt(size ** 2 + variance + SESSION ** 2 / 2) }));
    if (target !== null) {
      const missesOf = ({ mean, sd }: { readonly mean: number; readonly sd: number }): number[] =>
        NODES.map((z) => Math.abs(Math.exp(mean + z * sd) - target));
      const misses = missesOf(first!);
      const won = missesOf(second!).reduce((sum, miss) => sum + misses.filter((other) => miss < other).length, 0);
      beats += (weight * won) / SHARES ** 2;
    } else beats += weight * normalCdf(((isLess ? -1 : 1) * (second!.mean - first!.mean)) / Math.hypot(first!.sd, second!.sd), 0, 1);
    if (mark === null) continue;
    firstReaches += weight * normalCdf((first!.mean - Math.log(mark)) / first!.sd, 0, 1);
    secondReaches += weight * normalCdf((second!.mean - Math.log(mark)) / second!.sd, 0, 1);
  }
  const [firstStarts, secondStarts] = [startChance(before), startChance(after)];
  return {
    beats: secondStarts * (firstStarts * beats + (1 - firstStarts)) + ((1 - secondStarts) * (1 - firstStarts)) / 2,
    mark: mark === null ? null : { distance: mark, reach: [firstStarts * firstReaches, secondStarts * secondReaches] },
  };
}

import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { mean } from 'simple-statistics';
import type { ScatterPrior } from './fit/fit-car.ts';
import type { ScoredRun } from './scored-runs.ts';

/** ln of what runs came to; at least that where they hit the wall. */
export interface LnRun {
  readonly ln: number;
  readonly atLeast: boolean;
}

/** What the mean of a group may be, in ln: a normal. */
export interface GroupMean {
  readonly mean: number;
  readonly variance: number;
}

/** One size that the common scatter of some groups may have, how likely it is, and what their means then are. */
export interface ScatterPlace {
  readonly scatter: number;
  readonly weight: number;
  readonly means: readonly GroupMean[];
}

/** The runs that started, in ln. */
export const lnRuns = (runs: readonly ScoredRun[]): LnRun[] =>
  runs.filter(({ hasStarted }) => hasStarted).map(({ value, atLeast }) => ({ ln: Math.log(value), atLeast }));

const PLACES = 41;
const REACH = 3.5;
/** Steps over which a censored mean is looked for, and how far beyond the wall it may lie: three times as far. */
const STEPS = 61;
const BEYOND = Math.log(3);

/** ln of the likelihood of a group with its mean integrated out (flat), and that mean’s posterior. */
function groupAt(runs: readonly LnRun[], scatter: number): GroupMean & { readonly lnWeight: number } {
  const all = runs.map(({ ln }) => ln);
  const n = runs.length;
  if (runs.every(({ atLeast }) => !atLeast)) {
    const middle = mean(all);
    const squares = all.reduce((sum, x) => sum + (x - middle) ** 2, 0);
    return {
      mean: middle,
      variance: scatter ** 2 / n,
      lnWeight: -(n - 1) * Math.log(scatter) - 0.5 * Math.log(n) + 0.5 * Math.log(2 * Math.PI) - squares / (2 * scatter ** 2),
    };
  }
  // Censored: on a grid, moments of what is then the posterior.
  const [low, high] = [Math.min(...all) - 4 * scatter, Math.max(...all) + Math.max(4 * scatter, BEYOND)];
  const step = (high - low) / (STEPS - 1);
  const grid = Array.from({ length: STEPS }, (_, i) => {
    const at = low + i * step;
    const lnLikelihood = runs.reduce((sum, { ln, atLeast }) => {
      const z = (at - ln) / scatter;
      return sum + (atLeast ? Math.log(Math.max(normalCdf(z, 0, 1), 1e-300)) : -Math.log(scatter) - 0.5 * z * z);
    }, 0);
    return { at, lnLikelihood };
  });
  const most = Math.max(...grid.map(({ lnLikelihood }) => lnLikelihood));
  const weights = grid.map(({ lnLikelihood }) => Math.exp(lnLikelihood - most));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const middle = grid.reduce((sum, { at }, i) => sum + weights[i]! * at, 0) / total;
  const variance = grid.reduce((sum, { at }, i) => sum + weights[i]! * (at - middle) ** 2, 0) / total;
  return { mean: middle, variance, lnWeight: most + Math.log(total * step) };
}

/**
 * What the common scatter of groups of runs may be, an ln-normal prior times the likelihood of all of them, and what each group’s mean then
 * is: exact where nothing is censored, else a normal of the same moments. Groups must not be empty.
 */
export function scatterPlaces(groups: readonly (readonly LnRun[])[], prior: ScatterPrior): readonly ScatterPlace[] {
  const places = Array.from({ length: PLACES }, (_, i) => {
    const off = -REACH + (2 * REACH * i) / (PLACES - 1);
    const scatter = prior.median * Math.exp(prior.spread * off);
    const means = groups.map((runs) => groupAt(runs, scatter));
    return { scatter, means, lnWeight: -0.5 * off * off + means.reduce((sum, { lnWeight }) => sum + lnWeight, 0) };
  });
  const most = Math.max(...places.map(({ lnWeight }) => lnWeight));
  const total = places.reduce((sum, { lnWeight }) => sum + Math.exp(lnWeight - most), 0);
  return places.map(({ scatter, means, lnWeight }) => ({ scatter, means, weight: Math.exp(lnWeight - most) / total }));
}

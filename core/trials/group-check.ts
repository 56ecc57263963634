import { binomialDistribution } from 'simple-statistics';
import { didNotStart, START } from '../car/did-not-start.ts';
import { fitCar, type FitOptions } from './fit/fit-car.ts';
import { shareBelow } from './fit/mixture.ts';
import { STALL } from './fit/outputs.ts';
import { predictFitted, type FittedPrediction } from './fit/predict-fitted.ts';
import type { TrialGroup } from './fit/trial.ts';

/** How like runs lie to what a model said of them before it knew them. */
export type Plausibility = 'as-expected' | 'surprising' | 'impossible';

/** The check of a group: how often a model that is right would be so far off or further, and what that is called. */
export interface GroupCheck {
  readonly chance: number;
  readonly verdict: Plausibility;
}

/** A right model is surprised by one group in twenty, and by one in a thousand as if it were impossible. */
const SURPRISING = 1 / 20;
const IMPOSSIBLE = 1 / 1000;

/**
 * Posterior predictive check of like runs against what a fit that does not know them says of them: the chance that the mean of so many runs lies as far to
 * either side, walls as "at least", and that as many do not start.
 * Source: Gelman et al., *Bayesian Data Analysis*, ch. 6 (posterior predictive p-values), 7 (cross-validation).
 */
export function checkGroup(prediction: FittedPrediction, { runs }: Pick<TrialGroup, 'runs'>): GroupCheck {
  const started = runs.filter(({ outcome }) => !didNotStart(outcome));
  const chances: number[] = [];
  if (started.length > 0) {
    const mean = started.reduce((sum, { outcome }) => sum + Math.log(outcome.distance + STALL), 0) / started.length;
    const below = shareBelow(prediction.lnMeanOf(started.length), mean);
    // With a wall among them the mean would be this or more: being less is no surprise.
    const isAtLeast = started.some(({ outcome }) => outcome.kind === 'hit-wall');
    chances.push(isAtLeast ? 2 * (1 - below) : 2 * Math.min(below, 1 - below));
  }
  const still = runs.length - started.length;
  const chance = shareBelow(prediction.lnNext, Math.log(START + STALL));
  if (still > 0) chances.push(2 * atLeast(still, runs.length, chance));
  const least = Math.min(1, ...chances);
  return { chance: least, verdict: least < IMPOSSIBLE ? 'impossible' : least < SURPRISING ? 'surprising' : 'as-expected' };
}

/** Chance of at least so many of `runs`, each with this chance. */
function atLeast(count: number, runs: number, chance: number): number {
  if (chance <= 0) return 0;
  if (chance >= 1) return 1;
  // The distribution ends where what is left is less than a ten thousandth.
  const fractions: readonly number[] = Object.values(binomialDistribution(runs, chance) ?? []);
  return fractions.reduce((sum, fraction, k) => (k >= count ? sum + fraction : sum), 0);
}

/** The group of which there are most runs, the newest of those. */
export const mostRun = <G extends TrialGroup>(groups: readonly G[]): G =>
  groups.reduce((best, group) => (group.runs.length >= best.runs.length ? group : best));

/** The check of a group against what was expected of such a car before any run; null where it cannot run. */
export function checkBefore(group: TrialGroup, options: Pick<FitOptions, 'more' | 'workspace'> = {}): GroupCheck | null {
  const before = fitCar([], { ...options, designs: [group.design] });
  const prediction = before && predictFitted(before, group.design, group.wind, group);
  return prediction && checkGroup(prediction, group);
}

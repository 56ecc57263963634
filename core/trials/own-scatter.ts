import { sampleStandardDeviation } from 'simple-statistics';
import { START } from '../car/did-not-start.ts';
import { USUAL_SCATTER, type ScatterPrior } from './fit/scale-grid.ts';

/** How much the scatter differs from one car of a builder to the next, ln. Our estimate. */
const BETWEEN = 0.25;
/** Runs that stopped from which a group tells its scatter. */
const MIN_RUNS = 3;

/** ln s of n normal values lies so far below ln σ on average, and has this variance: ψ and ψ′ of (n − 1)/2 by their asymptotic series (Abramowitz and Stegun 6.3.18, 6.4.12). */
function lnDeviationOf(count: number): { readonly below: number; readonly variance: number } {
  const x = (count - 1) / 2;
  return { below: (1 / (2 * x) + 1 / (12 * x * x)) / 2, variance: (1 / x + 1 / (2 * x * x) + 1 / (6 * x ** 3)) / 4 };
}

/**
 * Prior of the scatter of a builder's runs by earlier groups of like runs (distances, m): between what is usual and what they
 * show, the nearer to these the more there are. Of no group: what is usual. Runs that did not start tell nothing of it.
 */
export function ownScatter(groups: readonly (readonly number[])[]): ScatterPrior {
  const usual = USUAL_SCATTER.spread ** 2 - BETWEEN ** 2;
  let [precision, sum] = [1 / usual, Math.log(USUAL_SCATTER.median) / usual];
  for (const distances of groups) {
    const group = distances.filter((distance) => distance >= START);
    if (group.length < MIN_RUNS) continue;
    const { below, variance } = lnDeviationOf(group.length);
    const weight = 1 / (variance + BETWEEN ** 2);
    precision += weight;
    sum += weight * (Math.log(Math.max(sampleStandardDeviation(group.map(Math.log)), 0.005)) + below);
  }
  return {
    median: Math.exp(sum / precision),
    spread: Math.sqrt(1 / precision + BETWEEN ** 2),
    // What is usual reaches far up; what was seen of a builder does not.
    upwards: 1 + (USUAL_SCATTER.upwards - 1) / usual / precision,
  };
}

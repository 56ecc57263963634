import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { mean, median } from 'simple-statistics';
import type { ScatterPrior } from './fit/scale-grid.ts';
import type { ScoredRun } from './scored-runs.ts';

/** ln of what a run came to; at least that where it hit the wall. */
export interface OrderedRun {
  readonly ln: number;
  readonly atLeast: boolean;
  /** Which it was of all runs that are compared. */
  readonly order: number;
}

/** What the mean of a group may be, in ln: a normal. */
export interface GroupMean {
  readonly mean: number;
  readonly variance: number;
}

/** One size that the common scatter of some groups and the trend from run to run may have, how likely it is, and what their means then are. */
export interface ScatterNode {
  readonly scatter: number;
  /** ln from one run to the next. */
  readonly trend: number;
  readonly weight: number;
  readonly means: readonly GroupMean[];
}

/** The runs that started, in ln. */
export const logRuns = (runs: readonly ScoredRun[]): OrderedRun[] =>
  runs.flatMap(({ value, atLeast, hasStarted, order = 0 }) => (hasStarted ? [{ ln: Math.log(value), atLeast, order }] : []));

/** Places of the scatter, half of them to either side, and how far they reach in the prior’s spreads. */
const SCATTER_NODES = 25;
const REACH = 3;
/** One run in so many is an odd one, whose scatter is this many times as wide. Our estimates. */
const OUTLIER_PROBABILITY = 1 / 20;
const OUTLIER_WIDTH = 6;

/** Prior of how runs change from one to the next: ln, a normal. */
interface Drift {
  readonly fraction: number;
  readonly middle: number;
  readonly spread: number;
}
/** Not at all, or shorter: rubber tires, wheels gather dust; or, more rarely, longer: bearings run in. Our estimates. */
const DRIFTS: readonly Drift[] = [
  { fraction: 0.55, middle: 0, spread: 0 },
  { fraction: 0.35, middle: -0.008, spread: 0.006 },
  { fraction: 0.1, middle: 0.008, spread: 0.006 },
];
/** Nodes and weights of what a trend may be, of a normal. Source: Gauss and Hermite, Abramowitz and Stegun 25.10, five points. */
const NODES = [-2.85697, -1.355626, 0, 1.355626, 2.85697];
const NODE_WEIGHTS = [0.0112574, 0.2220759, 0.5333333, 0.2220759, 0.0112574];
/** Where only walls are known of a group, its mean lies evenly between them and three times as far; ln. */
const BEYOND = Math.log(3) / 2;
const BEYOND_SPREAD = Math.log(3) / Math.sqrt(12);
const MAX_ITERATIONS = 8;
const STEP_TOLERANCE = 0.05;
/** ln below the most likely from which a place counts for nothing. */
const NEGLIGIBLE_LOG_WEIGHT = 8;

/** ln of how much likelier an odd run is than another, at the middle. */
const LN_ODDS = Math.log(OUTLIER_PROBABILITY / (1 - OUTLIER_PROBABILITY) / OUTLIER_WIDTH);
const LN_2PI = Math.log(2 * Math.PI);
const LN_EVEN = Math.log(1 - OUTLIER_PROBABILITY) - 0.5 * LN_2PI;
const lnNormalDensity = (z: number, deviation: number): number => -0.5 * (z * z + LN_2PI) - Math.log(deviation);

/** ln of the odds of an odd run beyond which nothing else is thought of it: a sum in ln would overflow. */
const SURELY_ODD = 30;

/** A run as it counts about a mean: ln of its likelihood, and the normal that it is like there. */
interface Counted {
  value: number;
  at: number;
  precision: number;
}

/** Writes to `counted` how a run counts. `ln`: freed of the trend. */
function count(ln: number, atLeast: boolean, about: number, scatter: number, counted: Counted): void {
  const z = (ln - about) / scatter;
  if (atLeast) {
    const fraction = Math.max(normalCdf(-z, 0, 1), 1e-300);
    const slope = Math.exp(lnNormalDensity(z, 1)) / fraction;
    counted.precision = Math.max(slope * (slope - z), 1e-6) / scatter ** 2;
    counted.value = Math.log(fraction);
    counted.at = about + slope / scatter / counted.precision;
    return;
  }
  const lnOdds = Math.min(LN_ODDS + 0.5 * z * z * (1 - 1 / OUTLIER_WIDTH ** 2), SURELY_ODD);
  const odds = Math.exp(lnOdds);
  const isEven = 1 / (1 + odds);
  counted.precision = (isEven + (1 - isEven) / OUTLIER_WIDTH ** 2) / scatter ** 2;
  counted.value =
    lnOdds < SURELY_ODD
      ? LN_EVEN - 0.5 * z * z - Math.log(scatter) + Math.log1p(odds)
      : LN_EVEN + LN_ODDS - 0.5 * (z / OUTLIER_WIDTH) ** 2 - Math.log(scatter);
  counted.at = ln;
}

interface MeansAt {
  readonly lnWeight: number;
  readonly trend: GroupMean;
  /** What each group’s mean is with a trend. */
  readonly with: (trend: number) => readonly GroupMean[];
}

/**
 * Means of groups at one scatter, by expectation and maximisation over which runs are odd ones, with a trend that all runs share, as far as it is thought of;
 * ln of how well they explain the runs, by Laplace. Means are reported for the middle of all runs. Source: Aitkin and Wilson, Technometrics 22
 * (1980) 325 (contaminated normal by EM); analysis of covariance, of any text.
 */
function meansAt(groups: readonly (readonly OrderedRun[])[], scatter: number, { middle: usual, spread: wide }: Drift): MeansAt {
  const starts = groups.map((runs) => {
    const walls = runs.some(({ atLeast }) => atLeast);
    const all = runs.map(({ ln }) => ln);
    const prior = walls ? { mean: Math.max(...all) + BEYOND, variance: BEYOND_SPREAD ** 2 } : null;
    return { mean: median(all), prior };
  });
  let means = starts.map(({ mean }) => mean);
  let slope = usual;
  const counted: Counted = { value: 0, at: 0, precision: 0 };
  for (let round = 0; ; round++) {
    let lnWeight = 0;
    let [across, along] = wide > 0 ? [1 / wide ** 2, usual / wide ** 2] : [0, 0];
    const sums = groups.map((runs, g) => {
      // Sums over runs of precision, and of that by order, value, order² and order by value.
      let [weight, byOrder, byValue, byOrders, byBoth] = [0, 0, 0, 0, 0];
      for (const { ln, atLeast, order } of runs) {
        const shift = slope * order;
        count(ln - shift, atLeast, means[g]!, scatter, counted);
        const { precision } = counted;
        const at = counted.at + shift;
        lnWeight += counted.value;
        weight += precision;
        byOrder += precision * order;
        byValue += precision * at;
        byOrders += precision * order * order;
        byBoth += precision * order * at;
      }
      across += byOrders - byOrder ** 2 / weight;
      along += byBoth - (byOrder * byValue) / weight;
      const { prior } = starts[g]!;
      if (prior) {
        lnWeight += lnNormalDensity((means[g]! - prior.mean) / Math.sqrt(prior.variance), Math.sqrt(prior.variance));
        weight += 1 / prior.variance;
        byValue += prior.mean / prior.variance;
      }
      return { weight, middle: byOrder / weight, at: byValue / weight };
    });
    const next = wide > 0 ? along / across : 0;
    const now = sums.map(({ at, middle }) => at - next * middle);
    const moved = Math.max(Math.abs(next - slope) * 10, ...now.map((one, g) => Math.abs(one - means[g]!)));
    if (moved < STEP_TOLERANCE * scatter || round === MAX_ITERATIONS) {
      lnWeight += sums.reduce((sum, { weight }) => sum + 0.5 * (LN_2PI - Math.log(weight)), 0);
      if (wide > 0) lnWeight += lnNormalDensity((slope - usual) / wide, wide) + 0.5 * (LN_2PI - Math.log(across));
      return {
        lnWeight,
        trend: { mean: next, variance: wide > 0 ? 1 / across : 0 },
        with: (trend) => sums.map(({ weight, at, middle }) => ({ mean: at - trend * middle, variance: 1 / weight })),
      };
    }
    means = now;
    slope = next;
  }
}

/**
 * What the common scatter of groups of runs may be, an ln-normal prior (its upper side wider) times the likelihood of all of them, whether
 * they grow longer or shorter from run to run, and what each group’s mean then is. Odd runs count little; those at the wall are censored.
 * Groups must not be empty. `fineness`: places of the scatter.
 */
export function scatterPosterior(
  groups: readonly (readonly OrderedRun[])[],
  prior: ScatterPrior,
  fineness = SCATTER_NODES,
): readonly ScatterNode[] {
  const middle = mean(groups.flatMap((runs) => runs.map(({ order }) => order)));
  const centred = groups.map((runs) => runs.map((run) => ({ ...run, order: run.order - middle })));
  const nodes = Array.from({ length: fineness }, (_, i) => {
    const fraction = -1 + (2 * i) / (fineness - 1);
    const off = REACH * fraction * (fraction > 0 ? prior.upwards : 1);
    const scatter = prior.median * Math.exp(prior.spread * off);
    const lnPrior = -0.5 * (REACH * fraction) ** 2 + (fraction > 0 ? Math.log(prior.upwards) : 0);
    return DRIFTS.flatMap((drift) => {
      const { lnWeight, trend, with: means } = meansAt(centred, scatter, drift);
      const nodes = drift.spread > 0 ? NODES : [0];
      return nodes.map((node, k) => {
        const at = trend.mean + node * Math.sqrt(trend.variance);
        return {
          scatter,
          trend: at,
          means: means(at),
          lnWeight: lnPrior + Math.log(drift.fraction * (nodes.length > 1 ? NODE_WEIGHTS[k]! : 1)) + lnWeight,
        };
      });
    });
  }).flat();
  const most = Math.max(...nodes.map(({ lnWeight }) => lnWeight));
  const likely = nodes.filter(({ lnWeight }) => lnWeight > most - NEGLIGIBLE_LOG_WEIGHT);
  const total = likely.reduce((sum, { lnWeight }) => sum + Math.exp(lnWeight - most), 0);
  return likely.map(({ lnWeight, ...place }) => ({ ...place, weight: Math.exp(lnWeight - most) / total }));
}

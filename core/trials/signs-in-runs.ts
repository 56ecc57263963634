import tCdf from '@stdlib/stats-base-dists-t-cdf';
import { mean, median } from 'simple-statistics';
import { trendOf } from './trend.ts';

/** One run as it is looked at: m, and which it was of all. */
export interface RunInOrder {
  readonly distance: number;
  readonly order: number;
}

/** Whether something shows in runs: there, not there, or too few to tell. */
export type Sign = 'seen' | 'not-seen' | 'cannot-tell';

/** What runs that are alike show besides how far they go. */
export interface SignsInRuns {
  /** Whether they grow longer or shorter, and by how much from one run to the next, as a fraction. */
  readonly drift: Sign;
  readonly perRun: number;
  /** Whether some are odd, and which of all runs these were. */
  readonly odd: Sign;
  readonly oddOnes: readonly number[];
  /** Whether they scatter more and more. */
  readonly growing: Sign;
}

/** Runs of a group that tell how they scatter about their own mean. */
const MIN_RUNS = 3;
/** Luck shows one of these so often. */
const SIGNIFICANCE_LEVEL = 0.05;
/** Degrees of freedom from which an odd run or a growing scatter can be told from others. */
const MIN_DEGREES_OF_FREEDOM = 3;

const squares = (values: readonly number[]): number => values.reduce((sum, value) => sum + value * value, 0);

/** Runs of a group from which its own middle tells odd ones, and robust standard deviations from which it does. */
const OF_ITS_OWN = 8;
const FAR = 3.5;
/** Which runs lie further from their group's middle than 3.5 robust standard deviations (median absolute deviation over 0.6745): several odd ones do not hide each other. */
function farFromTheMiddle(runs: readonly RunInOrder[]): number[] {
  if (runs.length < OF_ITS_OWN) return [];
  const middle = median(runs.map(({ distance }) => distance));
  const robust = Math.max(median(runs.map(({ distance }) => Math.abs(distance - middle))) / 0.6745, 0.01 * middle);
  return runs.filter(({ distance }) => Math.abs(distance - middle) > FAR * robust).map(({ order }) => order);
}

/**
 * Signs of fatigue, of odd runs and of growing scatter, over all groups of three runs or more together, each about its own mean in ln: the
 * slope of an analysis of covariance, externally studentised residuals with Bonferroni's bound, and Kendall's τ of the size of the residuals.
 * Source: any text of regression; Cook & Weisberg, *Residuals and Influence in Regression* (1982), 2.2. `groups`: runs that stopped.
 */
export function signsInRuns(groups: readonly (readonly RunInOrder[])[]): SignsInRuns {
  const all = aboutTheirMeans(groups);
  if (all.groups === 0) return { drift: 'cannot-tell', perRun: 0, odd: 'cannot-tell', oddOnes: [], growing: 'cannot-tell' };
  const isOdd = ({ off, own }: Residual): boolean => {
    const others = Math.sqrt(Math.max(all.squares - off ** 2 / own, 1e-12) / (all.freedom - 1));
    return 2 * tCdf(-Math.abs(off) / others / Math.sqrt(own), all.freedom - 1) < SIGNIFICANCE_LEVEL / all.rows.length;
  };
  const amongAll = all.freedom < MIN_DEGREES_OF_FREEDOM ? [] : all.rows.filter(isOdd).map(({ order }) => order);
  const oddOnes = [...new Set([...amongAll, ...groups.flatMap(farFromTheMiddle)])];
  // The rest is asked of those that are not odd.
  const { rows, freedom } =
    oddOnes.length === 0 ? all : aboutTheirMeans(groups.map((runs) => runs.filter(({ order }) => !oddOnes.includes(order))));
  const odd: Sign = oddOnes.length > 0 ? 'seen' : all.freedom < MIN_DEGREES_OF_FREEDOM ? 'cannot-tell' : 'not-seen';
  if (freedom < 2) return { drift: 'cannot-tell', perRun: 0, odd, oddOnes, growing: 'cannot-tell' };
  const across = squares(rows.map(({ since }) => since));
  const perRun = rows.reduce((sum, { since, off }) => sum + since * off, 0) / across;
  const left = rows.map(({ off, since }) => off - perRun * since);
  const error = Math.sqrt(squares(left) / (freedom - 1) / across);
  const trend =
    freedom < MIN_DEGREES_OF_FREEDOM
      ? null
      : trendOf(
          rows
            .map(({ order, own }, i) => ({ size: Math.abs(left[i]!) / Math.sqrt(own), order }))
            .sort((a, b) => a.order - b.order)
            .map(({ size }) => size),
        );
  return {
    drift: 2 * tCdf(-Math.abs(perRun) / Math.max(error, 1e-9), freedom - 1) < SIGNIFICANCE_LEVEL ? 'seen' : 'not-seen',
    perRun: Math.expm1(perRun),
    odd,
    oddOnes,
    growing: trend === null ? 'cannot-tell' : trend.p < SIGNIFICANCE_LEVEL && trend.tau > 0 ? 'seen' : 'not-seen',
  };
}

/** A run about the mean of those like it: ln that it is off, runs since their middle, and the fraction of its own that the mean leaves it. */
interface Residual {
  readonly off: number;
  readonly since: number;
  readonly own: number;
  readonly order: number;
}

/** Runs of all groups of three or more, each about its own mean; how many groups, the sum of squares, and degrees of freedom. */
function aboutTheirMeans(groups: readonly (readonly RunInOrder[])[]) {
  const longGroups = groups.filter((runs) => runs.length >= MIN_RUNS);
  const rows = longGroups.flatMap((runs): Residual[] => {
    const ln = runs.map(({ distance }) => Math.log(distance));
    const [middle, order] = [mean(ln), mean(runs.map((run) => run.order))];
    return runs.map((run, i) => ({ off: ln[i]! - middle, since: run.order - order, own: 1 - 1 / runs.length, order: run.order }));
  });
  return { rows, groups: longGroups.length, squares: squares(rows.map(({ off }) => off)), freedom: rows.length - longGroups.length };
}

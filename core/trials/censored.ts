import { bisect } from '../numerics/bisect.ts';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { Outcome } from '../car/car-design.ts';
import { didNotStart } from '../car/did-not-start.ts';

/** Mean and scatter of a group of like runs. m. */
export interface GroupSpread {
  readonly mean: number;
  readonly deviation: number;
  /** 19 in 20, by profile likelihood; open above where the runs do not bound it. */
  readonly low: number;
  readonly high: number | null;
}

/** χ² with one degree of freedom that 19 in 20 lie below. Source: standard table, 3.8415. */
const CHI_SQUARE = 3.841459;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const STEPS = 80;

/** The place in [low, high] where a function with one peak is greatest, and its value there (golden section). */
function peak(f: (x: number) => number, low: number, high: number): { readonly at: number; readonly value: number } {
  let [a, b] = [low, high];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  for (let k = 0; k < STEPS; k++) {
    if (fc > fd) b = d;
    else a = c;
    [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
    [fc, fd] = [f(c), f(d)];
  }
  const at = (a + b) / 2;
  return { at, value: f(at) };
}

const isWall = ({ kind }: Outcome): boolean => kind === 'hit-wall';

/**
 * Mean and scatter of like runs of which some hit the wall: maximum likelihood of the right-censored normal, Σ ln φ for those that stopped
 * and Σ ln Φ((μ − wall)/σ) for the others; the deviation is not corrected for n. Null where fewer than two stopped. Source: any text of
 * survival analysis, e.g. Lawless.
 */
export function censoredGroup(outcomes: readonly Outcome[]): GroupSpread | null {
  const stopped = outcomes.filter((outcome) => !isWall(outcome)).map(({ distance }) => distance);
  const walls = outcomes.filter(isWall).map(({ distance }) => distance);
  if (stopped.length < 2) return null;
  const all = [...stopped, ...walls];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const scale = Math.max(most - least, 1e-3);
  const likelihood = (mean: number, deviation: number): number =>
    stopped.reduce((sum, x) => sum - Math.log(deviation) - 0.5 * ((x - mean) / deviation) ** 2, 0) +
    walls.reduce((sum, wall) => sum + Math.log(Math.max(normalCdf((mean - wall) / deviation, 0, 1), 1e-300)), 0);
  const profile = (mean: number) => peak((ln) => likelihood(mean, Math.exp(ln)), Math.log(scale / 1000), Math.log(20 * scale));
  const { at: mean, value: best } = peak((m) => profile(m).value, least - scale, most + 20 * scale);
  const crossing = (from: number, to: number): number | null => {
    if (2 * (best - profile(to).value) < CHI_SQUARE) return null;
    const { low, high } = bisect((mean) => 2 * (best - profile(mean).value) < CHI_SQUARE, from, to, STEPS / 2);
    return (low + high) / 2;
  };
  return {
    mean,
    deviation: Math.exp(profile(mean).at),
    low: crossing(mean, least - 30 * scale) ?? 0,
    high: crossing(mean, most + 30 * scale),
  };
}

/**
 * Mean and scatter of like runs: where none hit the wall the mean, the sample deviation and Student’s interval of 19 in 20; else as censored.
 * Runs that did not start have no distance and are left out. Null where fewer than two stopped.
 */
export function groupSpread(outcomes: readonly Outcome[]): GroupSpread | null {
  const started = outcomes.filter((outcome) => !didNotStart(outcome));
  if (started.some(isWall)) return censoredGroup(started);
  if (started.length < 2) return null;
  const distances = started.map(({ distance }) => distance);
  const [middle, deviation] = [mean(distances), sampleStandardDeviation(distances)];
  const reach = (tQuantile(0.975, distances.length - 1) * deviation) / Math.sqrt(distances.length);
  return { mean: middle, deviation, low: Math.max(0, middle - reach), high: middle + reach };
}

/** Fraction of runs that go beyond a distance, stepping down where one stopped, not where one hit the wall (Kaplan and Meier 1958). */
export function kaplanMeier(outcomes: readonly Outcome[]): readonly (readonly [distance: number, beyond: number])[] {
  const sorted = outcomes.toSorted((a, b) => a.distance - b.distance || Number(isWall(a)) - Number(isWall(b)));
  const steps: (readonly [number, number])[] = [];
  let beyond = 1;
  sorted.forEach((outcome, i) => {
    if (!isWall(outcome)) beyond *= 1 - 1 / (sorted.length - i);
    if (steps.at(-1)?.[0] === outcome.distance) steps.pop();
    steps.push([outcome.distance, beyond]);
  });
  return steps;
}

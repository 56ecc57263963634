import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { mean } from 'simple-statistics';
import type { Goal } from '../brief/goal.ts';
import { USUAL_SCATTER, type ScatterPrior } from './fit/fit-car.ts';
import { lnDistances, scatterPlaces, SESSION } from './did-it-help.ts';

/** How runs of two groups do at what is asked. */
export interface AtTheMark {
  /** Chance that the next run of the second beats that of the first: goes further, or stops nearer to the mark. */
  readonly beats: number;
  /** m: the mark, and the chance that the next run of each comes so far; null where none is set. */
  readonly mark: { readonly distance: number; readonly reach: readonly [first: number, second: number] } | null;
}

/** Places at which a normal is looked at, in equal shares. */
const SHARES = 41;
const OFFS = Array.from({ length: SHARES }, (_, i) => normalQuantile((i + 0.5) / SHARES, 0, 1));

/**
 * Chance that the next run of one group of runs beats that of another at a goal, by distances, m: normal in ln d about each mean, the scatter
 * integrated over as in `didItHelp`. Null without two runs of each.
 */
export function atTheMark(
  before: readonly number[],
  after: readonly number[],
  goal: Goal,
  scatter: ScatterPrior = USUAL_SCATTER,
): AtTheMark | null {
  if (before.length < 2 || after.length < 2) return null;
  const [a, b] = [lnDistances(before), lnDistances(after)];
  const [first, second] = [mean(a), mean(b)];
  const distance = 'distance' in goal ? goal.distance : null;
  let [beats, firstReaches, secondReaches] = [0, 0, 0];
  for (const place of scatterPlaces([a, b], scatter)) {
    const spread = (count: number): number => Math.sqrt(place.scatter ** 2 * (1 + 1 / count) + SESSION ** 2 / 2);
    const [wide, wideToo] = [spread(a.length), spread(b.length)];
    if (goal.kind === 'closest-to') {
      const off = (ln: number): number => Math.abs(Math.exp(ln) - goal.distance);
      const offs = OFFS.map((z) => off(first + z * wide));
      const won = OFFS.reduce((sum, z) => {
        const to = off(second + z * wideToo);
        return sum + offs.filter((other) => to < other).length;
      }, 0);
      beats += (place.weight * won) / SHARES ** 2;
    } else beats += place.weight * normalCdf((second - first) / Math.hypot(wide, wideToo), 0, 1);
    if (distance === null) continue;
    firstReaches += place.weight * normalCdf((first - Math.log(distance)) / wide, 0, 1);
    secondReaches += place.weight * normalCdf((second - Math.log(distance)) / wideToo, 0, 1);
  }
  return { beats, mark: distance === null ? null : { distance, reach: [firstReaches, secondReaches] } };
}

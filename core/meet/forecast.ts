import { randomGenerator } from '../numerics/low-discrepancy.ts';
import type { CarOutlook } from './car-outlook.ts';
import { normalsOf, NORMALS, poolOf } from './entry-pool.ts';
import { addUp, drawRound, makeState, placingsOf, rankRound, shareOut, sortFew } from './evening-score.ts';
import type { Meet, StandingResult } from './meet.ts';
import { comparePlacings, entriesThatCount } from './scoring.ts';

/** What an evening may come to for one entry. */
export interface EntryForecast {
  readonly entry: string;
  /** Mean points, of all rounds that count and of style. */
  readonly points: number;
  /** Chance of each place, the first first; a place that is shared counts for each that shares it. */
  readonly places: readonly number[];
  /** Of each round: mean points before any are dropped, and the chance to be first in it. */
  readonly rounds: readonly { readonly points: number; readonly first: number }[];
}

export interface ForecastOptions {
  /** 10,000 by default. */
  readonly evenings?: number;
  /** The same seed gives the same evenings; 1 by default. */
  readonly seed?: number;
}

/** Ranks nearer than this are alike; beyond so many entries places far down are smaller than that, and are compared one by one. */
const SAME_RANK = 1e-13;
const FAR_DOWN = 14;

/**
 * Evenings drawn from what is known of every entry: its results so far, and of the runs that are left what the cars that it may be would make.
 * They are scored as the meet is: what counts of a round, ties, run-offs, points, rounds that are dropped, style.
 * @param outlooks by entry; one without an outlook has the runs it made and no more
 * @returns one for each entry that is in the running, in the order of the meet
 */
export function forecast(
  meet: Meet,
  results: readonly StandingResult[],
  outlooks: ReadonlyMap<string, CarOutlook>,
  { evenings = 10_000, seed = 1 }: ForecastOptions = {},
): readonly EntryForecast[] {
  const entries = entriesThatCount(meet, results);
  const normals = normalsOf(seed);
  const pools = entries.map((entry, i) =>
    poolOf(
      meet,
      results,
      entry,
      outlooks.get(entry.id) ?? NOTHING_KNOWN(meet),
      normals,
      Math.floor((i * NORMALS) / Math.max(entries.length, 1)),
    ),
  );
  const count = pools.length;
  const { rounds } = meet.brief;
  const hasPoints = rounds.some(({ points }) => points.length > 0);
  const random = randomGenerator(seed);
  const car = new Int32Array(count);
  const state = makeState(count);
  const placeOf = rounds.map(() => new Int32Array(count));
  const pointsOf = rounds.map(() => new Float64Array(count));
  const totals = new Float64Array(count);
  const ranks = new Float64Array(count);
  // What each place counts for: less than the one before it by the number of rounds; none where there is no place.
  const worths = Float64Array.from({ length: count + 1 }, (_, place) => (place > 0 ? (rounds.length + 1) ** -place : 0));
  const sums = pools.map(() => ({ points: 0, places: new Float64Array(count), rounds: rounds.map(() => ({ points: 0, first: 0 })) }));
  const order = Array.from({ length: count }, (_, i) => i);
  const drops = Math.min(meet.drops, Math.max(0, rounds.length - 1));
  const compare = (a: number, b: number): number => {
    if (Math.abs(totals[a]! - totals[b]!) > 1e-9) return totals[b]! - totals[a]!;
    const difference = ranks[b]! - ranks[a]!;
    if (Math.abs(difference) > SAME_RANK) return difference;
    return count > FAR_DOWN ? comparePlacings(placingsOf(pointsOf, placeOf, drops, a), placingsOf(pointsOf, placeOf, drops, b)) : 0;
  };
  for (let evening = 0; evening < evenings; evening++) {
    for (let i = 0; i < count; i++) car[i] = placeIn(pools[i]!.below, random());
    rounds.forEach((round, index) => {
      drawRound(state, pools, index, round, car, random);
      rankRound(state, pools, index, round, meet.brief.rules.ties ?? 'shared', car, random);
      shareOut(state, hasPoints ? round.points : null, placeOf[index]!, pointsOf[index]!);
    });
    addUp(pools, pointsOf, placeOf, drops, worths, totals, ranks);
    sortFew(order, compare);
    let place = 0;
    order.forEach((entry, at) => {
      if (at === 0 || compare(order[at - 1]!, entry) !== 0) place = at;
      sums[entry]!.places[place]! += 1;
      sums[entry]!.points += totals[entry]!;
    });
    pointsOf.forEach((points, index) =>
      points.forEach((one, entry) => {
        sums[entry]!.rounds[index]!.points += one;
        if (placeOf[index]![entry] === 1) sums[entry]!.rounds[index]!.first += 1;
      }),
    );
  }
  return sums.map(({ points, places, rounds: each }, i) => ({
    entry: pools[i]!.entry,
    points: points / evenings,
    places: Array.from(places, (one) => one / evenings),
    rounds: each.map((one) => ({ points: one.points / evenings, first: one.first / evenings })),
  }));
}

/** An entry of which nothing is known. */
const NOTHING_KNOWN = (meet: Meet): CarOutlook => ({
  rounds: meet.brief.rounds.map(() => [null]),
  weights: Float64Array.of(1),
  scatter: 0,
  bendScatter: 0,
  fails: 0,
});

/** The first place at which a rising list reaches a value. */
function placeIn(rising: Float64Array, value: number): number {
  let [low, high] = [0, rising.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (rising[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

import type { Brief } from '../brief/brief.ts';
import { designForRound } from '../brief/brief.ts';
import { firstCar } from '../brief/new-brief.ts';
import type { CarDesign } from '../car/car-design.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import type { RunOfCar } from '../trials/compared-runs.ts';
import { fitCar } from '../trials/fit/fit-car.ts';
import { predictFitted } from '../trials/fit/predict-fitted.ts';
import { selectRuns } from '../trials/select-runs.ts';
import { CARS, carOutlook, fittedOutlook, STALL, type CarOutlook, type FittedDistance } from './car-outlook.ts';
import { forecast, type EntryForecast, type ForecastOptions } from './forecast.ts';
import type { Entry, Meet, StandingResult } from './meet.ts';

/** What whoever asks knows of an entry's car. */
export interface KnownCar {
  readonly design: CarDesign;
  /** Its own runs, before this meet. */
  readonly runs: readonly RunOfCar[];
}

/** How sure a forecast is of an entry, the surest first: fitted to its runs, its design, what its crew expects, or a typical car. */
export type Knowledge = 'fitted' | 'design' | 'expected' | 'typical';

/** Standard deviation of ln distance between cars of one brief, where no design is known; of what a crew expects of its own. Estimates. */
const BETWEEN_CARS = 0.45;
const OF_EXPECTED = 0.3;
/** A normal's 95th percentile, in standard deviations. */
const NINE_IN_TEN = 1.645;

/** What is known of an entry before the meet, and how. */
export function outlookOfEntry(
  entry: Pick<Entry, 'car' | 'predicted'>,
  brief: Brief,
  known: KnownCar | null,
  seed: number,
): { readonly outlook: CarOutlook; readonly by: Knowledge } {
  if (known) {
    const outlook = carOutlook(known.design, brief, seed);
    const fitted = known.runs.length > 0 ? fittedTo(outlook, known, brief) : null;
    return fitted ? { outlook: fitted, by: 'fitted' } : { outlook, by: 'design' };
  }
  const typical = carOutlook(firstCar(entry.car, null, { id: '', brief }), brief, seed);
  const { predicted } = entry;
  const far = middleOf(typical);
  return predicted === undefined || predicted <= 0 || !(far > 0)
    ? { outlook: widened(typical, 1, BETWEEN_CARS, seed), by: 'typical' }
    : { outlook: widened(typical, predicted / far, OF_EXPECTED, seed), by: 'expected' };
}

/** m: the middle of what its cars come to in the first round in which they run. */
function middleOf({ rounds }: CarOutlook): number {
  for (const round of rounds) {
    const distances = round.flatMap((possible) => possible?.free.distance ?? []).sort((a, b) => a - b);
    if (distances.length > 0) return distances[Math.floor(distances.length / 2)]!;
  }
  return NaN;
}

/** Cars that run so many times as far, each more or less so by a normal of ln; what runs further by a part is sooner by half of it. */
function widened(outlook: CarOutlook, factor: number, deviation: number, seed: number): CarOutlook {
  const drawn = lowDiscrepancy(1, seed + 1);
  const factors = Array.from({ length: CARS }, (_, car) => factor * Math.exp(deviation * standardNormal(drawn(car)[0]!)));
  return {
    ...outlook,
    rounds: outlook.rounds.map((round) =>
      round.map((possible, car) => {
        if (!possible) return null;
        const { free } = possible;
        const by = factors[car]!;
        return {
          ...possible,
          free: { ...free, distance: free.distance * by, ...(free.time !== undefined && { time: free.time / Math.sqrt(by) }) },
        };
      }),
    ),
  };
}

/** An outlook as the car's own runs have it; null where they tell nothing. */
function fittedTo(outlook: CarOutlook, { design, runs }: KnownCar, brief: Brief): CarOutlook | null {
  const told = selectRuns(runs);
  if (!told || told.groups.length === 0) return null;
  const designs = brief.rounds.map((round) => designForRound(design, brief, round));
  const fitted = fitCar([...told.groups, ...told.said], { designs });
  if (!fitted) return null;
  const distances = designs.flatMap((asked, round): FittedDistance[] => {
    const prediction = predictFitted(fitted, asked, { kind: 'full' });
    if (!prediction) return [];
    const [low, middle, high] = [prediction.mean.low, prediction.mean.middle, prediction.mean.high].map((metres) =>
      Math.log(metres + STALL),
    );
    return [{ round, mean: middle!, deviation: (high! - low!) / (2 * NINE_IN_TEN) }];
  });
  const scatter = fitted.components.reduce((sum, { weight, scatter: one }) => sum + weight * one, 0);
  return fittedOutlook(outlook, distances, scatter);
}

/** A forecast with how each entry is known. */
export interface EveningForecast {
  readonly entries: readonly (EntryForecast & { readonly by: Knowledge })[];
  readonly evenings: number;
}

/** What is known of an entry, and how. */
export type KnownOutlook = ReturnType<typeof outlookOfEntry>;
/** Outlooks that were worked out before, by all that they depend on: results of a meet change none of them. */
export type KeptOutlooks = Map<string, KnownOutlook>;
/** Outlooks that are kept at most: of two evenings as large as they come. */
const MOST_KEPT = 128;

/** What is known of each entry of a meet. */
export function outlooksOf(
  { brief, entries }: Pick<Meet, 'brief' | 'entries'>,
  known: ReadonlyMap<string, KnownCar | null>,
  seed = 1,
  kept: KeptOutlooks = new Map(),
): ReadonlyMap<string, KnownOutlook> {
  return new Map(
    entries.map((entry, i) => {
      const car = known.get(entry.id) ?? null;
      const key = JSON.stringify([seed + 7 * i, brief, car, car ? null : [entry.car, entry.predicted]]);
      const outlook = kept.get(key) ?? outlookOfEntry(entry, brief, car, seed + 7 * i);
      if (!kept.has(key) && kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
      kept.set(key, outlook);
      return [entry.id, outlook] as const;
    }),
  );
}

/**
 * What the evening may come to, or what is left of it.
 * @param known by entry; null or left out where nothing but its line in the meet is known
 * @param kept outlooks that need not be worked out again
 */
export function forecastEvening(
  meet: Meet,
  results: readonly StandingResult[],
  known: ReadonlyMap<string, KnownCar | null>,
  options: ForecastOptions = {},
  kept?: KeptOutlooks,
): EveningForecast {
  const { seed = 1, evenings = 10_000 } = options;
  const outlooks = outlooksOf(meet, known, seed, kept);
  const told = forecast(meet, results, new Map([...outlooks].map(([id, { outlook }]) => [id, outlook])), { seed, evenings });
  return { entries: told.map((one) => ({ ...one, by: outlooks.get(one.entry)!.by })), evenings };
}

/** The chance of each entry to be first, before the meet and after some of its results. */
export interface ChancesOverEvening {
  /** Results that were in, from 0. */
  readonly after: readonly number[];
  /** By entry, at each of these. */
  readonly first: readonly { readonly entry: string; readonly chances: readonly number[] }[];
}

/** Evenings for each point of the graph, and points at most. */
const ON_GRAPH = 2000;
const MOST_POINTS = 25;

/** How the chances moved over the evening, in the order in which results came in. */
export function chancesOverEvening(
  meet: Meet,
  results: readonly StandingResult[],
  known: ReadonlyMap<string, KnownCar | null>,
  kept?: KeptOutlooks,
): ChancesOverEvening {
  const outlooks = new Map([...outlooksOf(meet, known, 1, kept)].map(([id, { outlook }]) => [id, outlook]));
  const inOrder = results.toSorted((a, b) => a.number - b.number);
  const step = Math.max(1, Math.ceil(inOrder.length / MOST_POINTS));
  const after = [...new Set([...Array.from({ length: MOST_POINTS + 1 }, (_, i) => Math.min(i * step, inOrder.length)), inOrder.length])];
  const told = after.map((count) => forecast(meet, inOrder.slice(0, count), outlooks, { evenings: ON_GRAPH }));
  return {
    after,
    first: meet.entries.map(({ id }) => ({
      entry: id,
      chances: told.map((entries) => entries.find(({ entry }) => entry === id)?.places[0] ?? 0),
    })),
  };
}

import { goalRecord } from '../brief/goals.ts';
import type { Meet, StandingResult } from './meet.ts';
import type { RunValue } from '../brief/run-value.ts';
import { entriesThatCount, measuringOf, placesOfRound, valueOfRun } from './scoring.ts';

/** What a run has to come to so that its entry takes a place in a round, as that stands now: so much or more, or so much or less. */
export interface NeededRun {
  readonly place: number;
  readonly value: number;
  readonly isLess: boolean;
}

/**
 * What the next run of an entry has to come to for each better place of a round, the best place first; none where it has made all its runs or no
 * better place is left. It can be told where the best run counts, and of a mean or a sum when one run is left and no other is missing.
 * @param round counted from 0
 */
export function neededFor(meet: Meet, results: readonly StandingResult[], entry: string, round: number): readonly NeededRun[] {
  const { goal, runs, counts } = meet.brief.rounds[round]!;
  const own = results.filter(({ result }) => result.entry === entry && result.round === round && result.run < runs);
  if (own.length >= runs || meet.entries.find(({ id }) => id === entry)?.isOut) return [];
  const isLess = goalRecord(goal).isLess === true;
  const ids = entriesThatCount(meet, results).map(({ id }) => id);
  const places = placesOfRound(meet, round, ids, results);
  const mine = places.find((one) => one.entry === entry);
  const values = own.flatMap(({ result }) => valueOfRun(goal, result.outcome, measuringOf(meet, entry)) ?? []);
  const others = places.filter((one) => one.entry !== entry && one.place !== null);
  const isBetter = (a: number, b: number): boolean => (isLess ? a < b : a > b);
  return others
    .flatMap(({ score }): NeededRun[] => {
      const value = runFor(counts, runs, values, score!);
      if (value === null) return [];
      // Level with it is its place; ahead of it is as good as the number of those that are ahead of it and not of what is needed.
      const place = 1 + others.filter((other) => isBetter(other.score!.value, score!.value)).length;
      if (mine?.place && mine.place <= place) return [];
      return [{ place, value, isLess }];
    })
    .filter(({ place }, i, all) => all.findIndex((one) => one.place === place) === i);
}

/** The run that brings a score level with another; null where that cannot be told. */
function runFor(
  counts: Meet['brief']['rounds'][number]['counts'],
  runs: number,
  made: readonly RunValue[],
  { value }: RunValue,
): number | null {
  if (counts === 'best') return value;
  if (counts === 'best-two' || made.length !== runs - 1) return null;
  const sum = made.reduce((total, one) => total + one.value, 0);
  const needed = counts === 'sum' ? value - sum : value * runs - sum;
  return needed > 0 ? needed : null;
}

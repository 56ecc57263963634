import type { Goal } from '../brief/goal.ts';
import { curvatureOfRun, type MeasuredRun } from '../brief/measured-run.ts';
import { compareValues, countedOf, valueOfMeasured, type Counting, type RunValue } from '../brief/run-value.ts';
import { distanceOf, type Entry, type Meet, type MeetOutcome, type StandingResult } from './meet.ts';

/** What a result is measured by besides: m, the width of the car where it was measured, and what each crossed line takes off. */
export interface Measuring {
  readonly width?: number | null | undefined;
  readonly penalty?: number | undefined;
}

/** By what the results of an entry are measured. */
export const measuringOf = ({ brief, entries }: Pick<Meet, 'brief' | 'entries'>, entry: string): Measuring => ({
  width: entries.find(({ id }) => id === entry)?.measured.width,
  penalty: brief.rules.penalty,
});

/** s beyond every time: a car that was seen to cross the mark and not timed counts behind those that were, by its place in its heat. */
export const UNTIMED = 100_000;

/** A run of a meet as its goal sees it; null where it did not run or was not measured. */
function measuredOfOutcome(goal: Goal, outcome: MeetOutcome, { width, penalty = 0 }: Measuring): MeasuredRun | null {
  if (outcome.kind !== 'ran') return null;
  const { atLeast = false, arrived, drift, load = 0, height, crossed = 0 } = outcome;
  const time = outcome.time ?? (arrived === undefined ? undefined : UNTIMED + arrived);
  const came = distanceOf(outcome);
  const distance = came === null ? null : Math.max(0, came - crossed * penalty);
  // A time or a twig tells by itself; how far it came need not be measured then.
  if (distance === null && time === undefined && height === undefined) return null;
  const isAtGap = goal.kind === 'through-gap';
  return {
    distance: distance ?? NaN,
    atLeast,
    time,
    ...(isAtGap ? { asideAtGap: drift } : { curvature: curvatureOfRun(drift, distance ?? NaN) }),
    load,
    height,
    width: width ?? undefined,
  };
}

/** What a run comes to by a goal as it was measured; null where it does not count: it broke, did not start, broke a rule, or does not meet the goal. */
export function valueOfRun(goal: Goal, outcome: MeetOutcome, measuring: Measuring = {}): RunValue | null {
  const run = measuredOfOutcome(goal, outcome, measuring);
  return run && valueOfMeasured(goal, run);
}

/** What an entry's runs of a round come to. */
export interface RoundScore {
  readonly entry: string;
  /** Null where no run counts, or where one is missing that is needed. */
  readonly score: RunValue | null;
  /** Its runs that count, the best first; for ties. */
  readonly runs: readonly RunValue[];
  /** Runs of it that were written down, whether they count or not. */
  readonly made: number;
}

/** The worst value that a run of a round came to; null where none counts. */
const worstOf = (goal: Goal, values: readonly RunValue[]): RunValue | null =>
  values.reduce<RunValue | null>((worst, one) => (worst === null || compareValues(goal, worst, one) < 0 ? one : worst), null);

/**
 * What the runs of one entry in a round come to: the best, the mean or the sum of all, or the mean of the two best. A run that is missing or
 * does not count is as bad as can be: nothing where more is better, else the worst that any car made (`worst`); where the round says that
 * all are needed, there is no score. A mean or sum with a wall in it is at least that. */
export function scoreOfRound(
  { goal, counts, runs, missing }: Counting,
  entry: string,
  results: readonly StandingResult[],
  { worst = null, ...measuring }: Measuring & { readonly worst?: RunValue | null } = {},
): RoundScore {
  const own = results.filter(({ result }) => result.entry === entry && result.run < runs);
  const values = own.flatMap(({ result }) => valueOfRun(goal, result.outcome, measuring) ?? []).sort((a, b) => compareValues(goal, a, b));
  return { entry, runs: values, made: own.length, score: countedOf({ goal, counts, runs, missing }, values, worst) };
}

/** An entry's place in a round. */
export interface RoundPlace extends RoundScore {
  /** From 1; shared where alike; null where no run counts. */
  readonly place: number | null;
  readonly points: number;
}

/** A list in order, those that are alike together. */
function inGroups<T>(list: readonly T[], compare: (a: T, b: T) => number): readonly (readonly T[])[] {
  const groups: T[][] = [];
  for (const one of list.toSorted(compare)) {
    const last = groups.at(-1);
    if (last && compare(last[0]!, one) === 0) last.push(one);
    else groups.push([one]);
  }
  return groups;
}

/**
 * Places of a round. Entries that tie share a place, or the next best run tells, or run-offs do: one after the other, each only among those
 * that tied before it (runs beyond the round's own number). Who withdrew has lost a run-off; who has yet to make it leaves the tie as it is.
 * Entries that share places share their points: the mean of what the places give (common practice).
 */
export function placesOfRound(
  { brief, entries: all }: Pick<Meet, 'brief' | 'entries'>,
  index: number,
  entries: readonly string[],
  results: readonly StandingResult[],
): readonly RoundPlace[] {
  const round = brief.rounds[index]!;
  const { goal } = round;
  const byId = new Map(all.map((entry) => [entry.id, entry]));
  const measurings = new Map(entries.map((entry) => [entry, measuringOf({ brief, entries: all }, entry)]));
  const measured = (entry: string): Measuring => measurings.get(entry) ?? {};
  const ofRound = results.filter(({ result }) => result.round === index);
  const byEntry = grouped(ofRound, ({ result }) => result.entry);
  const worst = worstOf(
    goal,
    ofRound.flatMap(({ result }) => (result.run < round.runs ? (valueOfRun(goal, result.outcome, measured(result.entry)) ?? []) : [])),
  );
  const scores = entries.map((entry) => scoreOfRound(round, entry, byEntry.get(entry) ?? [], { worst, ...measured(entry) }));
  const byNextBest = (a: RoundScore, b: RoundScore): number => {
    for (let i = 0; i < Math.max(a.runs.length, b.runs.length); i++) {
      const difference = compareValues(goal, a.runs[i] ?? null, b.runs[i] ?? null);
      if (difference !== 0) return difference;
    }
    return 0;
  };
  /** What an entry came to in the first, second, … run-off; undefined where it ran none. */
  const runOff = ({ entry }: RoundScore, number: number): RunValue | null | undefined => {
    const own = byEntry.get(entry)?.find(({ result }) => result.run === round.runs + number);
    return own && valueOfRun(goal, own.result.outcome, measured(entry));
  };
  const settled = (group: readonly RoundScore[], number = 0): readonly (readonly RoundScore[])[] => {
    const isMade = group.every((one) => runOff(one, number) !== undefined || byId.get(one.entry)?.isOut);
    const isAny = group.some((one) => runOff(one, number) !== undefined);
    if (group.length < 2 || !isMade || !isAny) return [group];
    const parts = inGroups(group, (a, b) => compareValues(goal, runOff(a, number) ?? null, runOff(b, number) ?? null));
    return parts.flatMap((part) => settled(part, number + 1));
  };
  const tied = inGroups(scores, (a, b) => compareValues(goal, a.score, b.score));
  const groups = tied.flatMap((group) => {
    if (group[0]!.score === null) return group.map((one) => [one]);
    if (brief.rules.ties === 'next-best') return inGroups(group, byNextBest);
    return brief.rules.ties === 'run-off' ? settled(group) : [group];
  });
  const places: RoundPlace[] = [];
  for (const group of groups) {
    const before = places.length;
    const points = round.points.slice(before, before + group.length).reduce((sum, one) => sum + one, 0) / group.length;
    for (const one of group) places.push(one.score === null ? { ...one, place: null, points: 0 } : { ...one, place: before + 1, points });
  }
  return places;
}

/** Entries that share a place in a round and have to run off against each other; those that withdrew run no more. */
export const runOffsOf = (
  { brief, entries }: Pick<Meet, 'brief' | 'entries'>,
  index: number,
  places: readonly RoundPlace[],
): readonly (readonly string[])[] => {
  if (brief.rules.ties !== 'run-off') return [];
  const out = new Set(entries.filter(({ isOut }) => isOut).map(({ id }) => id));
  const groups = new Map<number, string[]>();
  for (const { place, entry, made } of places)
    if (place !== null && made >= brief.rounds[index]!.runs && !out.has(entry)) groups.set(place, [...(groups.get(place) ?? []), entry]);
  return [...groups.values()].filter((group) => group.length > 1);
};

/** Entries that are in the running, or were while they ran: whoever withdraws keeps what was made. */
export function entriesThatCount({ entries }: Pick<Meet, 'entries'>, results: readonly StandingResult[]): readonly Entry[] {
  const ran = new Set(results.map(({ result }) => result.entry));
  return entries.filter(({ id, isOut }) => !isOut || ran.has(id));
}

/** An entry in the whole meet. */
export interface Standing {
  readonly entry: Entry;
  readonly place: number;
  readonly total: number;
  /** Points of each round, in their order, and which of them are dropped. */
  readonly rounds: readonly { readonly place: RoundPlace | null; readonly points: number; readonly isDropped: boolean }[];
  readonly style: number;
}

/** Whether a meet goes by points at all; without any in its brief the only round's own places count. */
export const hasPoints = ({ brief }: Pick<Meet, 'brief'>): boolean => brief.rounds.some(({ points }) => points.length > 0);

/**
 * The standings: the points of all rounds, without each entry’s worst rounds that are dropped, and points for style. Of entries with equal
 * points the one with more first places is ahead, then with more second places, and so on; otherwise they share the place.
 */
export function standingsOf(meet: Meet, results: readonly StandingResult[]): readonly Standing[] {
  const entries = entriesThatCount(meet, results);
  const ids = entries.map(({ id }) => id);
  // Without points for places the first of so many has that many.
  const asRanked = hasPoints(meet)
    ? meet
    : {
        ...meet,
        brief: { ...meet.brief, rounds: meet.brief.rounds.map((round) => ({ ...round, points: ids.map((_, i) => ids.length - i) })) },
      };
  const places = meet.brief.rounds.map((_, index) => new Map(placesOfRound(asRanked, index, ids, results).map((one) => [one.entry, one])));
  const run = places.map((round) => [...round.values()].some(({ made }) => made > 0));
  const rows = entries.map((entry) => {
    const rounds = places.map((round) => ({ place: round.get(entry.id) ?? null, points: round.get(entry.id)?.points ?? 0 }));
    // A round that has not begun yet is nobody's worst.
    const worst = rounds
      .map(({ points }, i) => ({ points, i }))
      .filter(({ i }) => run[i])
      .toSorted((a, b) => a.points - b.points)
      .slice(0, Math.min(meet.drops, Math.max(0, run.filter(Boolean).length - 1)));
    const dropped = new Set(worst.map(({ i }) => i));
    const style = Math.min(entry.style ?? 0, meet.style);
    const total = rounds.reduce((sum, { points }, i) => sum + (dropped.has(i) ? 0 : points), 0) + style;
    return { entry, style, total, rounds: rounds.map((one, i) => ({ ...one, isDropped: dropped.has(i) })) };
  });
  /** The places of each in the rounds that count, the best first. */
  const placed = new Map(
    rows.map(({ entry, rounds }) => {
      const placings = rounds.flatMap(({ isDropped, place }) => (isDropped || !place?.place ? [] : [place.place]));
      return [entry.id, placings.sort((a, b) => a - b)] as const;
    }),
  );
  const compared = (a: Omit<Standing, 'place'>, b: Omit<Standing, 'place'>): number => {
    if (Math.abs(a.total - b.total) > 1e-9) return b.total - a.total;
    return comparePlacings(placed.get(a.entry.id)!, placed.get(b.entry.id)!);
  };
  const standings: Standing[] = [];
  for (const [i, row] of rows.toSorted(compared).entries()) {
    const before = standings.at(-1);
    const isAlike = before !== undefined && compared(before, row) === 0;
    standings.push({ ...row, place: isAlike ? before.place : i + 1 });
  }
  return standings;
}

/** Of equal points more first places, then more second places, and so on: two lists of places, the best first. */
export function comparePlacings(own: readonly number[], other: readonly number[]): number {
  // Whoever has the better place first has more of it; whoever has no more places has fewer.
  for (let i = 0; i < Math.max(own.length, other.length); i++) {
    const [mine, theirs] = [own[i] ?? Infinity, other[i] ?? Infinity];
    if (mine !== theirs) return mine - theirs;
  }
  return 0;
}

/** A medal: for what, who has it, and the figure. */
export interface Medal {
  readonly what: 'furthest' | 'quickest' | 'straightest' | 'best-predicted' | 'most-improved';
  readonly entry: string;
  readonly value: number;
  /** It hit the wall: it would have come further. */
  readonly atLeast?: true;
}

/** Medals besides the places: the furthest and quickest run, the least drift over its way, the crew that came nearest to what it expected, and who gained most from its first run to its best. */
export function medalsOf(meet: Meet, results: readonly StandingResult[]): readonly Medal[] {
  const ids = new Set(meet.entries.map(({ id }) => id));
  const ran = results.filter(({ result }) => result.outcome.kind === 'ran' && ids.has(result.entry));
  const best = (what: Medal['what'], found: readonly (readonly [entry: string, value: number])[], isLess: boolean): Medal[] => {
    const [first] = found.toSorted(([, a], [, b]) => (isLess ? a - b : b - a));
    return first ? [{ what, entry: first[0], value: first[1] }] : [];
  };
  const far = ran.flatMap(({ number, result }) => {
    const distance = distanceOf(result.outcome);
    return distance === null ? [] : [{ entry: result.entry, distance, outcome: result.outcome, number }];
  });
  const byEntry = grouped(far, ({ entry }) => entry);
  return [
    ...best(
      'furthest',
      far.map(({ entry, distance }) => [entry, distance] as const),
      false,
    ).map((medal) => ({
      ...medal,
      ...(far.some(({ entry, distance, outcome }) => entry === medal.entry && distance === medal.value && outcome.atLeast) && {
        atLeast: true as const,
      }),
    })),
    ...best(
      'quickest',
      ran.flatMap(({ result }) => (result.outcome.time === undefined ? [] : [[result.entry, result.outcome.time] as const])),
      true,
    ),
    ...best(
      'straightest',
      far.flatMap(({ entry, distance, outcome }) =>
        outcome.drift === undefined || distance <= 0 ? [] : [[entry, Math.abs(outcome.drift) / distance] as const],
      ),
      true,
    ),
    ...best(
      'best-predicted',
      meet.entries.flatMap(({ id, predicted }) => {
        const own = byEntry.get(id)?.filter(({ outcome }) => !outcome.atLeast) ?? [];
        return predicted === undefined || own.length === 0
          ? []
          : [[id, Math.min(...own.map(({ distance }) => Math.abs(distance - predicted) / predicted))] as const];
      }),
      true,
    ),
    ...best(
      'most-improved',
      [...byEntry].flatMap(([entry, own]) => {
        const inOrder = own.toSorted((a, b) => a.number - b.number);
        const gain = Math.max(...own.map(({ distance }) => distance)) / Math.max(inOrder[0]!.distance, 0.01) - 1;
        return gain > 0 ? [[entry, gain] as const] : [];
      }),
      false,
    ),
  ];
}
/** A list by what each belongs to. */
function grouped<T>(list: readonly T[], keyOf: (one: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const key = keyOf(one);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}

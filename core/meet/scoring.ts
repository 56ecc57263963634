import type { Round } from '../brief/brief.ts';
import type { Goal } from '../brief/goal.ts';
import { goalRecord } from '../brief/goals.ts';
import { curvatureOfRun, type MeasuredRun } from '../brief/measured-run.ts';
import { distanceOf, type Entry, type Meet, type MeetOutcome, type StandingResult } from './meet.ts';

/** What a run comes to by its round's goal, SI; at least that where it hit the wall. */
export interface RunValue {
  readonly value: number;
  readonly atLeast: boolean;
}

/** A run of a meet as its goal sees it; null where it did not run or was not measured. `width`: m, of the car. */
function measuredOfOutcome(goal: Goal, outcome: MeetOutcome, width: number | undefined): MeasuredRun | null {
  if (outcome.kind !== 'ran') return null;
  const { atLeast = false, time, drift, load = 0, height } = outcome;
  const distance = distanceOf(outcome);
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
    width,
  };
}

/** Goals whose figure is not hidden by a wall: it is taken before, or does not hang on how far the car would have come. */
const BEFORE_THE_WALL: ReadonlySet<Goal['kind']> = new Set(['quickest-to', 'highest-edge', 'through-gap', 'carry']);

/**
 * What a run comes to by a goal as it was measured; null where it does not count: it broke, did not start, broke a rule, or does not do
 * what is asked. `width`: m, of the car, where it was measured.
 */
export function valueOfRun(goal: Goal, outcome: MeetOutcome, width?: number | null): RunValue | null {
  const run = measuredOfOutcome(goal, outcome, width ?? undefined);
  if (!run) return null;
  const { measure, isMet, isAllOrNothing } = goalRecord(goal);
  const value = isAllOrNothing && !isMet!(goal, run) ? null : measure(goal, run);
  if (value === null || Number.isNaN(value)) return null;
  // Short of the mark at the wall: it would have come nearer first, and nobody knows how far beyond.
  const isHidden = BEFORE_THE_WALL.has(goal.kind) || (goal.kind === 'closest-to' && run.distance < goal.distance);
  return { value, atLeast: run.atLeast === true && !isHidden };
}

/** What an entry's runs of a round come to. */
export interface RoundScore {
  readonly entry: string;
  /** Null where no run counts. */
  readonly score: RunValue | null;
  /** Its runs that count, the best first; for ties. */
  readonly runs: readonly number[];
  /** Runs of it that were written down, whether they count or not. */
  readonly made: number;
}

/** Whether the first of two values is the better one by a goal; 0 where they are alike. */
const lessFirst = (a: number, b: number): number => a - b;
const moreFirst = (a: number, b: number): number => b - a;
const comparison = (goal: Goal): ((a: number, b: number) => number) => (goalRecord(goal).isLess ? lessFirst : moreFirst);

/** What the runs of one entry in a round come to: the best, the mean or the sum of those that count. A mean or sum with a wall in it is at least that. */
export function scoreOfRound(
  round: Pick<Round, 'goal' | 'counts' | 'runs'>,
  entry: string,
  results: readonly StandingResult[],
): RoundScore {
  const values: RunValue[] = [];
  let made = 0;
  for (const { result } of results) {
    if (result.entry !== entry || result.run >= round.runs) continue;
    made++;
    const value = valueOfRun(round.goal, result.outcome);
    if (value) values.push(value);
  }
  const better = comparison(round.goal);
  values.sort((a, b) => better(a.value, b.value));
  const sum = values.reduce((all, { value }) => all + value, 0);
  const score =
    values.length === 0
      ? null
      : round.counts === 'best'
        ? values[0]!
        : { value: round.counts === 'mean' ? sum / values.length : sum, atLeast: values.some(({ atLeast }) => atLeast) };
  return { entry, score, runs: values.map(({ value }) => value), made };
}

/** An entry's place in a round. */
export interface RoundPlace extends RoundScore {
  /** From 1; shared where alike; null where no run counts. */
  readonly place: number | null;
  readonly points: number;
}

/** Values nearer than so much, as a share, are alike: a tape tells no more. */
const ALIKE = 1e-9;

/**
 * Places of a round. Alike, entries share a place, or the next best run tells, or a run-off does (a run beyond the round's own number).
 * Entries that share places share their points: the mean of what the places give (common practice).
 */
export function placesOfRound(
  meet: Pick<Meet, 'brief'>,
  index: number,
  entries: readonly string[],
  results: readonly StandingResult[],
): readonly RoundPlace[] {
  const round = meet.brief.rounds[index]!;
  const { ties } = meet.brief.rules;
  const better = comparison(round.goal);
  const ofRound = results.filter(({ result }) => result.round === index);
  const isAlike = (a: number, b: number): boolean => Math.abs(a - b) <= ALIKE * Math.max(Math.abs(a), Math.abs(b), 1e-12);
  /** What the last run-off of an entry came to, null where it did not count; undefined where it ran none. */
  const runOff = (entry: string): number | null | undefined => {
    const own = ofRound
      .filter(({ result }) => result.entry === entry && result.run >= round.runs)
      .toSorted((a, b) => b.result.run - a.result.run);
    return own[0] && (valueOfRun(round.goal, own[0].result.outcome)?.value ?? null);
  };
  const compared = (a: RoundScore, b: RoundScore): number => {
    if (!a.score || !b.score) return Number(a.score === null) - Number(b.score === null);
    if (!isAlike(a.score.value, b.score.value)) return better(a.score.value, b.score.value);
    if (ties === 'next-best')
      for (let i = 0; i < Math.max(a.runs.length, b.runs.length); i++) {
        const [own, other] = [a.runs[i], b.runs[i]];
        if (own === undefined || other === undefined) return Number(own === undefined) - Number(other === undefined);
        if (!isAlike(own, other)) return better(own, other);
      }
    if (ties === 'run-off') {
      const [own, other] = [runOff(a.entry), runOff(b.entry)];
      if (own === undefined || other === undefined) return 0;
      // Whoever breaks in it has lost it.
      if (own === null || other === null) return Number(own === null) - Number(other === null);
      if (!isAlike(own, other)) return better(own, other);
    }
    return 0;
  };
  const byEntry = grouped(ofRound, ({ result }) => result.entry);
  const scores = entries.map((entry) => scoreOfRound(round, entry, byEntry.get(entry) ?? [])).toSorted(compared);
  // Those that are alike stand side by side: they share what their places give.
  const places: RoundPlace[] = [];
  for (let first = 0; first < scores.length;) {
    let next = first + 1;
    while (next < scores.length && scores[first]!.score !== null && compared(scores[first]!, scores[next]!) === 0) next++;
    const shared = next - first;
    const points = round.points.slice(first, next).reduce((sum, one) => sum + one, 0) / shared;
    for (const score of scores.slice(first, next))
      places.push(score.score === null ? { ...score, place: null, points: 0 } : { ...score, place: first + 1, points });
    first = next;
  }
  return places;
}

/** Whether entries that lead a round alike have to run off against each other. */
export const runOffsOf = (meet: Pick<Meet, 'brief'>, index: number, places: readonly RoundPlace[]): readonly (readonly string[])[] => {
  if (meet.brief.rules.ties !== 'run-off') return [];
  const groups = new Map<number, string[]>();
  for (const { place, entry, made } of places)
    if (place !== null && made >= meet.brief.rounds[index]!.runs) groups.set(place, [...(groups.get(place) ?? []), entry]);
  return [...groups.values()].filter((group) => group.length > 1);
};

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
const hasPoints = ({ brief }: Meet): boolean => brief.rounds.some(({ points }) => points.length > 0);

/**
 * The standings: points of all rounds but each entry's worst that are dropped, and those for style. Alike, whoever has more first places
 * stands before, then more second ones, and so on; else the place is shared.
 */
export function standingsOf(meet: Meet, results: readonly StandingResult[]): readonly Standing[] {
  const ids = meet.entries.filter(({ isOut }) => !isOut).map(({ id }) => id);
  const places = meet.brief.rounds.map((_, index) => {
    const list = placesOfRound(meet, index, ids, results);
    // Without points for places the first of so many has that many.
    const bare = hasPoints(meet) ? list : list.map((one) => ({ ...one, points: one.place === null ? 0 : ids.length - one.place + 1 }));
    return new Map(bare.map((one) => [one.entry, one]));
  });
  const run = places.map((round) => [...round.values()].some(({ made }) => made > 0));
  const rows = meet.entries
    .filter(({ isOut }) => !isOut)
    .map((entry) => {
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
      const told = rounds.flatMap(({ isDropped, place }) => (isDropped || !place?.place ? [] : [place.place]));
      return [entry.id, told.sort((a, b) => a - b)] as const;
    }),
  );
  const compared = (a: Omit<Standing, 'place'>, b: Omit<Standing, 'place'>): number => {
    if (Math.abs(a.total - b.total) > 1e-9) return b.total - a.total;
    const [own, other] = [placed.get(a.entry.id)!, placed.get(b.entry.id)!];
    // Whoever has the better place first has more of it; whoever has no more places has fewer.
    for (let i = 0; i < Math.max(own.length, other.length); i++) {
      const difference = (own[i] ?? Infinity) - (other[i] ?? Infinity);
      if (difference !== 0) return difference;
    }
    return 0;
  };
  const standings: Standing[] = [];
  for (const [i, row] of rows.toSorted(compared).entries()) {
    const before = standings.at(-1);
    const isAlike = before !== undefined && compared(before, row) === 0;
    standings.push({ ...row, place: isAlike ? before.place : i + 1 });
  }
  return standings;
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
  const ran = results.filter(
    ({ result }) => result.outcome.kind === 'ran' && meet.entries.some(({ id, isOut }) => id === result.entry && !isOut),
  );
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
        return own.length > 1 && gain > 0 ? [[entry, gain] as const] : [];
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

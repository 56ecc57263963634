import { goalRecord } from '../brief/goals.ts';
import { lowDiscrepancy, randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { drawnRun, learnt, type CarOutlook, type SeenRun } from './car-outlook.ts';
import { distanceOf, type Meet, type StandingResult } from './meet.ts';
import { compareNumbers, entriesThatCount, measuringOf, valueOfRun } from './scoring.ts';

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

/** Runs that are drawn of each car before the evenings are: an evening takes one of them. */
const DRAWS = 6;
/** Pairs of normal deviations, spread evenly, in a row that every entry begins somewhere else. */
const NORMALS = 4096;
interface Normals {
  readonly along: Float64Array;
  readonly aside: Float64Array;
}
function normalsOf(seed: number): Normals {
  const pointAt = lowDiscrepancy(2, seed);
  const row = (k: 0 | 1): Float64Array => Float64Array.from({ length: NORMALS }, (_, n) => standardNormal(pointAt(n)[k]!));
  return { along: row(0), aside: row(1) };
}
/** Run-offs after which a tie is left as it is. */
const MOST_RUN_OFFS = 5;
const MOST_COUNTED = 20;

/** What one entry brings to a round: what it made, and what it may make. */
interface RoundPool {
  /** Values of runs that were made, and of run-offs; NaN for one that came to nothing. */
  readonly made: Float64Array;
  readonly madeWall: Uint8Array;
  readonly runOffs: readonly { readonly value: number; readonly wall: number }[];
  /** Runs that are still to be made. */
  readonly left: number;
  /** Values by car and draw; NaN for one that does not count. */
  readonly drawn: Float64Array;
  readonly drawnWall: Uint8Array;
}

interface EntryPool {
  readonly entry: string;
  readonly style: number;
  readonly isOut: boolean;
  readonly fails: number;
  /** How likely a car with this number or a lower one is. */
  readonly below: Float64Array;
  readonly rounds: readonly RoundPool[];
}

/** What was seen of an entry in its results. */
export const seenOf = (results: readonly StandingResult[], entry: string): readonly SeenRun[] =>
  results.flatMap(({ result }): SeenRun[] => {
    if (result.entry !== entry || result.outcome.kind === 'rule') return [];
    if (result.outcome.kind !== 'ran') return [{ round: result.round, distance: null, atLeast: false }];
    const distance = distanceOf(result.outcome);
    return distance === null ? [] : [{ round: result.round, distance, atLeast: result.outcome.atLeast === true }];
  });

function poolOf(
  meet: Meet,
  results: readonly StandingResult[],
  entry: Meet['entries'][number],
  outlook: CarOutlook,
  normals: Normals,
  first: number,
): EntryPool {
  const cars = outlook.weights.length;
  const measuring = measuringOf(meet, entry.id);
  const own = results.filter(({ result }) => result.entry === entry.id);
  const known = learnt(outlook, seenOf(own, entry.id));
  const below = new Float64Array(cars);
  let sum = 0;
  known.weights.forEach((weight, i) => (below[i] = sum += weight));
  return {
    entry: entry.id,
    style: Math.min(entry.style ?? 0, meet.style),
    isOut: entry.isOut,
    fails: known.fails,
    below,
    rounds: meet.brief.rounds.map(({ goal, runs }, index) => {
      const ofRound = own.filter(({ result }) => result.round === index);
      const valueOf = (one: StandingResult) => {
        const value = valueOfRun(goal, one.result.outcome, measuring);
        return { value: value?.value ?? NaN, wall: Number(value?.atLeast ?? false) };
      };
      const made = ofRound.filter(({ result }) => result.run < runs).map(valueOf);
      const runOffs = ofRound
        .filter(({ result }) => result.run >= runs)
        .toSorted((a, b) => a.result.run - b.result.run)
        .map(valueOf);
      const drawn = new Float64Array(cars * DRAWS);
      const drawnWall = new Uint8Array(cars * DRAWS);
      outlook.rounds[index]!.forEach((possible, car) => {
        for (let k = 0; k < DRAWS; k++) {
          const at = (first + DRAWS * car + k) % NORMALS;
          const value = possible && drawnRun(goal, possible, known, normals.along[at]!, normals.aside[at]!);
          drawn[car * DRAWS + k] = value?.value ?? NaN;
          drawnWall[car * DRAWS + k] = Number(value?.atLeast ?? false);
        }
      });
      return {
        made: Float64Array.from(made, ({ value }) => value),
        madeWall: Uint8Array.from(made, ({ wall }) => wall),
        runOffs,
        left: entry.isOut ? 0 : Math.max(runs - made.length, 0),
        drawn,
        drawnWall,
      };
    }),
  };
}

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

/** What a round is worked out in, reused from evening to evening. */
interface State {
  /** By entry: its runs of the round, the best first, and how many count. */
  readonly runs: Float64Array[];
  readonly walls: Uint8Array[];
  readonly counts: Int32Array;
  readonly score: Float64Array;
  readonly scoreWall: Uint8Array;
  /** Entries as they are placed, and of each place where those begin that share it. */
  readonly order: number[];
  readonly begins: Int32Array;
}

const makeState = (count: number): State => ({
  runs: Array.from({ length: count }, () => new Float64Array(MOST_COUNTED)),
  walls: Array.from({ length: count }, () => new Uint8Array(MOST_COUNTED)),
  counts: new Int32Array(count),
  score: new Float64Array(count),
  scoreWall: new Uint8Array(count),
  order: Array.from({ length: count }, (_, i) => i),
  begins: new Int32Array(count),
});

type Round = Meet['brief']['rounds'][number];

/** Puts a run where it stands among those that count, the best first. */
function insert(isLess: boolean, runs: Float64Array, walls: Uint8Array, length: number, value: number, wall: number): void {
  let at = length;
  while (at > 0 && compareNumbers(isLess, value, wall, runs[at - 1]!, walls[at - 1]!) < 0) {
    runs[at] = runs[at - 1]!;
    walls[at] = walls[at - 1]!;
    at--;
  }
  runs[at] = value;
  walls[at] = wall;
}

/** The runs of all in a round, and what they come to: as `scoreOfRound` has it. */
function drawRound(
  { runs, walls, counts, score, scoreWall }: State,
  pools: readonly EntryPool[],
  index: number,
  { goal, counts: which, runs: each, missing = 'worst' }: Round,
  car: Int32Array,
  random: () => number,
): void {
  const isLess = goalRecord(goal).isLess === true;
  let worst = NaN;
  let worstWall = 0;
  for (let i = 0; i < pools.length; i++) {
    const pool = pools[i]!;
    const { made, madeWall, left, drawn, drawnWall } = pool.rounds[index]!;
    const all = made.length + left;
    // One after the other from anywhere on: no run is drawn twice in an evening.
    const first = Math.floor(random() * DRAWS);
    let length = 0;
    for (let k = 0; k < all; k++) {
      const isMade = k < made.length;
      if (!isMade && random() < pool.fails) continue;
      const at = isMade ? k : car[i]! * DRAWS + ((first + k) % DRAWS);
      const value = isMade ? made[at]! : drawn[at]!;
      const wall = isMade ? madeWall[at]! : drawnWall[at]!;
      if (value !== value) continue;
      insert(isLess, runs[i]!, walls[i]!, length++, value, wall);
      if (worst !== worst || compareNumbers(isLess, worst, worstWall, value, wall) < 0) {
        worst = value;
        worstWall = wall;
      }
    }
    counts[i] = length;
  }
  const needed = which === 'best' ? 1 : which === 'best-two' ? Math.min(2, each) : each;
  for (let i = 0; i < pools.length; i++) {
    const length = counts[i]!;
    if (length === 0 || (missing === 'all' && length < needed)) {
      score[i] = NaN;
      scoreWall[i] = 0;
      continue;
    }
    const [least, leastWall] = isLess && !Number.isNaN(worst) ? [worst, worstWall] : [0, 0];
    let [sum, wall] = [0, 0];
    for (let k = 0; k < needed; k++) {
      sum += k < length ? runs[i]![k]! : least;
      wall ||= k < length ? walls[i]![k]! : leastWall;
    }
    score[i] = which === 'sum' ? (sum / needed) * needed : sum / needed;
    scoreWall[i] = wall;
  }
}

/** Puts entries in their order, and says which share a place: as `placesOfRound` has it. */
function rankRound(
  { runs, walls, counts, score, scoreWall, order, begins }: State,
  pools: readonly EntryPool[],
  index: number,
  { goal }: Round,
  ties: 'shared' | 'next-best' | 'run-off',
  car: Int32Array,
  random: () => number,
): void {
  const isLess = goalRecord(goal).isLess === true;
  const byNextBest = (a: number, b: number): number => {
    for (let k = 0; k < Math.max(counts[a]!, counts[b]!); k++) {
      const difference = compareNumbers(
        isLess,
        k < counts[a]! ? runs[a]![k]! : NaN,
        k < counts[a]! ? walls[a]![k]! : 0,
        k < counts[b]! ? runs[b]![k]! : NaN,
        k < counts[b]! ? walls[b]![k]! : 0,
      );
      if (difference !== 0) return difference;
    }
    return 0;
  };
  const compare = (a: number, b: number): number => {
    const difference = compareNumbers(isLess, score[a]!, scoreWall[a]!, score[b]!, scoreWall[b]!);
    return difference === 0 && ties === 'next-best' && !Number.isNaN(score[a]!) ? byNextBest(a, b) : difference;
  };
  sortFew(order, compare);
  order.forEach((entry, at) => (begins[at] = at > 0 && compare(order[at - 1]!, entry) === 0 ? begins[at - 1]! : at));
  if (ties !== 'run-off') return;
  /** Settles those that tie from one place to before another, one run-off after the other. */
  const settle = (from: number, to: number, number: number): void => {
    if (to - from < 2 || number === MOST_RUN_OFFS || Number.isNaN(score[order[from]!]!)) return;
    const group = order.slice(from, to);
    const ran = new Map(
      group.map((entry) => {
        const pool = pools[entry]!;
        const { runOffs, drawn, drawnWall } = pool.rounds[index]!;
        const made = runOffs[number];
        if (made) return [entry, made];
        if (pool.isOut || random() < pool.fails) return [entry, { value: NaN, wall: 0 }];
        const at = car[entry]! * DRAWS + Math.floor(random() * DRAWS);
        return [entry, { value: drawn[at]!, wall: drawnWall[at]! }];
      }),
    );
    const compareRunOff = (a: number, b: number): number => {
      const [one, other] = [ran.get(a)!, ran.get(b)!];
      return compareNumbers(isLess, one.value, one.wall, other.value, other.wall);
    };
    group.sort(compareRunOff).forEach((entry, i) => (order[from + i] = entry));
    let begin = from;
    for (let at = from + 1; at <= to; at++) {
      if (at < to && compareRunOff(order[at - 1]!, order[at]!) === 0) continue;
      for (let k = begin; k < at; k++) begins[k] = begin;
      settle(begin, at, number + 1);
      begin = at;
    }
  };
  for (let from = 0; from < order.length;) {
    let to = from + 1;
    while (to < order.length && begins[to] === begins[from]) to++;
    settle(from, to, 0);
    from = to;
  }
}

/** Places and points of a round: those that share a place share its points. `points`: null where places alone count. */
function shareOut({ order, begins, score }: State, points: readonly number[] | null, places: Int32Array, earned: Float64Array): void {
  const count = order.length;
  for (let from = 0; from < count;) {
    let to = from + 1;
    while (to < count && begins[to] === begins[from]) to++;
    let sum = 0;
    for (let k = from; k < to; k++) sum += points ? (points[k] ?? 0) : count - k;
    for (let k = from; k < to; k++) {
      const entry = order[k]!;
      const isPlaced = !Number.isNaN(score[entry]!);
      places[entry] = isPlaced ? from + 1 : 0;
      earned[entry] = isPlaced ? sum / (to - from) : 0;
    }
    from = to;
  }
}

/** The rounds of an entry that are dropped: its worst, of equal ones the first. */
const droppedOf = (points: readonly Float64Array[], drops: number, entry: number): ReadonlySet<number> =>
  new Set(
    points
      .map((_, index) => index)
      .toSorted((a, b) => points[a]![entry]! - points[b]![entry]!)
      .slice(0, drops),
  );

/**
 * Totals without the worst rounds that are dropped; and a number that is the larger the more first places an entry has, then the more second
 * ones.
 */
function addUp(
  pools: readonly EntryPool[],
  points: readonly Float64Array[],
  places: readonly Int32Array[],
  drops: number,
  worths: Float64Array,
  totals: Float64Array,
  ranks: Float64Array,
): void {
  for (let entry = 0; entry < pools.length; entry++) {
    let sum = pools[entry]!.style;
    let rank = 0;
    for (let index = 0; index < points.length; index++) {
      sum += points[index]![entry]!;
      rank += worths[places[index]![entry]!]!;
    }
    if (drops > 0)
      for (const index of droppedOf(points, drops, entry)) {
        sum -= points[index]![entry]!;
        rank -= worths[places[index]![entry]!]!;
      }
    totals[entry] = sum;
    ranks[entry] = rank;
  }
}
/** Ranks nearer than this are alike; beyond so many entries places far down are smaller than that, and are compared one by one. */
const SAME_RANK = 1e-13;
const FAR_DOWN = 14;

/** Places of an entry in the rounds that count, the best first. */
function placingsOf(points: readonly Float64Array[], places: readonly Int32Array[], drops: number, entry: number): readonly number[] {
  const dropped = droppedOf(points, drops, entry);
  return places.flatMap((round, index) => (dropped.has(index) || round[entry] === 0 ? [] : [round[entry]!])).sort((a, b) => a - b);
}

/** Of equal points more first places, then more second places. As `standingsOf` has it. */
function comparePlacings(own: readonly number[], other: readonly number[]): number {
  for (let i = 0; i < Math.max(own.length, other.length); i++) {
    const [mine, theirs] = [own[i] ?? Infinity, other[i] ?? Infinity];
    if (mine !== theirs) return mine - theirs;
  }
  return 0;
}

/** Sorts a short list by insertion, in place and stable: of some dozen it is the quickest. */
function sortFew(list: number[], compare: (a: number, b: number) => number): void {
  for (let i = 1; i < list.length; i++) {
    const one = list[i]!;
    let at = i;
    while (at > 0 && compare(list[at - 1]!, one) > 0) {
      list[at] = list[at - 1]!;
      at--;
    }
    list[at] = one;
  }
}

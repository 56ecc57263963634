import { goalRecord } from '../brief/goals.ts';
import { compareNumbers } from '../brief/run-value.ts';
import { DRAWS, type EntryPool } from './entry-pool.ts';
import type { Meet } from './meet.ts';

/** Run-offs after which a tie is left as it is. */
const MOST_RUN_OFFS = 5;
const MOST_COUNTED = 20;

/** What a round is worked out in, reused from evening to evening. */
export interface State {
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

export const makeState = (count: number): State => ({
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
export function drawRound(
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
export function rankRound(
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
export function shareOut(
  { order, begins, score }: State,
  points: readonly number[] | null,
  places: Int32Array,
  earned: Float64Array,
): void {
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
export function addUp(
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
/** Sorts a short list by insertion, in place and stable: of some dozen it is the quickest. */
export function sortFew(list: number[], compare: (a: number, b: number) => number): void {
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

/** Places of an entry in the rounds that count, the best first. */
export function placingsOf(
  points: readonly Float64Array[],
  places: readonly Int32Array[],
  drops: number,
  entry: number,
): readonly number[] {
  const dropped = droppedOf(points, drops, entry);
  return places.flatMap((round, index) => (dropped.has(index) || round[entry] === 0 ? [] : [round[entry]!])).sort((a, b) => a - b);
}

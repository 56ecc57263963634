import { drawnRun } from '../brief/drawn-run.ts';
import { lowDiscrepancy, standardNormal } from '../numerics/low-discrepancy.ts';
import { learnt, type CarOutlook, type SeenRun } from './car-outlook.ts';
import { distanceOf, type Meet, type StandingResult } from './meet.ts';
import { measuringOf, valueOfRun } from './scoring.ts';

/** Runs that are drawn of each car before the evenings are: an evening takes one of them. */
export const DRAWS = 6;
/** Pairs of normal deviations, spread evenly, in a row that every entry begins somewhere else. */
export const NORMALS = 4096;
export interface Normals {
  readonly along: Float64Array;
  readonly aside: Float64Array;
}
/** The row of such pairs; the same seed gives the same. */
export function normalsOf(seed: number): Normals {
  const pointAt = lowDiscrepancy(2, seed);
  const row = (k: 0 | 1): Float64Array => Float64Array.from({ length: NORMALS }, (_, n) => standardNormal(pointAt(n)[k]!));
  return { along: row(0), aside: row(1) };
}

/** What one entry brings to a round: what it made, and what it may make. */
export interface RoundPool {
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

export interface EntryPool {
  readonly entry: string;
  readonly style: number;
  readonly isOut: boolean;
  readonly fails: number;
  /** How likely a car with this number or a lower one is. */
  readonly below: Float64Array;
  readonly rounds: readonly RoundPool[];
}

/** What was seen of an entry in its results. */
const seenOf = (results: readonly StandingResult[], entry: string): readonly SeenRun[] =>
  results.flatMap(({ result }): SeenRun[] => {
    if (result.entry !== entry || result.outcome.kind === 'rule') return [];
    if (result.outcome.kind !== 'ran') return [{ round: result.round, distance: null, atLeast: false }];
    const distance = distanceOf(result.outcome);
    return distance === null ? [] : [{ round: result.round, distance, atLeast: result.outcome.atLeast === true }];
  });

/** What an entry brings to the evening, its results so far weighed. `first`: where in the row of deviations it begins. */
export function poolOf(
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

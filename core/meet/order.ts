import { shuffled } from '../numerics/shuffled.ts';
import type { Entry, Meet } from './meet.ts';

/** Cars that run at once: who is in which lane. */
export interface Heat {
  readonly round: number;
  readonly run: number;
  /** Of that run, counted from 0. */
  readonly heat: number;
  readonly cars: readonly { readonly entry: string; readonly lane: number }[];
}

/** Entries in the order in which they run: those that were there when the meet began as they were drawn, then those that came late. */
export function runningOrder({ entries, seed }: Pick<Meet, 'entries' | 'seed'>): readonly Entry[] {
  const drawn = entries.filter(({ isOut, withdrawn }) => !isOut || withdrawn);
  return [
    ...shuffled(
      drawn.filter(({ late }) => !late),
      seed,
    ),
    ...drawn.filter(({ late }) => late),
  ];
}

/**
 * All heats of a meet in the order they run. The entries are drawn once; heats are as many of them as there are lanes, one after the other, so
 * that no car runs twice in a row where there are two heats or more. From one run to the next each car moves on by a lane: over any number
 * of runs it has each lane alike, to within one. Whoever enters once the meet has begun comes last, and the lane of whoever withdraws stays
 * empty: heats that were drawn stand.
 */
export function orderOf({ entries, seed, lanes, brief }: Pick<Meet, 'entries' | 'seed' | 'lanes' | 'brief'>): readonly Heat[] {
  const running = runningOrder({ entries, seed });
  const heats: Heat[] = [];
  let turn = 0;
  brief.rounds.forEach(({ runs }, round) => {
    for (let run = 0; run < runs; run++, turn++)
      for (let first = 0, heat = 0; first < running.length; first += lanes, heat++) {
        const cars = running
          .slice(first, first + lanes)
          .map(({ id, isOut }, i) => ({ entry: id, isOut, lane: (first + i + turn) % lanes }))
          .filter(({ isOut }) => !isOut)
          .map(({ entry, lane }) => ({ entry, lane }))
          .toSorted((a, b) => a.lane - b.lane);
        if (cars.length > 0) heats.push({ round, run, heat, cars });
      }
  });
  return heats;
}

/** The next heat of an entry among those left, and how many run before it; null where it runs no more. */
export function nextOf(left: readonly Heat[], entry: string): { readonly heat: Heat; readonly before: number } | null {
  const before = left.findIndex(({ cars }) => cars.some((car) => car.entry === entry));
  return before < 0 ? null : { heat: left[before]!, before };
}

/** Heats that are still to run, wholly or in part: the first is next, the second on deck. */
export function heatsLeft(
  heats: readonly Heat[],
  runsMade: readonly { readonly entry: string; readonly round: number; readonly run: number }[],
): readonly Heat[] {
  const done = new Set(runsMade.map(({ entry, round, run }) => `${entry} ${round} ${run}`));
  return heats.filter(({ round, run, cars }) => cars.some(({ entry }) => !done.has(`${entry} ${round} ${run}`)));
}

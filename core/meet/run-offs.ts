import type { Meet, StandingResult } from './meet.ts';
import { entriesThatCount, placesOfRound, runOffsOf } from './scoring.ts';

/** Entries that have to run off against each other, in which round, and the number of that run: counted on from the round’s own. */
export interface RunOff {
  readonly round: number;
  readonly entries: readonly string[];
  readonly run: number;
}

/** Every run-off that is due. One that some have made and others have not goes on; where all have made it and tie again, another follows. */
export function runOffsDue(meet: Meet, results: readonly StandingResult[]): readonly RunOff[] {
  const ids = entriesThatCount(meet, results).map(({ id }) => id);
  return meet.brief.rounds.flatMap(({ runs }, round) =>
    runOffsOf(meet, round, placesOfRound(meet, round, ids, results)).map((entries): RunOff => {
      const runsMade = results.map(({ result }) => result).filter((one) => one.round === round && entries.includes(one.entry));
      const last = Math.max(runs - 1, ...runsMade.map(({ run }) => run));
      const madeLast = runsMade.filter(({ run }) => run === last).length;
      return { round, entries, run: last >= runs && madeLast < entries.length ? last : last + 1 };
    }),
  );
}

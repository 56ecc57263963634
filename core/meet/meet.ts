import type { Meet, Entry } from '../schema/generated/meet.ts';
import type { MeetOutcome, MeetResult } from '../schema/generated/meet-result.ts';

export type { Entry, Meet, MeetOutcome, MeetResult };

/** A result with the id it was saved under, and the number that the server counted it by. */
export interface SavedResult {
  readonly id: string;
  readonly number: number;
  readonly result: MeetResult;
}

/** A run that stands: the last correction of what was first saved, with what stood before it, the newest first. */
export interface StandingResult extends SavedResult {
  readonly before: readonly SavedResult[];
}

/** Results of a meet file, counted in the order in which they stand there. */
export const numberResults = (results: readonly Pick<SavedResult, 'id' | 'result'>[]): readonly SavedResult[] =>
  results.map((one, i) => ({ ...one, number: i + 1 }));

/**
 * The results as they stand: a correction in place of the one it names, and of a correction of that. Where two officials correct one result,
 * or save one run twice, the one that the server got later stands and the other is stored before it: no clock of a phone counts. One that was
 * taken back (`void`) stands no more.
 */
export function standingResults(results: readonly SavedResult[]): readonly StandingResult[] {
  const byId = new Map(results.map((one) => [one.id, one]));
  /** The run that a chain of corrections began with, and a rank: by the server's count, but never before what it corrects. */
  const placeOf = (one: SavedResult): { readonly run: string; readonly rank: number } => {
    const seen = new Set<string>();
    let at = one;
    let rank = one.number;
    while (at.result.corrects !== null && !seen.has(at.id)) {
      seen.add(at.id);
      const earlier = byId.get(at.result.corrects);
      if (!earlier) break;
      at = earlier;
      rank = Math.max(rank, at.number + seen.size / 2);
    }
    const { entry, round, run } = at.result;
    return { run: `${entry} ${round} ${run}`, rank };
  };
  const chains = new Map<string, { readonly one: SavedResult; readonly rank: number }[]>();
  for (const one of results) {
    const { run, rank } = placeOf(one);
    const chain = chains.get(run);
    if (chain) chain.push({ one, rank });
    else chains.set(run, [{ one, rank }]);
  }
  return [...chains.values()].flatMap((chain): StandingResult[] => {
    const [last, ...before] = chain.sort((a, b) => b.rank - a.rank).map(({ one }) => one);
    return last!.result.outcome.kind === 'void' ? [] : [{ ...last!, before }];
  });
}

/** The distance of a run, m: the mean of both where two measured it. */
export const distanceOf = ({ distance, second }: MeetOutcome): number | null =>
  distance === undefined ? null : second === undefined ? distance : (distance + second) / 2;

import type { Meet, Entry } from '../schema/generated/meet.ts';
import type { MeetOutcome, MeetResult } from '../schema/generated/meet-result.ts';

export type { Entry, Meet, MeetOutcome, MeetResult };

/** A result with the id it was written under. */
export interface KeptResult {
  readonly id: string;
  readonly result: MeetResult;
}

/** A run that stands: the last correction of what was first written, with what stood before it, the newest first. */
export interface StandingResult extends KeptResult {
  readonly before: readonly KeptResult[];
}

/**
 * The results as they stand: a correction in place of the one it names, and of a correction of that. Where two officials correct one
 * result, or write one run down twice, the later stands and the other is kept before it. One that was taken back (`void`) stands no more.
 */
export function standingResults(results: readonly KeptResult[]): readonly StandingResult[] {
  const byId = new Map(results.map((one) => [one.id, one]));
  /** The result that a chain of corrections began with. */
  const firstOf = (one: KeptResult): string => {
    const seen = new Set<string>();
    let at = one;
    while (at.result.corrects !== null && !seen.has(at.id)) {
      seen.add(at.id);
      const earlier = byId.get(at.result.corrects);
      if (!earlier) break;
      at = earlier;
    }
    const { entry, round, run } = at.result;
    return `${entry} ${round} ${run}`;
  };
  const chains = new Map<string, KeptResult[]>();
  for (const one of results) chains.set(firstOf(one), [...(chains.get(firstOf(one)) ?? []), one]);
  return [...chains.values()].flatMap((chain): StandingResult[] => {
    const [last, ...before] = chain.toSorted((a, b) => b.result.at.localeCompare(a.result.at) || b.id.localeCompare(a.id));
    return last!.result.outcome.kind === 'void' ? [] : [{ ...last!, before }];
  });
}

/** The distance of a run, m: the mean of both where two measured it. */
export const distanceOf = ({ distance, second }: MeetOutcome): number | null =>
  distance === undefined ? null : second === undefined ? distance : (distance + second) / 2;

import { useCallback, useMemo } from 'react';
import type { Entry, Meet, MeetOutcome, MeetResult, StandingResult } from '../../../core/meet/meet.ts';
import { standingResults } from '../../../core/meet/meet.ts';
import { newEntry, newResult } from '../../../core/meet/new-meet.ts';
import type { MeetEntry } from '../../../core/schema/generated/meet-entry.ts';
import type { StoredEntry, StoredMeet } from '../../../core/schema/stored.ts';
import {
  useGetMeetQuery,
  useListEntriesQuery,
  useListResultsQuery,
  useSaveEntryMutation,
  useSaveMeetMutation,
  useSaveResultMutation,
} from '../../app/api/meets-api.ts';
import { isGone, problemLine } from '../../app/api/problem.ts';
import { saveChange } from '../../app/save-change.ts';
import { newId } from '../../app/new-id.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { applied } from '../../live/live-meet.ts';
import { useLiveMeet } from '../../live/use-live-meet.ts';

/** Tries of what may be sent twice, since it has an id of its own, and ms between them: a network that is gone for a moment loses nothing. */
const TRIES = 5;
const PAUSE = 1200;
async function untilAnswered<A extends { readonly error?: unknown }>(send: () => Promise<A>): Promise<A> {
  for (let tried = 1; ; tried++) {
    const answer = await send();
    if (!answer.error || !isGone(answer.error) || tried === TRIES) return answer;
    await new Promise((resolve) => setTimeout(resolve, PAUSE));
  }
}

const meetEntry = (meet: string, entry: Entry): MeetEntry => ({ format: 'nimble-axle/meet-entry', version: 1, meet, entry });

/** Of which car and which run a result is. */
export type RunPlace = Pick<MeetResult, 'entry' | 'round' | 'run' | 'lane'>;

/** Whether a result is of that run, in whatever lane. */
export const isResultOf = ({ entry, round, run }: Omit<RunPlace, 'lane'>, { result }: StandingResult): boolean =>
  result.entry === entry && result.round === round && result.run === run;

/** A meet with its entries and its results as they stand, followed as others write; and what officials do with it. */
export function useMeet(meetId: string) {
  const dispatch = useAppDispatch();
  const { data: stored, error } = useGetMeetQuery(meetId);
  const { data: entered } = useListEntriesQuery(meetId);
  const { data: listed } = useListResultsQuery(meetId);
  const [save] = useSaveMeetMutation();
  const [saveEntry] = useSaveEntryMutation();
  const [saveResult] = useSaveResultMutation();
  const lostSince = useLiveMeet(meetId);
  const results = useMemo(() => standingResults(listed?.readable ?? []), [listed]);
  // Only with its results: without them nobody has run, and the standings would say so for a moment.
  const meet = useMemo(
    (): Meet | null => (stored && entered && listed ? { ...stored.meet, entries: entered.readable.map(({ entry }) => entry.entry) } : null),
    [stored, entered, listed],
  );
  const fail = useCallback((reason: unknown): false => (dispatch(toasted(problemLine(reason), { tone: 'stop' })), false), [dispatch]);
  /** Changes the meet; where somebody else was quicker, the same change is made to what they wrote. */
  const change = useCallback(
    async (change: (meet: Meet) => Meet): Promise<boolean> => {
      if (!stored) return false;
      const answer = await saveChange(
        { version: stored.version, content: stored.meet },
        (before) => ({ ...change(before), entries: [] }),
        (baseVersion, content) => save({ id: meetId, baseVersion, content }),
        (current: StoredMeet) => current.meet,
      );
      return answer.kind === 'saved' || fail(answer.error);
    },
    [fail, meetId, save, stored],
  );
  /** Enters a car. */
  const enter = useCallback(
    async (entry: Partial<Entry> & Pick<Entry, 'crew' | 'car'>): Promise<boolean> => {
      const id = newId();
      // Once runs were made the heats stand as they were drawn: who comes now runs after them.
      const content = meetEntry(meetId, newEntry({ ...entry, id, ...(results.length > 0 && { late: true }) }));
      const { data, error: reason } = await untilAnswered(() => saveEntry({ meetId, id, baseVersion: 0, content }));
      if (!data) return fail(reason);
      applied.entry(dispatch, meetId, data);
      return true;
    },
    [dispatch, fail, meetId, results.length, saveEntry],
  );
  /** Changes an entry; what others changed of it meanwhile stays. */
  const changeEntry = useCallback(
    async (id: string, change: (entry: Entry) => Entry): Promise<boolean> => {
      const now = entered?.readable.find((one) => one.id === id);
      if (!now) return false;
      const answer = await saveChange(
        { version: now.version, content: now.entry.entry },
        change,
        (baseVersion, entry) => saveEntry({ meetId, id, baseVersion, content: meetEntry(meetId, entry) }),
        (current: StoredEntry) => current.entry.entry,
      );
      if (answer.kind === 'failed') return fail(answer.error);
      applied.entry(dispatch, meetId, answer.stored);
      return true;
    },
    [dispatch, entered, fail, meetId, saveEntry],
  );
  /** Saves a run's result; or, in place of one that stands, its correction. */
  const write = useCallback(
    async (
      place: RunPlace,
      outcome: MeetOutcome,
      by: string,
      corrected: { readonly result: StandingResult; readonly why: string } | null = null,
    ): Promise<boolean> => {
      // Under one id: sent again it is stored once.
      const id = newId();
      const at = new Date().toISOString();
      const { data, error: reason } = await untilAnswered(() =>
        saveResult({
          meetId,
          id,
          baseVersion: 0,
          content: newResult({
            meet: meetId,
            ...place,
            at,
            by,
            outcome,
            ...(corrected && { corrects: corrected.result.id, why: corrected.why }),
          }),
        }),
      );
      if (!data) return fail(reason);
      applied.result(dispatch, meetId, data);
      return true;
    },
    [dispatch, fail, meetId, saveResult],
  );
  return {
    meet,
    missing: (error as { status?: unknown } | undefined)?.status === 404,
    lostSince,
    results,
    all: listed?.readable ?? [],
    change,
    enter,
    changeEntry,
    write,
  };
}
export type OpenMeet = ReturnType<typeof useMeet>;

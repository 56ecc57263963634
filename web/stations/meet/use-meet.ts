import { useCallback, useEffect, useMemo } from 'react';
import type { Meet, MeetOutcome, StandingResult } from '../../../core/meet/meet.ts';
import { standingResults } from '../../../core/meet/meet.ts';
import { newResult } from '../../../core/meet/new-meet.ts';
import {
  api,
  problemLine,
  problemOf,
  useGetMeetQuery,
  useListResultsQuery,
  useSaveMeetMutation,
  useSaveResultMutation,
} from '../../app/api.ts';
import { newId } from '../../app/new-id.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';

/** Tries of a change that others were quicker with: each is made anew on what they wrote. */
const TRIES = 4;

/** A meet with its results as they stand, followed as others write; and what officials do with it. */
export function useMeet(meetId: string) {
  const dispatch = useAppDispatch();
  const { data: stored, error } = useGetMeetQuery(meetId);
  const { data: listed } = useListResultsQuery(meetId);
  const [save] = useSaveMeetMutation();
  const [saveResult] = useSaveResultMutation();
  useEffect(() => {
    const heard = new EventSource('/api/meets/live');
    heard.addEventListener('written', ({ data }: MessageEvent<string>) => {
      if (JSON.parse(data) === meetId) dispatch(api.util.invalidateTags(['meets', 'results']));
    });
    return () => heard.close();
  }, [dispatch, meetId]);
  const results = useMemo(() => standingResults(listed?.readable ?? []), [listed]);
  /** Changes the meet; where another official was quicker, the same change is made to what they wrote. */
  const change = useCallback(
    async (made: (meet: Meet) => Meet): Promise<boolean> => {
      if (!stored) return false;
      let { version, meet } = stored;
      for (let tried = 0; tried < TRIES; tried++) {
        const answer = await save({ id: meetId, baseVersion: version, content: made(meet) });
        if (!answer.error) return true;
        const { current } = problemOf(answer.error) as { current?: typeof stored };
        if (!current) {
          dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
          return false;
        }
        ({ version, meet } = current);
      }
      dispatch(toasted('Others write to this meet at the same time: try again.', { tone: 'stop' }));
      return false;
    },
    [dispatch, meetId, save, stored],
  );
  /** Writes a run down; or, in place of one that stands, its correction. */
  const write = useCallback(
    async (
      place: { readonly entry: string; readonly round: number; readonly run: number; readonly lane: number },
      outcome: MeetOutcome,
      by: string,
      corrected: { readonly result: StandingResult; readonly why: string } | null = null,
    ): Promise<boolean> => {
      const answer = await saveResult({
        meetId,
        id: newId(),
        baseVersion: 0,
        content: newResult({
          meet: meetId,
          ...place,
          at: new Date().toISOString(),
          by,
          outcome,
          ...(corrected && { corrects: corrected.result.id, why: corrected.why }),
        }),
      });
      if (answer.error) dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
      return !answer.error;
    },
    [dispatch, meetId, saveResult],
  );
  return {
    meet: stored?.meet ?? null,
    missing: (error as { status?: unknown } | undefined)?.status === 404,
    results,
    all: listed?.readable ?? [],
    change,
    write,
  };
}
export type OpenMeet = ReturnType<typeof useMeet>;

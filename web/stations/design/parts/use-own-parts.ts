import { useMemo } from 'react';
import type { OwnPart, PartKind } from '../../../../core/design/parts.ts';
import { problemLine, useListPartsQuery, useRemovePartMutation, useSavePartMutation, type StoredPart } from '../../../app/api.ts';
import { useAppDispatch } from '../../../app/store.ts';
import { toasted } from '../../../app/toasts-slice.ts';

const NONE: readonly StoredPart[] = [];

/** The builder's own parts, and keeping and taking them away. */
export function useOwnParts() {
  const dispatch = useAppDispatch();
  const { data: parts = NONE } = useListPartsQuery();
  const [save] = useSavePartMutation();
  const [remove] = useRemovePartMutation();
  const byKind = useMemo(() => {
    const sorted: Partial<Record<PartKind, OwnPart[]>> = {};
    for (const { part } of parts) (sorted[part.kind] ??= []).push(part);
    return sorted as Readonly<Partial<Record<PartKind, readonly OwnPart[]>>>;
  }, [parts]);
  return {
    parts,
    byKind,
    /** Keeps a part: a new one, or over the one it was made from. Tells what went wrong, and whether it is kept. */
    keep: async (part: OwnPart, from: StoredPart | null): Promise<boolean> => {
      const answer = await save({ id: from?.id ?? crypto.randomUUID(), baseVersion: from?.version ?? 0, content: part });
      if (answer.error) dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
      return !answer.error;
    },
    takeAway: async ({ id, part }: StoredPart): Promise<void> => {
      const answer = await remove(id);
      if (answer.error) dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
      else dispatch(toasted(`${part.name} was taken out of your parts`, { undoing: { kind: 'part', id } }));
    },
  };
}

import { useMemo } from 'react';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import type { PartKind } from '../../core/car/part-slots.ts';
import type { StoredPart } from '../../core/schema/stored.ts';
import { useListPartsQuery, useRemovePartMutation, useRestorePartMutation, useSavePartMutation } from '../app/api/documents-api.ts';
import { problemLine } from '../app/api/problem.ts';
import { useAppDispatch } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { newId } from '../app/new-id.ts';

const NONE: readonly StoredPart[] = [];

/** The builder's own parts. */
export function useOwnParts() {
  const { data } = useListPartsQuery();
  const parts = data?.readable ?? NONE;
  const byKind = useMemo(() => {
    const sorted: Partial<Record<PartKind, OwnPart[]>> = {};
    for (const { part } of parts) (sorted[part.kind] ??= []).push(part);
    return sorted as Readonly<Partial<Record<PartKind, readonly OwnPart[]>>>;
  }, [parts]);
  return { parts, unreadable: data?.unreadable ?? [], byKind };
}

/** Keeping parts of one's own, and taking them away. */
export function useSavePart() {
  const dispatch = useAppDispatch();
  const [save] = useSavePartMutation();
  const [remove] = useRemovePartMutation();
  const [restore] = useRestorePartMutation();
  /** Tells what went wrong, and whether it went well. */
  const reportedProblem = ({ error }: { readonly error?: unknown }): boolean => {
    if (error) dispatch(toasted(problemLine(error), { tone: 'stop' }));
    return !error;
  };
  return {
    /** Keeps a part: a new one, or over the one it was made from. */
    keep: async (part: OwnPart, from: StoredPart | null): Promise<boolean> =>
      reportedProblem(await save({ id: from?.id ?? newId(), baseVersion: from?.version ?? 0, content: part })),
    remove: async ({ id }: StoredPart): Promise<boolean> => reportedProblem(await remove(id)),
    removeUnreadable: async (id: string): Promise<boolean> => reportedProblem(await remove(id)),
    restore: async ({ id }: StoredPart): Promise<boolean> => reportedProblem(await restore(id)),
  };
}

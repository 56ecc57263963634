import { useCallback, useEffect, useRef } from 'react';
import { useStore } from 'react-redux';
import { briefFaults, type Brief } from '../../core/brief/brief.ts';
import { formatFault } from '../../core/fault-words.ts';
import type { Read } from '../../core/files/read.ts';
import { documentsApi } from '../app/api/documents-api.ts';
import { useAppSelector, type AppStore } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { useOpenDocument } from '../open-document/use-open-document.ts';
import { BRIEF } from './brief-document.ts';
import { briefSlice, type EditBrief } from './brief-slice.ts';

const nothing = (): void => {};

/** Opens a brief, and follows what other tabs save of it. */
export function useOpenBrief(briefId: string): { readonly brief: Brief | null; readonly missing: boolean; readonly error: unknown } {
  const brief = useAppSelector((state) => (state.brief?.id === briefId ? state.brief.present : null));
  const { error } = documentsApi.endpoints.getBrief.useQueryState(briefId);
  useOpenDocument(BRIEF, briefId, brief !== null, nothing);
  const isMissing = (error as { status?: unknown } | undefined)?.status === 404;
  return { brief, missing: brief === null && isMissing, error: brief === null ? error : null };
}

/** Changes the brief that is open. What would make it no brief that can be kept is refused, with its reason. */
export function useEditBrief(): EditBrief {
  const store = useStore() as AppStore;
  const reader = useRef<((value: unknown) => Read<Brief>) | null>(null);
  useEffect(() => {
    // A page that is left meanwhile needs none.
    void BRIEF.reader().then(
      (read) => (reader.current = read),
      () => {},
    );
  }, []);
  return useCallback(
    (change, gesture) => {
      const present = store.getState().brief?.present;
      if (!present) return;
      const content = change(present);
      const read = reader.current?.(content);
      const faults = read ? (read.kind === 'faulty' ? read.faults : []) : briefFaults(content);
      if (faults.length > 0) store.dispatch(toasted(`Not changed: ${formatFault(faults[0]!)}`, { tone: 'stop' }));
      else store.dispatch(briefSlice.actions.edited({ content, gesture: gesture ?? null }));
    },
    [store],
  );
}

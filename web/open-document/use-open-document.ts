import { useEffect } from 'react';
import { useStore } from 'react-redux';
import { useAppDispatch, type AppStore } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import type { DocumentKind } from './document-kind.ts';
import { removeDraft } from './drafts.ts';
import { findDraft } from './find-draft.ts';
import { openedAs } from './opened-as.ts';

/** Opens a document with what was left unsaved in this browser; a draft grown from an older version is a conflict to be settled. */
async function openDocument<T>({ getState, dispatch }: AppStore, kind: DocumentKind<T>, id: string, onOpened: () => void): Promise<void> {
  const { actions } = kind.slice;
  await kind.autosave.flush(getState, dispatch);
  const stored = await kind.fetch(dispatch, id);
  if (!stored) return;
  const { draft, isConflict } = openedAs(stored, await findDraft(id, kind.reader));
  if (!draft) removeDraft(id);
  dispatch(actions.opened({ kept: stored, draft }));
  if (isConflict) dispatch(actions.foundOlder(stored));
  onOpened();
}

/** Opens a document, and follows what other tabs save of it. `kind` and `onOpened` stay the same. */
export function useOpenDocument<T>(kind: DocumentKind<T>, id: string, isOpen: boolean, onOpened: () => void): void {
  const store = useStore() as AppStore;
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (!isOpen) void openDocument(store, kind, id, onOpened);
  }, [store, kind, id, isOpen, onOpened]);
  useEffect(
    () =>
      kind.autosave.onSavedElsewhere(async (saved) => {
        if (saved !== id) return;
        const stored = await kind.fetch(dispatch, id);
        const mine = kind.openOf(store.getState());
        if (!stored || !mine || mine.id !== id || stored.version === mine.baseVersion) return;
        if (mine.present !== mine.base) return void dispatch(kind.slice.actions.changedElsewhere(stored));
        dispatch(kind.slice.actions.opened({ kept: stored, draft: null }));
        dispatch(toasted(`This ${kind.what} was changed elsewhere; you see the newest version`));
      }),
    [store, dispatch, kind, id],
  );
}

import { createListenerMiddleware, isAnyOf, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { isRefused, problemLine, problemOf } from '../app/api/problem.ts';
import { toasted } from '../app/toasts-slice.ts';
import { named } from '../ui/space.ts';
import type { DocumentSlice, StoredDocument, OpenDocument } from './document-slice.ts';
import { removeDraft, saveDraft } from './drafts.ts';

/** Quiet time after an edit before it is sent, and wait before a failed save is tried again, ms. */
const QUIET = 350;
const RETRY = 3000;

export type AppDispatch = ThunkDispatch<unknown, unknown, UnknownAction>;

/** How documents of one kind come to be saved. */
export interface Saving<T> {
  readonly slice: DocumentSlice<T>;
  readonly openOf: (state: unknown) => OpenDocument<T> | null;
  readonly send: (
    dispatch: AppDispatch,
    write: { readonly id: string; readonly baseVersion: number; readonly content: T },
  ) => Promise<{ readonly data?: unknown; readonly error?: unknown }>;
  /** The server's answer as a document. */
  storedOf(answer: unknown): StoredDocument<T>;
}

/** Saves the open document of one kind by itself. */
export function autosaveOf<T>({ slice: { name, actions }, openOf, send, storedOf }: Saving<T>) {
  const { opened, edited, undone, redone, mineChosen, changedElsewhere } = actions;
  const listener = createListenerMiddleware();
  /** Tells this program's other tabs that a document has a new version. */
  const channel = new BroadcastChannel(named(name));
  const listeners = new Set<(id: string) => void>();

  /** At once: the edit is safe in the browser. */
  listener.startListening({
    matcher: isAnyOf(edited, undone, redone),
    effect: (_action, { getState }) => {
      const document = openOf(getState());
      if (document) saveDraft(document.id, { baseVersion: document.baseVersion, content: document.present });
    },
  });

  /** One save at a time: the answer to each carries the version the next is based on. */
  let isSaving = false;
  /** The document whose refusal was reported: it is said once. */
  let toldOf: string | null = null;
  async function saveUntilSettled(getState: () => unknown, dispatch: AppDispatch): Promise<void> {
    for (;;) {
      const document = openOf(getState());
      if (!document || document.save === 'conflict') return;
      if (document.present === document.base) {
        dispatch(actions.saveSettled());
        return removeDraft(document.id);
      }
      const { id, baseVersion, present: sent } = document;
      dispatch(actions.saveStarted());
      const answer = await send(dispatch, { id, baseVersion, content: sent });
      if (answer.data) {
        channel.postMessage(id);
        toldOf = null;
        dispatch(actions.saveLanded({ stored: storedOf(answer.data), sent }));
        continue;
      }
      const { current } = problemOf(answer.error);
      if (current) {
        // Merged where both changed different things; then it is saved over the other.
        dispatch(actions.changedElsewhere(storedOf(current)));
        continue;
      }
      if (isRefused(answer.error)) {
        // Asked again it would be refused again: the draft stays in this browser, and the next edit is tried once.
        dispatch(actions.saveRefused(problemLine(answer.error)));
        if (toldOf !== id)
          dispatch(toasted(`Not saved: ${problemLine(answer.error)} Your changes are safe in this browser.`, { tone: 'stop' }));
        toldOf = id;
        return;
      }
      dispatch(actions.saveFailed(problemLine(answer.error)));
      await new Promise((resolve) => setTimeout(resolve, RETRY));
    }
  }

  /** Once quiet: it is sent, over the version it was based on; tried again while the server cannot be reached. */
  listener.startListening({
    matcher: isAnyOf(edited, undone, redone, opened, mineChosen, changedElsewhere),
    effect: async (_action, { cancelActiveListeners, delay, dispatch, getState }) => {
      cancelActiveListeners();
      await delay(QUIET);
      // A loop already running takes the newest edit along when its answer comes.
      if (isSaving) return;
      isSaving = true;
      try {
        await saveUntilSettled(getState, dispatch as AppDispatch);
      } finally {
        isSaving = false;
      }
    },
  });

  return {
    middleware: listener.middleware,
    /** Says that another device saved a document: it is followed here as what another tab saves. */
    savedElsewhere: (id: string): void => {
      for (const listen of listeners) listen(id);
    },
    onSavedElsewhere: (listen: (id: string) => void): (() => void) => {
      const handle = ({ data }: MessageEvent<string>): void => listen(data);
      channel.addEventListener('message', handle);
      listeners.add(listen);
      return () => {
        channel.removeEventListener('message', handle);
        listeners.delete(listen);
      };
    },
    /** Sends what is unsaved before another document takes this one's place; should that fail, the draft stays in the browser. */
    flush: async (getState: () => unknown, dispatch: AppDispatch): Promise<void> => {
      const document = openOf(getState());
      if (!document || document.save === 'conflict' || document.present === document.base || isSaving) return;
      const answer = await send(dispatch, { id: document.id, baseVersion: document.baseVersion, content: document.present });
      if (answer.data) removeDraft(document.id);
    },
  };
}
export type Autosave = ReturnType<typeof autosaveOf>;

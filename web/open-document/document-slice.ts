import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import { threeWay } from '../../core/schema/three-way.ts';

/** How the present document stands to what the server keeps. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'failing' | 'refused' | 'conflict';

/** A document as the server keeps it. */
export interface StoredDocument<T> {
  readonly id: string;
  readonly version: number;
  readonly content: T;
}

/** A document that is open here: a car, or a brief. */
export interface OpenDocument<T> {
  readonly id: string;
  /** The version on the server the present document grew from, and what it holds. */
  readonly baseVersion: number;
  readonly base: T;
  readonly present: T;
  readonly past: readonly T[];
  readonly future: readonly T[];
  /** The gesture the last edit belonged to: one drag of a slider is one step to undo. */
  readonly gesture: string | null;
  readonly save: SaveState;
  /** Why the last save failed. */
  readonly failure: string | null;
  /** The other version, when it was changed elsewhere. */
  readonly other: StoredDocument<T> | null;
}

/** Changes a document as it is when called; edits of one gesture are one step to undo. Stays the same function. */
export type EditOf<T> = (change: (present: T) => T, gesture?: string) => void;

/** State and actions of the one document of its kind that is open: edits with undo, and how they come to be saved. */
export function documentSlice<T>(name: string) {
  type State = OpenDocument<T> | null;
  const waiting = (state: OpenDocument<T>): SaveState => (state.save === 'conflict' ? 'conflict' : 'waiting');
  /** Reduces the state itself: spreading a draft of it would draft every document of the past, in every frame of a drag. */
  const open =
    <P>(reduce: (state: OpenDocument<T>, payload: P) => State) =>
    (drafted: unknown, { payload }: PayloadAction<P>): never => {
      const state = drafted === null ? null : (original(drafted) as OpenDocument<T>);
      return (state && reduce(state, payload)) as never;
    };
  return createSlice({
    name,
    initialState: null as State,
    reducers: {
      opened: (_state, { payload: { kept: stored, draft } }: PayloadAction<{ kept: StoredDocument<T>; draft: T | null }>) =>
        ({
          id: stored.id,
          baseVersion: stored.version,
          base: stored.content,
          present: draft ?? stored.content,
          past: draft ? [stored.content] : [],
          future: [],
          gesture: null,
          save: draft ? 'waiting' : 'saved',
          failure: null,
          other: null,
        }) as never,
      edited: open<{ content: T; gesture: string | null }>((state, { content, gesture }) => {
        const continues = gesture !== null && gesture === state.gesture;
        const past = continues ? state.past : [...state.past, state.present];
        return { ...state, present: content, past, future: [], gesture, save: waiting(state) };
      }),
      undone: open<void>((state) => {
        if (state.past.length === 0) return state;
        const [past, present] = [state.past.slice(0, -1), state.past.at(-1)!];
        return { ...state, past, present, future: [state.present, ...state.future], gesture: null, save: waiting(state) };
      }),
      redone: open<void>((state) => {
        const [present, ...future] = state.future;
        if (present === undefined) return state;
        return { ...state, past: [...state.past, state.present], present, future, gesture: null, save: waiting(state) };
      }),
      saveStarted: open<void>((state) => ({ ...state, save: 'saving' })),
      saveLanded: open<{ stored: StoredDocument<T>; sent: T }>((state, { stored: kept, sent }) =>
        state.id === kept.id ? { ...state, baseVersion: kept.version, base: sent, failure: null } : state,
      ),
      saveSettled: open<void>((state) => ({ ...state, save: 'saved' })),
      saveFailed: open<string>((state, failure) => ({ ...state, save: 'failing', failure })),
      saveRefused: open<string>((state, failure) => ({ ...state, save: 'refused', failure })),
      /** Both changes stand where they are of different values, in what can be undone too; else one has to be chosen. */
      changedElsewhere: open<StoredDocument<T>>((state, other) => {
        if (state.id !== other.id) return state;
        const { merged, conflicts } = threeWay(state.base, state.present, other.content);
        if (conflicts.length > 0) return { ...state, save: 'conflict', other };
        const onOther = (content: T): T => threeWay(state.base, content, other.content).merged;
        return {
          ...state,
          baseVersion: other.version,
          base: other.content,
          present: merged,
          past: state.past.map(onOther),
          future: state.future.map(onOther),
          save: 'waiting',
          other: null,
        };
      }),
      /** What was left unsaved here grew from an older version, which is not known any more: one of the two has to be chosen. */
      foundOlder: open<StoredDocument<T>>((state, other) => (state.id === other.id ? { ...state, save: 'conflict', other } : state)),
      /** Mine stands: it will be saved over the other version. */
      mineChosen: open<void>((state) =>
        state.other ? { ...state, baseVersion: state.other.version, base: state.other.content, other: null, save: 'waiting' } : state,
      ),
      closed: () => null,
    },
  });
}

export type DocumentSlice<T> = ReturnType<typeof documentSlice<T>>;

import { createSlice, original, type Draft, type PayloadAction } from '@reduxjs/toolkit';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { StoredCar } from '../app/api.ts';

/** How the present design stands to what the server keeps. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'failing' | 'conflict';

export interface DesignState {
  readonly carId: string;
  /** The version on the server the present design grew from, and the design it holds. */
  readonly baseVersion: number;
  readonly base: CarDesign;
  readonly present: CarDesign;
  readonly past: readonly CarDesign[];
  readonly future: readonly CarDesign[];
  /** The gesture the last edit belonged to: one drag of a slider is one step to undo. */
  readonly gesture: string | null;
  readonly save: SaveState;
  /** Why the last save failed. */
  readonly failure: string | null;
  /** The other version, when the car was changed elsewhere. */
  readonly other: StoredCar | null;
}

/** Changes the design as it stands when called; edits of one gesture are one step to undo. Stays the same function. */
export type Edit = (change: (design: CarDesign) => CarDesign, gesture?: string) => void;

const waiting = (state: DesignState): SaveState => (state.save === 'conflict' ? 'conflict' : 'waiting');

/** The state itself: spreading a draft of it would draft every design of the past, in every frame of a drag. */
const plain = (drafted: Draft<DesignState> | null): DesignState | null => drafted && (original(drafted) as DesignState);

const design = createSlice({
  name: 'design',
  initialState: null as DesignState | null,
  reducers: {
    carOpened: (_state, { payload: { car, draft } }: PayloadAction<{ car: StoredCar; draft: CarDesign | null }>): DesignState => ({
      carId: car.id,
      baseVersion: car.version,
      base: car.design,
      present: draft ?? car.design,
      past: draft ? [car.design] : [],
      future: [],
      gesture: null,
      save: draft ? 'waiting' : 'saved',
      failure: null,
      other: null,
    }),
    edited: (drafted, { payload: { design: present, gesture } }: PayloadAction<{ design: CarDesign; gesture: string | null }>) => {
      const state = plain(drafted);
      if (!state) return drafted;
      const continues = gesture !== null && gesture === state.gesture;
      const past = continues ? state.past : [...state.past, state.present];
      return { ...state, present, past, future: [], gesture, save: waiting(state) };
    },
    undone: (drafted) => {
      const state = plain(drafted);
      if (!state || state.past.length === 0) return drafted;
      const [past, present] = [state.past.slice(0, -1), state.past.at(-1)!];
      return { ...state, past, present, future: [state.present, ...state.future], gesture: null, save: waiting(state) };
    },
    redone: (drafted) => {
      const state = plain(drafted);
      if (!state || state.future.length === 0) return drafted;
      const [present, ...future] = state.future;
      return { ...state, past: [...state.past, state.present], present: present!, future, gesture: null, save: waiting(state) };
    },
    saveStarted: (state) => state && { ...state, save: 'saving' as const },
    saveLanded: (state, { payload }: PayloadAction<{ car: StoredCar; sent: CarDesign }>) => {
      if (!state || state.carId !== payload.car.id) return state;
      return { ...state, baseVersion: payload.car.version, base: payload.sent, failure: null };
    },
    saveSettled: (state) => state && { ...state, save: 'saved' as const },
    saveFailed: (state, { payload }: PayloadAction<string>) => state && { ...state, save: 'failing' as const, failure: payload },
    changedElsewhere: (state, { payload }: PayloadAction<StoredCar>) =>
      state && state.carId === payload.id ? { ...state, save: 'conflict' as const, other: payload } : state,
    /** Mine stands: it will be saved over the other version, which the server keeps in its history. */
    mineChosen: (state) =>
      state?.other
        ? { ...state, baseVersion: state.other.version, base: state.other.design, other: null, save: 'waiting' as const }
        : state,
    carClosed: () => null,
  },
});

export const {
  carOpened,
  edited,
  undone,
  redone,
  saveStarted,
  saveLanded,
  saveSettled,
  saveFailed,
  changedElsewhere,
  mineChosen,
  carClosed,
} = design.actions;
export const designReducer = design.reducer;

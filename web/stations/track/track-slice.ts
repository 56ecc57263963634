import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { RunRecord } from '../../../core/car/car-design.ts';

export type SeenThing = RunRecord['seen'][number];

/** What stands in the run form, as typed. Kept in the browser until the run is logged. */
export interface TrackForm {
  /** The run being corrected, with its version; null for a new one. */
  readonly correcting: { readonly id: string; readonly version: number } | null;
  readonly wind: 'full' | 'turns';
  readonly turns: string;
  readonly outcome: 'stopped' | 'hit-wall';
  readonly distance: string;
  readonly time: string;
  readonly seen: readonly SeenThing[];
  readonly note: string;
}

export const emptyForm: TrackForm = {
  correcting: null,
  wind: 'full',
  turns: '',
  outcome: 'stopped',
  distance: '',
  time: '',
  seen: [],
  note: '',
};

type Forms = Readonly<Record<string, TrackForm>>;
const KEY = 'track-forms';

function stored(): Forms {
  try {
    const forms = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, Partial<TrackForm>>;
    return Object.fromEntries(Object.entries(forms).map(([carId, form]) => [carId, { ...emptyForm, ...form }]));
  } catch {
    return {};
  }
}

const track = createSlice({
  name: 'track',
  initialState: stored,
  reducers: {
    formChanged: (state, { payload: { carId, change } }: PayloadAction<{ carId: string; change: Partial<TrackForm> }>) => ({
      ...state,
      [carId]: { ...(state[carId] ?? emptyForm), ...change },
    }),
    /** After a run the wind stays as it was: the next run is most often wound alike. */
    formCleared: (state, { payload: carId }: PayloadAction<string>) => {
      const { wind, turns } = state[carId] ?? emptyForm;
      return { ...state, [carId]: { ...emptyForm, wind, turns } };
    },
  },
});

export const keepTrackForms = (forms: Forms): void => localStorage.setItem(KEY, JSON.stringify(forms));
export const { formChanged, formCleared } = track.actions;
export const trackReducer = track.reducer;

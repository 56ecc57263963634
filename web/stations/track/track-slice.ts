import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { CarDesign, RunRecord } from '../../../core/car/car-design.ts';
import type { UnitSystem } from '../../../core/units/quantity.ts';
import { readLocalStorage } from '../../ui/use-local-storage.ts';
import { spaceStorage } from '../../ui/space.ts';

export type SeenThing = RunRecord['seen'][number];
export type Split = NonNullable<RunRecord['splits']>[number];

export type Stage = 'before' | 'wind' | 'go' | 'write';

/** What is in the run form, as typed. Stored in the browser until the run is logged. */
export interface TrackForm {
  /** The run being corrected, with its version; null for a new one. */
  readonly correcting: { readonly id: string; readonly version: number } | null;
  /** Units that were shown when it was typed; not told where nothing was. */
  readonly units?: UnitSystem;
  /** The stage that is open, and turns counted so far. */
  readonly stage: Stage;
  /** Whether all of the list before it was ticked. */
  readonly isChecked: boolean;
  readonly counted: number;
  /** `tight`: by feel, on a car whose full winding is counted. */
  readonly wind: 'full' | 'turns' | 'tight';
  readonly turns: string;
  readonly stretched: boolean;
  readonly direction: '' | 'out' | 'back';
  readonly outcome: 'stopped' | 'hit-wall' | 'did-not-start';
  /** Of a run that would have gone further: what ended it. */
  readonly endedBy: 'wall' | 'mark' | 'side';
  readonly measuredBy: 'tape' | 'marks' | 'from-wall';
  /** Whole marks or tiles passed, where these are counted; the distance is then what is beyond the last. */
  readonly marks: string;
  readonly distance: string;
  readonly time: string;
  readonly splits: readonly Split[];
  /** What a film told besides its times; null where they are from elsewhere. */
  readonly film: NonNullable<RunRecord['film']> | null;
  readonly drift: string;
  readonly driftSide: 'left' | 'right';
  readonly spunFor: string;
  /** Turns still wound where something stopped it. */
  readonly turnsLeft: string;
  /** A floor on which it goes further, or less far, than in this run; empty if left out. */
  readonly elsewhere: '' | CarDesign['floor']['kind'];
  readonly goes: 'further' | 'less-far';
  /** The floor it ran on, by the key of a choice; empty for that of the session, the car or its brief. */
  readonly floor: string;
  /** What it carried; empty for what the car or its brief says. */
  readonly load: string;
  readonly inOnePiece: '' | 'yes' | 'no';
  readonly seen: readonly SeenThing[];
  readonly note: string;
  /** Its picture, by id. */
  readonly photo: string | null;
}

export const emptyForm: TrackForm = {
  correcting: null,
  stage: 'write',
  isChecked: false,
  counted: 0,
  wind: 'full',
  turns: '',
  stretched: false,
  direction: '',
  outcome: 'stopped',
  endedBy: 'wall',
  measuredBy: 'tape',
  marks: '',
  distance: '',
  time: '',
  splits: [],
  film: null,
  drift: '',
  driftSide: 'left',
  spunFor: '',
  turnsLeft: '',
  elsewhere: '',
  goes: 'further',
  floor: '',
  load: '',
  inOnePiece: '',
  seen: [],
  note: '',
  photo: null,
};

type Forms = Readonly<Record<string, TrackForm>>;
const KEY = 'track-forms';

function stored(): Forms {
  const forms = readLocalStorage<Record<string, Partial<TrackForm>>>(KEY, {});
  return Object.fromEntries(Object.entries(forms).map(([carId, form]) => [carId, { ...emptyForm, ...form }]));
}

const track = createSlice({
  name: 'track',
  initialState: stored,
  reducers: {
    formChanged: (state, { payload: { carId, change } }: PayloadAction<{ carId: string; change: Partial<TrackForm> }>) => ({
      ...state,
      [carId]: { ...(state[carId] ?? emptyForm), ...change },
    }),
    /** After a run, how it is wound and measured stays as it was: the next run is most often made alike. */
    formCleared: (state, { payload: carId }: PayloadAction<string>) => {
      const { wind, turns, stretched, measuredBy, direction, load, floor } = state[carId] ?? emptyForm;
      // Out and back take turns.
      const next = direction === 'out' ? 'back' : direction === 'back' ? 'out' : '';
      return { ...state, [carId]: { ...emptyForm, wind, turns, stretched, measuredBy, load, floor, direction: next } };
    },
  },
});

export const storeTrackForms = (forms: Forms): void => spaceStorage.setItem(KEY, JSON.stringify(forms));
export const { formChanged, formCleared } = track.actions;
export const trackReducer = track.reducer;

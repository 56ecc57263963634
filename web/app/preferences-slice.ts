import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { UnitSystem } from '../../core/units/quantity.ts';
import { readLocalStorage } from '../ui/use-local-storage.ts';
import { spaceStorage } from '../ui/space.ts';

const KEY = 'preferences';

interface Preferences {
  readonly units: UnitSystem;
  /** The car last opened, to which the rail leads back. */
  readonly lastCar: string | null;
  /** The session that runs are logged in; null for none. */
  readonly session: string | null;
  /** Whether the list before a run is asked. */
  readonly asksBefore: boolean;
}

function stored(): Preferences {
  const value = readLocalStorage<Partial<Preferences>>(KEY, {});
  const textOf = (text: unknown): string | null => (typeof text === 'string' ? text : null);
  return {
    units: value.units === 'inch' ? 'inch' : 'metric',
    lastCar: textOf(value.lastCar),
    session: textOf(value.session),
    asksBefore: value.asksBefore !== false,
  };
}

const preferences = createSlice({
  name: 'preferences',
  initialState: stored,
  reducers: {
    unitsChosen: (state, { payload }: PayloadAction<UnitSystem>) => ({ ...state, units: payload }),
    sessionChosen: (state, { payload }: PayloadAction<string | null>) => ({ ...state, session: payload }),
    listSwitched: (state, { payload }: PayloadAction<boolean>) => ({ ...state, asksBefore: payload }),
    carVisited: (state, { payload }: PayloadAction<string | null>) => ({ ...state, lastCar: payload }),
  },
});

export const storePreferences = (value: Preferences): void => spaceStorage.setItem(KEY, JSON.stringify(value));
export const { unitsChosen, carVisited, sessionChosen, listSwitched } = preferences.actions;
export const preferencesReducer = preferences.reducer;

import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { UnitSystem } from '../../core/units/quantity.ts';

const KEY = 'preferences';

interface Preferences {
  readonly units: UnitSystem;
  /** The car last opened, to which the rail leads back. */
  readonly lastCar: string | null;
}

function stored(): Preferences {
  try {
    const value = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Preferences>;
    return { units: value.units === 'inch' ? 'inch' : 'metric', lastCar: typeof value.lastCar === 'string' ? value.lastCar : null };
  } catch {
    return { units: 'metric', lastCar: null };
  }
}

const preferences = createSlice({
  name: 'preferences',
  initialState: stored,
  reducers: {
    unitsChosen: (state, { payload }: PayloadAction<UnitSystem>) => ({ ...state, units: payload }),
    carVisited: (state, { payload }: PayloadAction<string | null>) => ({ ...state, lastCar: payload }),
  },
});

export const keepPreferences = (value: Preferences): void => localStorage.setItem(KEY, JSON.stringify(value));
export const { unitsChosen, carVisited } = preferences.actions;
export const preferencesReducer = preferences.reducer;

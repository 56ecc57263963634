import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { briefAutosave } from '../open-brief/brief-document.ts';
import { briefSlice } from '../open-brief/brief-slice.ts';
import { carAutosave } from '../open-car/car-document.ts';
import { designSlice } from '../open-car/design-slice.ts';
import { storeTrackForms, trackReducer } from '../stations/track/track-slice.ts';
import { baseApi } from './api/base-api.ts';
import { joinAgain } from './join-again.ts';
import { storePreferences, preferencesReducer } from './preferences-slice.ts';
import { toastsReducer } from './toasts-slice.ts';

const reducer = combineReducers({
  [baseApi.reducerPath]: baseApi.reducer,
  brief: briefSlice.reducer,
  design: designSlice.reducer,
  preferences: preferencesReducer,
  toasts: toastsReducer,
  track: trackReducer,
});

export type RootState = ReturnType<typeof reducer>;

export function makeStore() {
  const store = configureStore({
    reducer,
    middleware: (defaults) => defaults().prepend(carAutosave.middleware, briefAutosave.middleware).concat(baseApi.middleware, joinAgain),
  });
  let previous = store.getState();
  store.subscribe(() => {
    const state = store.getState();
    if (state.preferences !== previous.preferences) storePreferences(state.preferences);
    if (state.track !== previous.track) storeTrackForms(state.track);
    previous = state;
  });
  return store;
}

export type AppStore = ReturnType<typeof makeStore>;
export type AppDispatch = AppStore['dispatch'];
export const useAppDispatch = useDispatch.withTypes<AppStore['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();

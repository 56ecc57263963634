import { useEffect } from 'react';
import { useStore } from 'react-redux';
import type { CarDesign } from '../../core/car/car-design.ts';
import { api, type StoredCar } from '../app/api.ts';
import { carVisited } from '../app/preferences-slice.ts';
import { useAppDispatch, useAppSelector, type AppStore } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { flush, onSavedElsewhere } from './autosave.ts';
import { carOpened, changedElsewhere } from './design-slice.ts';
import { dropDraft } from './drafts.ts';
import { findDraft } from './find-draft.ts';
import { openedAs } from './opened-as.ts';

/** Opens a car with what was left unsaved in this browser; a draft grown from an older version is a conflict to be settled. */
async function openCar(store: AppStore, carId: string): Promise<void> {
  const { dispatch, getState } = store;
  await flush(getState, dispatch);
  const { data: car } = await dispatch(api.endpoints.getCar.initiate(carId, { forceRefetch: true, subscribe: false }));
  if (!car) return;
  const { draft, isConflict } = openedAs(car, await findDraft(carId));
  if (!draft) dropDraft(carId);
  dispatch(carOpened({ car, draft }));
  if (isConflict) dispatch(changedElsewhere(car));
  dispatch(carVisited(carId));
}

/** The design as it stands, once its car is open. */
export const useOpenDesign = (carId: string): CarDesign | null =>
  useAppSelector((state) => (state.design?.carId === carId ? state.design.present : null));

/** Opens a car, and follows what other tabs save of it. What it answers stays the same while the car is edited. */
export function useOpenCar(carId: string): { isOpen: boolean; missing: boolean; error: unknown } {
  const store = useStore() as AppStore;
  const dispatch = useAppDispatch();
  const isOpen = useAppSelector((state) => state.design?.carId === carId);
  const { error } = api.endpoints.getCar.useQueryState(carId);

  useEffect(() => {
    if (!isOpen) void openCar(store, carId);
  }, [store, carId, isOpen]);

  useEffect(
    () =>
      onSavedElsewhere(async (saved) => {
        if (saved !== carId) return;
        const { data: car } = await dispatch(api.endpoints.getCar.initiate(carId, { forceRefetch: true, subscribe: false }));
        const mine = store.getState().design;
        if (!car || !mine || mine.carId !== carId || car.version === mine.baseVersion) return;
        if (mine.present !== mine.base) return void dispatch(changedElsewhere(car satisfies StoredCar));
        dispatch(carOpened({ car, draft: null }));
        dispatch(toasted('This car was changed in another tab; you see the newest version'));
      }),
    [store, dispatch, carId],
  );
  return { isOpen, missing: !isOpen && (error as { status?: unknown } | undefined)?.status === 404, error: isOpen ? null : error };
}

import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { storedDesign, type CarDesign } from '../../core/car/car-design.ts';
import { carsApi } from '../app/api/cars-api.ts';
import { documentsApi } from '../app/api/documents-api.ts';
import { carVisited } from '../app/preferences-slice.ts';
import { useAppDispatch, useAppSelector, type AppStore } from '../app/store.ts';
import { useOpenDocument } from '../open-document/use-open-document.ts';
import { openDesign } from './design-with-brief.ts';
import { CAR } from './car-document.ts';
import { designSlice, type Edit } from './design-slice.ts';

/** The design as it is and as its brief asks, once its car is open. */
export const useOpenDesign = (carId: string): CarDesign | null =>
  useAppSelector((state) => (state.design?.id === carId ? openDesign(state) : null));

/** Changes the design that is open. */
export function useEditCar(): Edit {
  const store = useStore() as AppStore;
  return useCallback(
    (change, gesture) => {
      const present = openDesign(store.getState());
      if (present) store.dispatch(designSlice.actions.edited({ content: storedDesign(change(present)), gesture: gesture ?? null }));
    },
    [store],
  );
}

/** Opens a car, and follows what other tabs save of it. What it answers stays the same while the car is edited. */
export function useOpenCar(carId: string): { isOpen: boolean; missing: boolean; error: unknown } {
  const dispatch = useAppDispatch();
  const isOpen = useAppSelector((state) => state.design?.id === carId);
  // Its goal comes with the briefs: a car is not shown before, so as not to be shown by another yardstick first.
  const isAsked = useAppSelector((state) => {
    const { data, isError } = documentsApi.endpoints.listBriefs.select()(state);
    return data !== undefined || isError;
  });
  const { error } = carsApi.endpoints.getCar.useQueryState(carId);
  useOpenDocument(
    CAR,
    carId,
    isOpen,
    useCallback(() => void dispatch(carVisited(carId)), [dispatch, carId]),
  );
  return {
    isOpen: isOpen && isAsked,
    missing: !isOpen && (error as { status?: unknown } | undefined)?.status === 404,
    error: isOpen ? null : error,
  };
}

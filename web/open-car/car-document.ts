import type { CarDesign } from '../../core/car/car-design.ts';
import { carsApi } from '../app/api/cars-api.ts';
import { isGone } from '../app/api/problem.ts';
import { autosaveOf } from '../open-document/autosave.ts';
import type { DocumentKind } from '../open-document/document-kind.ts';
import { designSlice, storedCarOf, openDesignOf } from './design-slice.ts';

export const carAutosave = autosaveOf<CarDesign>({
  slice: designSlice,
  openOf: openDesignOf,
  send: (dispatch, write) => dispatch(carsApi.endpoints.saveCar.initiate(write)),
  storedOf: storedCarOf,
});

/** How a car is opened, followed and saved. */
export const CAR: DocumentKind<CarDesign> = {
  what: 'car',
  slice: designSlice,
  openOf: openDesignOf,
  autosave: carAutosave,
  reader: async () => (await import('../../core/files/read.ts')).readCarDesign,
  fetch: async (dispatch, id) => {
    const { data, error } = await dispatch(carsApi.endpoints.getCar.initiate(id, { forceRefetch: true, subscribe: false }));
    if (data) return storedCarOf(data);
    // Without the program: as it was last listed.
    const listed = isGone(error) && (await dispatch(carsApi.endpoints.listCars.initiate(undefined, { subscribe: false }))).data;
    const car = listed && listed.readable.find((one) => one.id === id);
    return car ? storedCarOf(car) : null;
  },
};

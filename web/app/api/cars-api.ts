import type { CarDesign } from '../../../core/car/car-design.ts';
import type { ListedCar, StoredCar, EarlierDesign } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';
import { listing, removing, restoring } from './resource-endpoints.ts';

/** Requests for cars. */
export const carsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listCars: listing<'car', ListedCar>(build, 'car'),
    getCar: build.query<StoredCar, string>({ query: (id) => `/cars/${id}` }),
    saveCar: build.mutation<StoredCar, { readonly id: string; readonly baseVersion: number; readonly content: CarDesign }>({
      query: ({ id, baseVersion, content }) => ({ url: `/cars/${id}`, method: 'PUT', body: { baseVersion, design: content } }),
      invalidatesTags: (_car, error, { baseVersion }) => (error || baseVersion > 0 ? [] : ['cars']),
      // An edit of a car that is listed changes it there: the list is not read again for each.
      onQueryStarted: async ({ baseVersion }, { dispatch, queryFulfilled }) => {
        const { data: saved } = await queryFulfilled.catch(() => ({ data: null }));
        if (saved === null || baseVersion === 0) return;
        dispatch(
          carsApi.util.updateQueryData('listCars', undefined, ({ readable, unreadable }) => ({
            readable: readable.map((car) => (car.id === saved.id ? { ...car, ...saved } : car)),
            unreadable,
          })),
        );
      },
    }),
    removeCar: removing(build, 'car'),
    restoreCar: restoring(build, 'car'),
    /** Designs that later saves replaced, from before a version on. */
    listEarlier: build.query<EarlierDesign[], { readonly carId: string; readonly before: number; readonly limit: number }>({
      query: ({ carId, before, limit }) => `/cars/${carId}/history?before=${before}&limit=${limit}`,
    }),
  }),
});

export const { useListCarsQuery, useGetCarQuery, useSaveCarMutation, useRemoveCarMutation, useListEarlierQuery } = carsApi;

import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { CarDesign, CarVersion, RunRecord } from '../../core/design/car-design.ts';
import type { Fault } from '../../core/fault.ts';
import type { OwnPart } from '../../core/design/parts.ts';
import type { ListedCar, StoredCar, StoredPart, StoredRun, StoredVersion } from '../../core/files/stored.ts';

export type { ListedCar, StoredCar, StoredPart, StoredRun, StoredVersion };

/** The body of an error answer, RFC 9457. */
export interface Problem {
  readonly title: string;
  readonly detail?: string;
  readonly faults?: readonly Fault[];
  readonly current?: unknown;
}

/** What went wrong, for the one who waits: the server's words, or that it cannot be reached. */
export function problemOf(error: unknown): Problem {
  const answer = error as { status?: unknown; data?: unknown };
  if (typeof answer.status === 'number' && typeof answer.data === 'object' && answer.data !== null) return answer.data as Problem;
  return { title: 'The program cannot be reached', detail: 'What you typed is kept here. Is it still running?' };
}

/** One line for a message. */
export const problemLine = (error: unknown): string => {
  const { title, detail, faults } = problemOf(error);
  const reasons = faults?.map(({ path, message }) => `${path} ${message}`).join('; ') ?? detail;
  return reasons ? `${title}: ${reasons}` : title;
};

interface Write<T> {
  readonly id: string;
  /** The version it was based on, 0 for a new one. */
  readonly baseVersion: number;
  readonly content: T;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['cars', 'runs', 'versions', 'parts'],
  endpoints: (build) => ({
    listCars: build.query<ListedCar[], void>({ query: () => '/cars', providesTags: ['cars'] }),
    getCar: build.query<StoredCar, string>({ query: (id) => `/cars/${id}` }),
    saveCar: build.mutation<StoredCar, Write<CarDesign>>({
      query: ({ id, baseVersion, content }) => ({ url: `/cars/${id}`, method: 'PUT', body: { baseVersion, design: content } }),
      invalidatesTags: ['cars'],
    }),
    removeCar: build.mutation<void, string>({ query: (id) => ({ url: `/cars/${id}`, method: 'DELETE' }), invalidatesTags: ['cars'] }),
    restoreCar: build.mutation<void, string>({
      query: (id) => ({ url: `/cars/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['cars'],
    }),
    listRuns: build.query<StoredRun[], string>({ query: (carId) => `/cars/${carId}/runs`, providesTags: ['runs'] }),
    saveRun: build.mutation<StoredRun, Write<RunRecord> & { readonly carId: string }>({
      query: ({ carId, id, baseVersion, content }) => ({
        url: `/cars/${carId}/runs/${id}`,
        method: 'PUT',
        body: { baseVersion, record: content },
      }),
      invalidatesTags: ['runs', 'cars'],
    }),
    removeRun: build.mutation<void, { readonly carId: string; readonly id: string }>({
      query: ({ carId, id }) => ({ url: `/cars/${carId}/runs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['runs', 'cars'],
    }),
    listVersions: build.query<StoredVersion[], string>({ query: (carId) => `/cars/${carId}/versions`, providesTags: ['versions'] }),
    saveVersion: build.mutation<StoredVersion, Write<CarVersion> & { readonly carId: string }>({
      query: ({ carId, id, baseVersion, content }) => ({
        url: `/cars/${carId}/versions/${id}`,
        method: 'PUT',
        body: { baseVersion, record: content },
      }),
      invalidatesTags: ['versions'],
    }),
    listParts: build.query<StoredPart[], void>({ query: () => '/parts', providesTags: ['parts'] }),
    savePart: build.mutation<StoredPart, Write<OwnPart>>({
      query: ({ id, baseVersion, content }) => ({ url: `/parts/${id}`, method: 'PUT', body: { baseVersion, part: content } }),
      invalidatesTags: ['parts'],
    }),
    removePart: build.mutation<void, string>({ query: (id) => ({ url: `/parts/${id}`, method: 'DELETE' }), invalidatesTags: ['parts'] }),
    restorePart: build.mutation<void, string>({
      query: (id) => ({ url: `/parts/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['parts'],
    }),
    restoreRun: build.mutation<void, { readonly carId: string; readonly id: string }>({
      query: ({ carId, id }) => ({ url: `/cars/${carId}/runs/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['runs', 'cars'],
    }),
  }),
});

export const {
  useListCarsQuery,
  useGetCarQuery,
  useSaveCarMutation,
  useRemoveCarMutation,
  useListPartsQuery,
  useSavePartMutation,
  useRemovePartMutation,
  useRestorePartMutation,
  useListRunsQuery,
  useListVersionsQuery,
  useSaveVersionMutation,
  useSaveRunMutation,
  useRemoveRunMutation,
} = api;

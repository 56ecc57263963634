import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { CarDesign, CarVersion, RunRecord } from '../../core/car/car-design.ts';
import type { ToldFault } from '../../core/fault-words.ts';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import {
  isReadable,
  type ArchiveReport,
  type EarlierDesign,
  type Kept,
  type Listed,
  type ListedCar,
  type Removed,
  type RunPage,
  type RunTallies,
  type StoredCar,
  type StoredPart,
  type StoredRun,
  type StoredVersion,
  type Unreadable,
} from '../../core/schema/stored.ts';

export type { ListedCar, StoredCar, StoredPart, StoredRun, StoredVersion };

/** A list, with what of it cannot be read any more set apart. */
export interface Sorted<T> {
  readonly readable: readonly T[];
  readonly unreadable: readonly Unreadable[];
}
const sorted = <T extends Kept>(listed: readonly Listed<T>[]): Sorted<T> => ({
  readable: listed.filter((item): item is T => isReadable<T>(item)),
  unreadable: listed.filter((item): item is Unreadable => !isReadable<T>(item)),
});

/** The body of an error answer, RFC 9457. */
export interface Problem {
  readonly title: string;
  readonly detail?: string;
  readonly faults?: readonly ToldFault[];
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

/** Runs of a car that were made with one of these designs and wound so; all of them without. */
export interface RunFilter {
  readonly designs: readonly string[];
  readonly wind: 'full' | number;
}

/** Runs on one page of the list. */
export const RUNS_ON_A_PAGE = 100;

const runsAddress = (carId: string, filter: RunFilter | null, page: number): string => {
  const query = new URLSearchParams({ offset: String(page * RUNS_ON_A_PAGE), limit: String(RUNS_ON_A_PAGE) });
  if (filter) {
    query.set('designs', filter.designs.join(','));
    query.set('wind', String(filter.wind));
  }
  return `/cars/${carId}/runs?${query.toString()}`;
};

/** One thing kept below a car. */
interface OfCar {
  readonly carId: string;
  readonly id: string;
}

/** An archive to look into, or to take from: what is new, and what is named. */
export interface ArchiveOpening {
  readonly file: File;
  readonly take: { readonly replace: readonly string[] | 'all'; readonly restore: readonly string[] | 'all' } | null;
}
const named = (ids: readonly string[] | 'all'): string => (ids === 'all' ? 'all' : ids.join(','));

interface Write<T> {
  readonly id: string;
  /** The version it was based on, 0 for a new one. */
  readonly baseVersion: number;
  readonly content: T;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['cars', 'runs', 'versions', 'parts', 'removed'],
  endpoints: (build) => ({
    listCars: build.query<Sorted<ListedCar>, void>({ query: () => '/cars', transformResponse: sorted<ListedCar>, providesTags: ['cars'] }),
    getCar: build.query<StoredCar, string>({ query: (id) => `/cars/${id}` }),
    saveCar: build.mutation<StoredCar, Write<CarDesign>>({
      query: ({ id, baseVersion, content }) => ({ url: `/cars/${id}`, method: 'PUT', body: { baseVersion, design: content } }),
      invalidatesTags: ['cars'],
    }),
    /** Designs that later saves replaced, from before a version on. */
    listEarlier: build.query<EarlierDesign[], { readonly carId: string; readonly before: number; readonly limit: number }>({
      query: ({ carId, before, limit }) => `/cars/${carId}/history?before=${before}&limit=${limit}`,
    }),
    removeCar: build.mutation<void, string>({
      query: (id) => ({ url: `/cars/${id}`, method: 'DELETE' }),
      invalidatesTags: ['cars', 'removed'],
    }),
    restoreCar: build.mutation<void, string>({
      query: (id) => ({ url: `/cars/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['cars', 'removed'],
    }),
    listRuns: build.query<RunPage, { readonly carId: string; readonly filter: RunFilter | null; readonly page: number }>({
      query: ({ carId, filter, page }) => runsAddress(carId, filter, page),
      providesTags: ['runs'],
    }),
    tallyRuns: build.query<RunTallies, string>({ query: (carId) => `/cars/${carId}/runs/tallies`, providesTags: ['runs'] }),
    getRun: build.query<StoredRun, OfCar>({ query: ({ carId, id }) => `/cars/${carId}/runs/${id}`, providesTags: ['runs'] }),
    saveRun: build.mutation<StoredRun, Write<RunRecord> & { readonly carId: string }>({
      query: ({ carId, id, baseVersion, content }) => ({
        url: `/cars/${carId}/runs/${id}`,
        method: 'PUT',
        body: { baseVersion, record: content },
      }),
      invalidatesTags: ['runs', 'cars'],
    }),
    removeRun: build.mutation<void, OfCar>({
      query: ({ carId, id }) => ({ url: `/cars/${carId}/runs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['runs', 'cars', 'removed'],
    }),
    listVersions: build.query<Sorted<StoredVersion>, string>({
      query: (carId) => `/cars/${carId}/versions`,
      transformResponse: sorted<StoredVersion>,
      providesTags: ['versions'],
    }),
    removeVersion: build.mutation<void, OfCar>({
      query: ({ carId, id }) => ({ url: `/cars/${carId}/versions/${id}`, method: 'DELETE' }),
      invalidatesTags: ['versions', 'removed'],
    }),
    restoreVersion: build.mutation<void, OfCar>({
      query: ({ carId, id }) => ({ url: `/cars/${carId}/versions/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['versions', 'removed'],
    }),
    saveVersion: build.mutation<StoredVersion, Write<CarVersion> & { readonly carId: string }>({
      query: ({ carId, id, baseVersion, content }) => ({
        url: `/cars/${carId}/versions/${id}`,
        method: 'PUT',
        body: { baseVersion, record: content },
      }),
      invalidatesTags: ['versions'],
    }),
    listParts: build.query<Sorted<StoredPart>, void>({
      query: () => '/parts',
      transformResponse: sorted<StoredPart>,
      providesTags: ['parts'],
    }),
    savePart: build.mutation<StoredPart, Write<OwnPart>>({
      query: ({ id, baseVersion, content }) => ({ url: `/parts/${id}`, method: 'PUT', body: { baseVersion, part: content } }),
      invalidatesTags: ['parts'],
    }),
    removePart: build.mutation<void, string>({
      query: (id) => ({ url: `/parts/${id}`, method: 'DELETE' }),
      invalidatesTags: ['parts', 'removed'],
    }),
    restorePart: build.mutation<void, string>({
      query: (id) => ({ url: `/parts/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['parts', 'removed'],
    }),
    restoreRun: build.mutation<void, OfCar>({
      query: ({ carId, id }) => ({ url: `/cars/${carId}/runs/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['runs', 'cars', 'removed'],
    }),
    listRemoved: build.query<Removed[], { readonly limit: number }>({
      query: ({ limit }) => `/removed?limit=${limit}`,
      providesTags: ['removed'],
    }),
    openArchive: build.mutation<ArchiveReport, ArchiveOpening>({
      query: ({ file, take }) => ({
        url: take
          ? `/archive?take&${new URLSearchParams({ replace: named(take.replace), restore: named(take.restore) }).toString()}`
          : '/archive',
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: file,
      }),
      invalidatesTags: (_report, _error, { take }) => (take ? ['cars', 'runs', 'versions', 'parts', 'removed'] : []),
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
  useTallyRunsQuery,
  useGetRunQuery,
  useListEarlierQuery,
  useListRemovedQuery,
  useOpenArchiveMutation,
  useListVersionsQuery,
  useRemoveVersionMutation,
  useSaveVersionMutation,
  useSaveRunMutation,
  useRemoveRunMutation,
} = api;

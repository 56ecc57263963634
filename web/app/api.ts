import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { CarDesign, CarVersion, RunRecord } from '../../core/car/car-design.ts';
import type { ToldFault } from '../../core/fault-words.ts';
import type { Brief } from '../../core/schema/generated/brief.ts';
import type { Meet } from '../../core/schema/generated/meet.ts';
import type { MeetResult } from '../../core/schema/generated/meet-result.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import type { Session } from '../../core/schema/generated/session.ts';
import type { Role, SharingState } from '../../core/schema/sharing.ts';
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
  type SessionSums,
  type StoredBrief,
  type StoredCar,
  type StoredMeet,
  type StoredPart,
  type StoredResult,
  type StoredRun,
  type StoredSession,
  type StoredVersion,
  type Unreadable,
} from '../../core/schema/stored.ts';

export type { ListedCar, StoredBrief, StoredCar, StoredMeet, StoredResult, StoredPart, StoredRun, StoredSession, StoredVersion };

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

/** Whether the program gave no answer at all. */
export const isGone = (error: unknown): boolean => typeof (error as { status?: unknown } | undefined)?.status !== 'number';

/** One line for a message. */
export const problemLine = (error: unknown): string => {
  const { title, detail, faults } = problemOf(error);
  const reasons = faults?.map(({ path, message }) => `${path} ${message}`).join('; ') ?? detail;
  return reasons ? `${title}: ${reasons}` : title;
};

/** Runs of a car that were made with one of these designs and wound so, in a session; all of them without. */
export interface RunFilter {
  readonly designs?: readonly string[];
  readonly wind?: 'full' | number;
  readonly session?: string;
  /** As the server names its orders; the newest first without. */
  readonly order?: string;
}

/** Where a picture of a run is shown from. */
export const pictureAddress = (id: string): string => `/api/photos/${id}/picture`;

/** Runs on one page of the list. */
export const RUNS_ON_A_PAGE = 100;

const runsAddress = (carId: string, filter: RunFilter | null, page: number): string => {
  const query = new URLSearchParams({ offset: String(page * RUNS_ON_A_PAGE), limit: String(RUNS_ON_A_PAGE) });
  if (filter?.designs) query.set('designs', filter.designs.join(','));
  if (filter?.wind !== undefined) query.set('wind', String(filter.wind));
  if (filter?.session !== undefined) query.set('session', filter.session);
  if (filter?.order !== undefined) query.set('order', filter.order);
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

/** New runs of a car, made with one design. */
interface AddedRuns {
  readonly carId: string;
  readonly design: CarDesign;
  readonly runs: readonly { readonly id: string; readonly record: Omit<RunRecord, 'design'> }[];
}

interface Write<T> {
  readonly id: string;
  /** The version it was based on, 0 for a new one. */
  readonly baseVersion: number;
  readonly content: T;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['cars', 'runs', 'versions', 'parts', 'briefs', 'sessions', 'meets', 'results', 'sharing', 'removed'],
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
    addRuns: build.mutation<{ readonly stored: number }, AddedRuns>({
      query: ({ carId, ...body }) => ({ url: `/cars/${carId}/runs`, method: 'POST', body }),
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
    listBriefs: build.query<Sorted<StoredBrief>, void>({
      query: () => '/briefs',
      transformResponse: sorted<StoredBrief>,
      providesTags: ['briefs'],
    }),
    getBrief: build.query<StoredBrief, string>({ query: (id) => `/briefs/${id}` }),
    saveBrief: build.mutation<StoredBrief, Write<Brief>>({
      query: ({ id, baseVersion, content }) => ({ url: `/briefs/${id}`, method: 'PUT', body: { baseVersion, brief: content } }),
      invalidatesTags: ['briefs'],
    }),
    removeBrief: build.mutation<void, string>({
      query: (id) => ({ url: `/briefs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['briefs', 'removed'],
    }),
    restoreBrief: build.mutation<void, string>({
      query: (id) => ({ url: `/briefs/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['briefs', 'removed'],
    }),
    listSessions: build.query<Sorted<StoredSession>, void>({
      query: () => '/sessions',
      transformResponse: sorted<StoredSession>,
      providesTags: ['sessions'],
    }),
    saveSession: build.mutation<StoredSession, Write<Session>>({
      query: ({ id, baseVersion, content }) => ({ url: `/sessions/${id}`, method: 'PUT', body: { baseVersion, session: content } }),
      invalidatesTags: ['sessions'],
    }),
    restoreSession: build.mutation<void, string>({
      query: (id) => ({ url: `/sessions/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['sessions', 'removed'],
    }),
    listMeets: build.query<Sorted<StoredMeet>, void>({
      query: () => '/meets',
      transformResponse: sorted<StoredMeet>,
      providesTags: ['meets'],
    }),
    getMeet: build.query<StoredMeet, string>({ query: (id) => `/meets/${id}`, providesTags: ['meets'] }),
    saveMeet: build.mutation<StoredMeet, Write<Meet>>({
      query: ({ id, baseVersion, content }) => ({ url: `/meets/${id}`, method: 'PUT', body: { baseVersion, meet: content } }),
      invalidatesTags: ['meets'],
    }),
    removeMeet: build.mutation<void, string>({
      query: (id) => ({ url: `/meets/${id}`, method: 'DELETE' }),
      invalidatesTags: ['meets', 'removed'],
    }),
    restoreMeet: build.mutation<void, string>({
      query: (id) => ({ url: `/meets/${id}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['meets', 'removed'],
    }),
    listResults: build.query<Sorted<StoredResult>, string>({
      query: (meetId) => `/meets/${meetId}/results`,
      transformResponse: sorted<StoredResult>,
      providesTags: ['results'],
    }),
    saveResult: build.mutation<StoredResult, Write<MeetResult> & { readonly meetId: string }>({
      query: ({ meetId, id, baseVersion, content }) => ({
        url: `/meets/${meetId}/results/${id}`,
        method: 'PUT',
        body: { baseVersion, result: content },
      }),
      invalidatesTags: ['results'],
    }),
    savePhoto: build.mutation<unknown, Write<Photo>>({
      query: ({ id, baseVersion, content }) => ({ url: `/photos/${id}`, method: 'PUT', body: { baseVersion, photo: content } }),
    }),
    sumSessions: build.query<SessionSums[], string>({ query: (carId) => `/cars/${carId}/runs/sessions`, providesTags: ['runs'] }),
    getSharing: build.query<SharingState, void>({ query: () => '/sharing', providesTags: ['sharing'] }),
    beginSharing: build.mutation<SharingState, void>({
      query: () => ({ url: '/sharing', method: 'POST', body: {} }),
      invalidatesTags: ['sharing'],
    }),
    endSharing: build.mutation<SharingState, void>({ query: () => ({ url: '/sharing', method: 'DELETE' }), invalidatesTags: ['sharing'] }),
    /** As what this page joined; the machine that the program runs on is the host. */
    getJoined: build.query<{ readonly role: Role | 'host' }, void>({ query: () => '/joined' }),
    join: build.mutation<void, string>({ query: (code) => ({ url: '/join', method: 'POST', body: { code } }) }),
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
      invalidatesTags: (_report, _error, { take }) =>
        take ? ['cars', 'runs', 'versions', 'parts', 'briefs', 'sessions', 'meets', 'results', 'removed'] : [],
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
  useGetSharingQuery,
  useBeginSharingMutation,
  useEndSharingMutation,
  useGetJoinedQuery,
  useJoinMutation,
  useListBriefsQuery,
  useListSessionsQuery,
  useListMeetsQuery,
  useGetMeetQuery,
  useSaveMeetMutation,
  useRemoveMeetMutation,
  useListResultsQuery,
  useSaveResultMutation,
  useSaveSessionMutation,
  useSaveBriefMutation,
  useRemoveBriefMutation,
  useListRunsQuery,
  useTallyRunsQuery,
  useSumSessionsQuery,
  useGetRunQuery,
  useListEarlierQuery,
  useListRemovedQuery,
  useOpenArchiveMutation,
  useListVersionsQuery,
  useRemoveVersionMutation,
  useSaveVersionMutation,
  useSaveRunMutation,
  useAddRunsMutation,
  useRemoveRunMutation,
} = api;

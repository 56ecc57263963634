import { createApi } from '@reduxjs/toolkit/query/react';
import type { CarDesign, RunRecord } from '../../core/car/car-design.ts';
import type { FaultWithMessage } from '../../core/fault-words.ts';
import type { CrewChoice, Joined, JoinedAs, SharingState } from '../../core/schema/sharing.ts';
import type {
  ArchiveReport,
  EarlierDesign,
  ListedCar,
  ListedMeet,
  Removed,
  ResultPage,
  RunPage,
  RunTallies,
  SessionSums,
  StoredEntry,
  StoredBrief,
  StoredCar,
  StoredMeet,
  StoredPart,
  StoredResult,
  StoredRun,
  StoredSession,
  StoredVersion,
} from '../../core/schema/stored.ts';
import {
  baseQuery,
  getting,
  listing,
  listingHistory,
  listingPages,
  removing,
  restoring,
  saving,
  partitionReadable,
  TAGS,
  type Partitioned,
} from './resource-endpoints.ts';

export type {
  ListedCar,
  Partitioned as Sorted,
  StoredBrief,
  StoredCar,
  StoredEntry,
  StoredMeet,
  StoredResult,
  StoredPart,
  StoredRun,
  StoredSession,
  StoredVersion,
};

/** The body of an error answer, RFC 9457. */
export interface Problem {
  readonly title: string;
  readonly detail?: string;
  readonly faults?: readonly FaultWithMessage[];
  readonly current?: unknown;
}

/** What went wrong, for the one who waits: the server's words, or that it cannot be reached. */
export function problemOf(error: unknown): Problem {
  const answer = error as { status?: unknown; data?: unknown };
  if (typeof answer.status === 'number' && typeof answer.data === 'object' && answer.data !== null) return answer.data as Problem;
  return { title: 'The program cannot be reached', detail: 'What you typed is saved in this browser. Is the program still running?' };
}

/** Whether the program gave no answer at all. */
export const isGone = (error: unknown): boolean => typeof (error as { status?: unknown } | undefined)?.status !== 'number';

/** Answers that will be others later: not joined, too slow, at another address, too early, too many. */
const TRANSIENT: ReadonlySet<number> = new Set([401, 408, 421, 425, 429]);
/** Whether an answer is about what was asked: asked again, it will be no other. */
export const isRefused = (error: unknown): boolean => {
  const { status } = (error ?? {}) as { status?: unknown };
  return typeof status === 'number' && status >= 400 && status < 500 && !TRANSIENT.has(status);
};

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

/** Results that one answer brings. */
const RESULTS_ON_A_PAGE = 500;

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: TAGS,
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
          api.util.updateQueryData('listCars', undefined, ({ readable, unreadable }) => ({
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
    listRuns: build.query<RunPage, { readonly carId: string; readonly filter: RunFilter | null; readonly page: number }>({
      query: ({ carId, filter, page }) => runsAddress(carId, filter, page),
      providesTags: ['runs'],
    }),
    tallyRuns: build.query<RunTallies, string>({ query: (carId) => `/cars/${carId}/runs/tallies`, providesTags: ['runs'] }),
    sumSessions: build.query<SessionSums[], string>({ query: (carId) => `/cars/${carId}/runs/sessions`, providesTags: ['runs'] }),
    getRun: getting(build, 'run'),
    runHistory: listingHistory(build, 'run'),
    saveRun: saving(build, 'run'),
    addRuns: build.mutation<{ readonly stored: number }, AddedRuns>({
      query: ({ carId, ...body }) => ({ url: `/cars/${carId}/runs`, method: 'POST', body }),
      invalidatesTags: ['runs', 'cars'],
    }),
    removeRun: removing(build, 'run'),
    restoreRun: restoring(build, 'run'),
    listVersions: build.query<Partitioned<StoredVersion>, string>({
      query: (carId) => `/cars/${carId}/versions`,
      transformResponse: partitionReadable<StoredVersion>,
      providesTags: ['versions'],
    }),
    saveVersion: saving(build, 'version'),
    removeVersion: removing(build, 'version'),
    restoreVersion: restoring(build, 'version'),
    listParts: listingPages(build, 'part'),
    savePart: saving(build, 'part'),
    removePart: removing(build, 'part'),
    restorePart: restoring(build, 'part'),
    listBriefs: listingPages(build, 'brief'),
    getBrief: build.query<StoredBrief, string>({ query: (id) => `/briefs/${id}` }),
    saveBrief: saving(build, 'brief'),
    removeBrief: removing(build, 'brief'),
    restoreBrief: restoring(build, 'brief'),
    listSessions: listingPages(build, 'session'),
    saveSession: saving(build, 'session'),
    restoreSession: restoring(build, 'session'),
    savePhoto: saving(build, 'photo'),
    listMeets: listing<'meet', ListedMeet>(build, 'meet'),
    getMeet: getting(build, 'meet'),
    saveMeet: saving(build, 'meet'),
    removeMeet: removing(build, 'meet'),
    restoreMeet: restoring(build, 'meet'),
    listEntries: build.query<Partitioned<StoredEntry>, string>({
      query: (meetId) => `/meets/${meetId}/entries`,
      transformResponse: partitionReadable<StoredEntry>,
      providesTags: ['entries'],
    }),
    // What was written is put into the list as it was answered (live-meet.ts): nothing is read again.
    saveEntry: saving(build, 'entry', []),
    /** All results of a meet, read a page at a time. */
    listResults: build.query<Partitioned<StoredResult>, string>({
      queryFn: async (meetId, _api, _extra, ask) => {
        const results: ResultPage['results'][number][] = [];
        for (let after = 0; ;) {
          const { data, error } = await ask(`/meets/${meetId}/results?after=${after}&limit=${RESULTS_ON_A_PAGE}`);
          if (error) return { error };
          const page = data as ResultPage;
          results.push(...page.results);
          if (page.isLast) return { data: partitionReadable<StoredResult>(results) };
          after = page.last;
        }
      },
      providesTags: ['results'],
    }),
    /** Results after a number: what a page that was not connected has missed. */
    resultsAfter: build.query<ResultPage, { readonly meetId: string; readonly after: number }>({
      query: ({ meetId, after }) => `/meets/${meetId}/results?after=${after}&limit=${RESULTS_ON_A_PAGE}`,
    }),
    saveResult: saving(build, 'result', []),
    getSharing: build.query<SharingState, void>({ query: () => '/sharing', providesTags: ['sharing'] }),
    /** Begins; while phones may join already, draws new codes. */
    beginSharing: build.mutation<SharingState, void>({
      query: () => ({ url: '/sharing', method: 'POST', body: {} }),
      invalidatesTags: ['sharing'],
    }),
    keepSharing: build.mutation<SharingState, boolean>({
      query: (isKept) => ({ url: '/sharing', method: 'PUT', body: { isKept } }),
      invalidatesTags: ['sharing'],
    }),
    endSharing: build.mutation<SharingState, void>({ query: () => ({ url: '/sharing', method: 'DELETE' }), invalidatesTags: ['sharing'] }),
    /** As what this page joined; the machine that the program runs on is the host. */
    getJoined: build.query<JoinedAs, void>({ query: () => '/joined', providesTags: ['joined'] }),
    join: build.mutation<void, string>({ query: (code) => ({ url: '/join', method: 'POST', body: { code } }) }),
    /** Says which car a crew's phone is for. */
    chooseCar: build.mutation<Joined, CrewChoice>({
      query: (body) => ({ url: '/joined', method: 'PUT', body }),
      invalidatesTags: ['joined'],
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
      invalidatesTags: (_report, _error, { take }) => (take ? TAGS : []),
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
  useKeepSharingMutation,
  useChooseCarMutation,
  useRunHistoryQuery,
  useListEntriesQuery,
  useSaveEntryMutation,
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

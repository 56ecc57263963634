import type { CarDesign, RunRecord } from '../../../core/car/car-design.ts';
import type { RunPage, RunTallies, SessionSums } from '../../../core/schema/stored.ts';
import { SPACE } from '../../ui/space.ts';
import { baseApi } from './base-api.ts';
import { getting, listingHistory, saving, removing, restoring } from './resource-endpoints.ts';

/** Runs of a car that were made with one of these designs and wound so, in a session; all of them without. */
export interface RunFilter {
  readonly designs?: readonly string[];
  readonly wind?: 'full' | number;
  readonly session?: string;
  /** As the server names its orders; the newest first without. */
  readonly order?: string;
}

/** Where a picture of a run is shown from. */
export const pictureAddress = (id: string): string => `${SPACE.api}/photos/${id}/picture`;

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

/** New runs of a car, made with one design. */
interface AddedRuns {
  readonly carId: string;
  readonly design: CarDesign;
  readonly runs: readonly { readonly id: string; readonly record: Omit<RunRecord, 'design'> }[];
}

/** Requests for runs and their photos. */
export const runsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
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
    savePhoto: saving(build, 'photo'),
  }),
});

export const {
  useRunHistoryQuery,
  useListRunsQuery,
  useTallyRunsQuery,
  useSumSessionsQuery,
  useGetRunQuery,
  useSaveRunMutation,
  useAddRunsMutation,
  useRemoveRunMutation,
} = runsApi;

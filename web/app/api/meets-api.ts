import type { ListedMeet, StoredEntry, StoredResult, ResultPage } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';
import { listing, getting, saving, removing, restoring, type Partitioned, partitionReadable } from './resource-endpoints.ts';

/** Results that one answer brings. */
const RESULTS_ON_A_PAGE = 500;

/** Requests for meets, their entries and results. */
export const meetsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
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
  }),
});

export const {
  useListEntriesQuery,
  useSaveEntryMutation,
  useListMeetsQuery,
  useGetMeetQuery,
  useSaveMeetMutation,
  useRemoveMeetMutation,
  useListResultsQuery,
  useSaveResultMutation,
} = meetsApi;

import type { StoredBrief } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';
import { listingPages, saving, removing, restoring } from './resource-endpoints.ts';

/** Requests for what belongs to no car: parts, briefs, sessions. */
export const documentsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
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
  }),
});

export const {
  useListPartsQuery,
  useSavePartMutation,
  useRemovePartMutation,
  useRestorePartMutation,
  useListBriefsQuery,
  useListSessionsQuery,
  useSaveSessionMutation,
  useSaveBriefMutation,
  useRemoveBriefMutation,
} = documentsApi;

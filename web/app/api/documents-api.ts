import type { StoredBrief } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';
import { getting, listingPages, saving, removing, restoring } from './resource-endpoints.ts';

/** Requests for what belongs to no car: parts, briefs, sessions, classes. */
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
    listClasses: listingPages(build, 'class'),
    getClass: getting(build, 'class'),
    saveClass: saving(build, 'class'),
    removeClass: removing(build, 'class'),
    restoreClass: restoring(build, 'class'),
  }),
});

export const {
  useListPartsQuery,
  useSavePartMutation,
  useRemovePartMutation,
  useRestorePartMutation,
  useListBriefsQuery,
  useListSessionsQuery,
  useListClassesQuery,
  useGetClassQuery,
  useSaveClassMutation,
  useRemoveClassMutation,
  useSaveSessionMutation,
  useSaveBriefMutation,
  useRemoveBriefMutation,
} = documentsApi;

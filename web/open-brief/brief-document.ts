import type { Brief } from '../../core/brief/brief.ts';
import { documentsApi } from '../app/api/documents-api.ts';
import { isGone } from '../app/api/problem.ts';
import { autosaveOf } from '../open-document/autosave.ts';
import type { DocumentKind } from '../open-document/document-kind.ts';
import { briefSlice, storedBriefOf, openBriefOf } from './brief-slice.ts';

export const briefAutosave = autosaveOf<Brief>({
  slice: briefSlice,
  openOf: openBriefOf,
  send: (dispatch, write) => dispatch(documentsApi.endpoints.saveBrief.initiate(write)),
  storedOf: storedBriefOf,
});

/** How a brief is opened, followed and saved. */
export const BRIEF: DocumentKind<Brief> = {
  what: 'brief',
  slice: briefSlice,
  openOf: openBriefOf,
  autosave: briefAutosave,
  reader: async () => (await import('../../core/files/read.ts')).readBrief,
  fetch: async (dispatch, id) => {
    const { data, error } = await dispatch(documentsApi.endpoints.getBrief.initiate(id, { forceRefetch: true, subscribe: false }));
    if (data) return storedBriefOf(data);
    // Without the program: as it was last listed.
    const listed = isGone(error) && (await dispatch(documentsApi.endpoints.listBriefs.initiate(undefined, { subscribe: false }))).data;
    const brief = listed && listed.readable.find((one) => one.id === id);
    return brief ? storedBriefOf(brief) : null;
  },
};

import type { Removed, ArchiveReport } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';
import { TAGS } from './resource-endpoints.ts';

/** An archive to look into, or to take from: what is new, and what is named. */
export interface ArchiveOpening {
  readonly file: File;
  readonly take: { readonly replace: readonly string[] | 'all'; readonly restore: readonly string[] | 'all' } | null;
}
const named = (ids: readonly string[] | 'all'): string => (ids === 'all' ? 'all' : ids.join(','));

/** Requests for archives, and for what was removed. */
export const archiveApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
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

export const { useListRemovedQuery, useOpenArchiveMutation } = archiveApi;

import type { StoredVersion } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';
import { type Partitioned, partitionReadable, saving, removing, restoring } from './resource-endpoints.ts';

/** Requests for versions of cars. */
export const versionsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listVersions: build.query<Partitioned<StoredVersion>, string>({
      query: (carId) => `/cars/${carId}/versions`,
      transformResponse: partitionReadable<StoredVersion>,
      providesTags: ['versions'],
    }),
    saveVersion: saving(build, 'version'),
    removeVersion: removing(build, 'version'),
    restoreVersion: restoring(build, 'version'),
  }),
});

export const { useListVersionsQuery, useRemoveVersionMutation, useSaveVersionMutation } = versionsApi;

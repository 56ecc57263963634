import type { SharingState, JoinedAs, Joined, CrewChoice } from '../../../core/schema/sharing.ts';
import { baseApi } from './base-api.ts';

/** Requests about phones that join. */
export const sharingApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
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
  }),
});

export const {
  useGetSharingQuery,
  useBeginSharingMutation,
  useEndSharingMutation,
  useGetJoinedQuery,
  useJoinMutation,
  useKeepSharingMutation,
  useChooseCarMutation,
} = sharingApi;

import type { CarDesign } from '../../../core/car/car-design.ts';
import type { CarOfCrew, ClassForCrew, ForecastOfCrew } from '../../../core/schema/class-for-crew.ts';
import type { CrewStanding } from '../../../core/schema/crew-standing.ts';
import type { CrewReport } from '../../../core/schema/generated/crew-report.ts';
import type { Listed, ListedCar, RunPage, StoredCar, StoredClass } from '../../../core/schema/stored.ts';
import { baseApi } from './base-api.ts';

/** The card of a crew. */
export interface CrewCode {
  readonly crewId: string;
  readonly code: string;
}
/** A class that was cleared: its archive beside the data. */
export interface ClearedClass {
  readonly file: string;
  readonly clearedAt: string;
  readonly bytes: number;
}
/** A car of a crew, copied to the owner's Garage. */
export interface HandedInCar {
  readonly crew: string;
  readonly carId: string;
  readonly car: string;
}

/** Requests of the leader about a class, and of a crew about its own. */
export const classesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listCards: build.query<readonly CrewCode[], string>({ query: (id) => `/classes/${id}/cards`, providesTags: ['cards'] }),
    redrawCard: build.mutation<readonly CrewCode[], { readonly classId: string; readonly crewId: string }>({
      query: ({ classId, crewId }) => ({ url: `/classes/${classId}/cards/${crewId}`, method: 'POST', body: {} }),
      invalidatesTags: ['cards', 'crews'],
    }),
    listCrews: build.query<{ readonly crews: readonly CrewStanding[] }, string>({
      query: (id) => `/classes/${id}/crews`,
      providesTags: ['crews'],
    }),
    sendCar: build.mutation<{ readonly sent: number }, { readonly classId: string; readonly design: CarDesign }>({
      query: ({ classId, design }) => ({ url: `/classes/${classId}/cars`, method: 'POST', body: { design } }),
      invalidatesTags: ['crews'],
    }),
    handIn: build.mutation<StoredClass, { readonly classId: string; readonly isHandedIn: boolean }>({
      query: ({ classId, isHandedIn }) => ({ url: `/classes/${classId}/hand-in`, method: 'PUT', body: { isHandedIn } }),
      invalidatesTags: ['classes', 'crews'],
    }),
    copyHandedIn: build.mutation<readonly HandedInCar[], string>({
      query: (classId) => ({ url: `/classes/${classId}/meet-cars`, method: 'POST', body: {} }),
      invalidatesTags: ['cars', 'runs', 'versions', 'briefs'],
    }),
    /** A car of a crew, and a page of its runs, as the leader has them. */
    getCrewCar: build.query<StoredCar, { readonly crewId: string; readonly carId: string }>({
      query: ({ crewId, carId }) => `/crews/${crewId}/cars/${carId}`,
    }),
    listCarsOfCrew: build.query<readonly Listed<ListedCar>[], string>({ query: (crewId) => `/crews/${crewId}/cars` }),
    listCrewRuns: build.query<RunPage, { readonly crewId: string; readonly carId: string; readonly offset: number }>({
      query: ({ crewId, carId, offset }) => `/crews/${crewId}/cars/${carId}/runs?order=oldest&limit=100&offset=${offset}`,
    }),
    /** What the leader worked out of the car of a crew that is away. */
    reportForCrew: build.mutation<void, { readonly crewId: string; readonly report: CrewReport }>({
      query: ({ crewId, report }) => ({ url: `/crews/${crewId}/class/report`, method: 'PUT', body: report }),
      invalidatesTags: ['crews'],
    }),
    listCleared: build.query<readonly ClearedClass[], void>({ query: () => '/cleared-classes', providesTags: ['cleared'] }),
    clearClass: build.mutation<{ readonly file: string }, string>({
      query: (classId) => ({ url: '/cleared-classes', method: 'POST', body: { classId } }),
    }),
    restoreCleared: build.mutation<unknown, string>({
      query: (file) => ({ url: `/cleared-classes/${file}/restore`, method: 'POST', body: {} }),
      invalidatesTags: ['classes', 'crews', 'cards'],
    }),
    deleteCleared: build.mutation<void, string>({
      query: (file) => ({ url: `/cleared-classes/${file}`, method: 'DELETE' }),
      invalidatesTags: ['cleared'],
    }),
    /** In the space of a crew: its class. */
    getCrewClass: build.query<ClassForCrew, void>({ query: () => '/class', providesTags: ['crewClass'] }),
    reportCar: build.mutation<void, CrewReport>({ query: (body) => ({ url: '/class/report', method: 'PUT', body }) }),
    chooseHandIn: build.mutation<void, string>({
      query: (carId) => ({ url: '/class/car', method: 'PUT', body: { carId } }),
      invalidatesTags: ['crewClass'],
    }),
    listCrewCars: build.query<readonly CarOfCrew[], void>({ query: () => '/class/cars', providesTags: ['crewClass'] }),
    listForecasts: build.query<readonly ForecastOfCrew[], void>({ query: () => '/class/forecasts', providesTags: ['crewClass'] }),
    /** The leader in the space of a crew: helps, or looks only. */
    setHelping: build.mutation<void, boolean>({
      query: (isHelping) => ({ url: '/help', method: 'PUT', body: { isHelping } }),
      invalidatesTags: ['joined'],
    }),
  }),
});

export const {
  useListCardsQuery,
  useRedrawCardMutation,
  useListCrewsQuery,
  useSendCarMutation,
  useHandInMutation,
  useCopyHandedInMutation,
  useReportForCrewMutation,
  useListClearedQuery,
  useClearClassMutation,
  useRestoreClearedMutation,
  useDeleteClearedMutation,
  useGetCrewClassQuery,
  useReportCarMutation,
  useChooseHandInMutation,
  useListCrewCarsQuery,
  useListForecastsQuery,
  useSetHelpingMutation,
} = classesApi;

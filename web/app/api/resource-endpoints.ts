import { fetchBaseQuery, type EndpointBuilder } from '@reduxjs/toolkit/query/react';
import type { CarDesign, CarVersion, RunRecord } from '../../../core/car/car-design.ts';
import type { Brief } from '../../../core/schema/generated/brief.ts';
import type { CrewClass } from '../../../core/schema/generated/crew-class.ts';
import type { Meet } from '../../../core/schema/generated/meet.ts';
import type { MeetEntry } from '../../../core/schema/generated/meet-entry.ts';
import type { MeetResult } from '../../../core/schema/generated/meet-result.ts';
import type { OwnPart } from '../../../core/schema/generated/own-part.ts';
import type { Photo } from '../../../core/schema/generated/photo.ts';
import type { Session } from '../../../core/schema/generated/session.ts';
import {
  addressOf,
  RESOURCE_KINDS,
  RESOURCES,
  type OfCarKind,
  type OfMeetKind,
  type ResourceKind,
} from '../../../core/schema/resources.ts';
import { SPACE } from '../../ui/space.ts';
import { tabId } from '../tab.ts';
import {
  isReadable,
  type EarlierContent,
  type StoredItem,
  type Listed,
  type StoredBrief,
  type StoredCar,
  type StoredClass,
  type StoredEntry,
  type StoredMeet,
  type StoredPart,
  type StoredPhoto,
  type StoredResult,
  type StoredRun,
  type StoredSession,
  type StoredVersion,
  type Unreadable,
} from '../../../core/schema/stored.ts';

/** A list, with what of it cannot be read any more set apart. */
export interface Partitioned<T> {
  readonly readable: readonly T[];
  readonly unreadable: readonly Unreadable[];
}
export const partitionReadable = <T extends StoredItem>(listed: readonly Listed<T>[]): Partitioned<T> => ({
  readable: listed.filter((item): item is T => isReadable<T>(item)),
  unreadable: listed.filter((item): item is Unreadable => !isReadable<T>(item)),
});

/** The content of each kind of thing, and how it is stored. */
interface Kinds {
  readonly car: readonly [CarDesign, StoredCar];
  readonly version: readonly [CarVersion, StoredVersion];
  readonly run: readonly [RunRecord, StoredRun];
  readonly part: readonly [OwnPart, StoredPart];
  readonly brief: readonly [Brief, StoredBrief];
  readonly session: readonly [Session, StoredSession];
  readonly photo: readonly [Photo, StoredPhoto];
  readonly meet: readonly [Meet, StoredMeet];
  readonly entry: readonly [MeetEntry, StoredEntry];
  readonly result: readonly [MeetResult, StoredResult];
  readonly class: readonly [CrewClass, StoredClass];
}
type Content<K extends ResourceKind> = Kinds[K][0];
type Stored<K extends ResourceKind> = Kinds[K][1];

type Owner<K extends ResourceKind> = K extends OfCarKind
  ? { readonly carId: string }
  : K extends OfMeetKind
    ? { readonly meetId: string }
    : unknown;
/** One thing by its id, and by what it belongs to. */
export type One<K extends ResourceKind> = K extends OfCarKind | OfMeetKind ? Owner<K> & { readonly id: string } : string;
/** Something to be stored: over the version it was based on, 0 for a new one. */
export type Write<K extends ResourceKind> = Owner<K> & {
  readonly id: string;
  readonly baseVersion: number;
  readonly content: Content<K>;
};

type Plural = (typeof RESOURCES)[ResourceKind]['plural'];
export const TAGS: readonly (Plural | 'sharing' | 'joined' | 'removed' | 'crews' | 'cards' | 'crewClass' | 'cleared')[] = [
  ...RESOURCE_KINDS.map((kind) => RESOURCES[kind].plural),
  'sharing',
  'joined',
  'removed',
  'crews',
  'cards',
  'crewClass',
  'cleared',
];
type Tag = (typeof TAGS)[number];
export const baseQuery = fetchBaseQuery({
  baseUrl: SPACE.api,
  // What this tab saves is not news to it.
  prepareHeaders: (headers) => headers.set('x-tab', tabId()),
});
type Build = EndpointBuilder<typeof baseQuery, Tag, 'api'>;

const ownerOf = (of: object): string | undefined =>
  'carId' in of ? (of.carId as string) : 'meetId' in of ? (of.meetId as string) : undefined;
/** The address of one thing. */
function addressOfOne(kind: ResourceKind, one: string | { readonly id: string }): string {
  return typeof one === 'string' ? `${addressOf(kind)}/${one}` : `${addressOf(kind, ownerOf(one))}/${one.id}`;
}
/** What lists are to be read again once a thing of a kind has changed: cars tell of their runs. */
const tagsOf = (kind: ResourceKind): readonly Tag[] => (kind === 'run' ? ['runs', 'cars'] : [RESOURCES[kind].plural]);

/** Things that one answer brings. */
const ON_A_PAGE = 500;
/** A list of documents, read a page at a time. */
export const listingPages = <K extends 'part' | 'brief' | 'session' | 'class'>(build: Build, kind: K) =>
  build.query<Partitioned<Stored<K>>, void>({
    queryFn: async (_none, _api, _extra, ask) => {
      const items: Listed<Stored<K>>[] = [];
      for (;;) {
        const { data, error } = await ask(`${addressOf(kind)}?limit=${ON_A_PAGE}&offset=${items.length}`);
        if (error) return { error };
        const page = data as Listed<Stored<K>>[];
        items.push(...page);
        if (page.length < ON_A_PAGE) return { data: partitionReadable<Stored<K>>(items) };
      }
    },
    providesTags: tagsOf(kind),
  });
export const listing = <K extends Exclude<ResourceKind, OfCarKind | OfMeetKind>, S extends Stored<K>>(build: Build, kind: K) =>
  build.query<Partitioned<S>, void>({
    query: () => addressOf(kind),
    transformResponse: partitionReadable<S>,
    providesTags: tagsOf(kind).slice(0, 1),
  });
export const getting = <K extends ResourceKind>(build: Build, kind: K) =>
  build.query<Stored<K>, One<K>>({ query: (one) => addressOfOne(kind, one), providesTags: [RESOURCES[kind].plural] });
export const saving = <K extends ResourceKind>(build: Build, kind: K, invalidates: readonly Tag[] = tagsOf(kind)) =>
  build.mutation<Stored<K>, Write<K>>({
    query: ({ baseVersion, content, ...one }) => ({
      url: addressOfOne(kind, one as { readonly id: string }),
      method: 'PUT',
      body: { baseVersion, [RESOURCES[kind].key]: content },
    }),
    invalidatesTags: (_stored, error) => (error ? [] : invalidates),
  });
export const removing = <K extends ResourceKind>(build: Build, kind: K) =>
  build.mutation<void, One<K>>({
    query: (one) => ({ url: addressOfOne(kind, one), method: 'DELETE' }),
    invalidatesTags: [...tagsOf(kind), 'removed'],
  });
export const restoring = <K extends ResourceKind>(build: Build, kind: K) =>
  build.mutation<void, One<K>>({
    query: (one) => ({ url: `${addressOfOne(kind, one)}/restore`, method: 'POST', body: {} }),
    invalidatesTags: [...tagsOf(kind), 'removed'],
  });
/** What a thing was before it was changed, the newest first. */
export const listingHistory = <K extends OfCarKind | OfMeetKind>(build: Build, kind: K) =>
  build.query<EarlierContent[], One<K>>({
    query: (one) => `${addressOfOne(kind, one)}/history`,
    providesTags: [RESOURCES[kind].plural],
  });

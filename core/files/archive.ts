import type { CarDesign, CarVersion, RunRecord } from '../car/car-design.ts';
import type { Fault } from '../fault.ts';
import type { ArchiveManifest } from '../schema/generated/archive.ts';
import type { Brief } from '../schema/generated/brief.ts';
import type { CrewClass } from '../schema/generated/crew-class.ts';
import type { Meet } from '../schema/generated/meet.ts';
import type { MeetEntry } from '../schema/generated/meet-entry.ts';
import type { MeetResult } from '../schema/generated/meet-result.ts';
import type { Photo } from '../schema/generated/photo.ts';
import type { Session } from '../schema/generated/session.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import {
  readArchiveManifest,
  readBrief,
  readCarDesign,
  readCarVersion,
  readClass,
  readMeet,
  readMeetEntry,
  readMeetResult,
  readOwnPart,
  readPhoto,
  readRunRecord,
  readSession,
  type Read,
} from './read.ts';
import { RESOURCES, type DocumentKind } from '../schema/resources.ts';
import type { EarlierContent, EarlierDesign } from '../schema/stored.ts';
import { isObject, type Item } from './json-item.ts';
import { inUtc } from './time-of-day.ts';

/** What a file of an archive holds, by its place in it. Things that cannot be read are reported by place and path. */
export type ArchiveEntry =
  | { readonly kind: 'manifest'; readonly manifest: ArchiveManifest }
  | { readonly kind: 'car'; readonly id: string; readonly content: CarDesign }
  | { readonly kind: 'version'; readonly id: string; readonly carId: string; readonly content: CarVersion }
  | { readonly kind: 'part'; readonly id: string; readonly content: OwnPart }
  | { readonly kind: 'brief'; readonly id: string; readonly content: Brief }
  | { readonly kind: 'session'; readonly id: string; readonly content: Session }
  | { readonly kind: 'photo'; readonly id: string; readonly content: Photo }
  | { readonly kind: 'meet'; readonly id: string; readonly content: Meet }
  | { readonly kind: 'entry'; readonly id: string; readonly content: MeetEntry }
  | { readonly kind: 'result'; readonly id: string; readonly content: MeetResult }
  | { readonly kind: 'class'; readonly id: string; readonly content: CrewClass }
  | { readonly kind: 'run'; readonly id: string; readonly carId: string; readonly content: RunRecord }
  | { readonly kind: 'earlier'; readonly carId: string; readonly content: EarlierDesign }
  | ArchivedChange;

/** What a run, result or entry was before it was changed. */
export interface ArchivedChange {
  readonly kind: 'change';
  readonly what: 'run' | 'result' | 'entry';
  readonly id: string;
  readonly content: EarlierContent;
}

export interface ReadEntry {
  readonly entries: readonly ArchiveEntry[];
  readonly faults: readonly Fault[];
  /** Of what kind the file holds how many, read or not; null for a file that has no place here. */
  readonly holds: { readonly kind: ArchiveEntry['kind']; readonly count: number } | null;
}

const READ: { readonly [K in DocumentKind]: (value: unknown) => Read<Extract<ArchiveEntry, { kind: K }>['content']> } = {
  part: readOwnPart,
  brief: readBrief,
  session: readSession,
  photo: readPhoto,
  meet: readMeet,
  entry: readMeetEntry,
  result: readMeetResult,
  class: readClass,
};

/** Where each thing is in an archive. `n` counts the files that a long list is cut into. */
export const ARCHIVE_PLACES = {
  manifest: 'manifest.json',
  car: (id: string) => `cars/${id}/car.json`,
  version: (carId: string, id: string) => `cars/${carId}/versions/${id}.json`,
  history: (carId: string, n: number) => `cars/${carId}/history-${n}.json`,
  runs: (carId: string, n: number) => `cars/${carId}/runs-${n}.json`,
  changes: (n: number) => `changes-${n}.json`,
  document: (kind: DocumentKind, id: string) => `${RESOURCES[kind].plural}/${id}.json`,
} as const;

/** Where the work of a crew is in an archive: an archive of its own. `inSpace('spaces/ID/cars/…') // { crewId: 'ID', place: 'cars/…' }` */
export const spacePlace = (crewId: string, place: string): string => `spaces/${crewId}/${place}`;
/** The crew that a place belongs to, null for the owner's, and the place in its own archive. */
export function inSpace(place: string): { readonly crewId: string | null; readonly place: string } {
  const found = SPACE_FILE.exec(place);
  return found ? { crewId: found[1]!.toLowerCase(), place: found[2]! } : { crewId: null, place };
}

/** Bytes of one file of an archive, values in it, and items of its list: beyond, it was made to hurt. A saved one has 500 runs in a file. */
export const ARCHIVE_LIMITS = { bytes: 16 * 2 ** 20, values: 1_000_000, items: 1_000 } as const;

const ID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
const DOCUMENTS = (Object.keys(READ) as DocumentKind[]).map((kind) => [RESOURCES[kind].plural, kind] as const);
const CAR_FILE = new RegExp(`^cars/(${ID})/(?:(car)|versions/(${ID})|(history)-\\d+|(runs)-\\d+)\\.json$`, 'i');
const SPACE_FILE = new RegExp(`^spaces/(${ID})/(.+)$`, 'i');
const CHANGES_FILE = /^changes-\d+\.json$/;
const DOCUMENT_FILE = new RegExp(`^(${DOCUMENTS.map(([plural]) => plural).join('|')})/(${ID})\\.json$`, 'i');

/** In which order the files of an archive are read, whatever order they are in: what others belong to comes first. */
export function archiveOrder(place: string): number {
  if (place === ARCHIVE_PLACES.manifest) return 0;
  const file = CAR_FILE.exec(place);
  if (file?.[2] || /^meets\//i.test(place)) return 1;
  return file?.[3] ? 2 : CHANGES_FILE.test(place) ? 4 : 3;
}

const notA = (path: string, what: string): Fault => ({ path, code: 'expected', what });
const none = (fault: Fault): ReadEntry => ({ entries: [], faults: [fault], holds: null });
const at = (place: string, faults: readonly Fault[]): Fault[] =>
  faults.map((fault) => ({ ...fault, path: fault.path === '' ? place : `${place}: ${fault.path}` }));

function one<T>(place: string, kind: ArchiveEntry['kind'], read: Read<T>, entriesOf: (content: T) => readonly ArchiveEntry[]): ReadEntry {
  const holds = { kind, count: 1 };
  return read.kind === 'read'
    ? { entries: entriesOf(read.value), faults: [], holds }
    : { entries: [], faults: at(place, read.faults), holds };
}

interface List {
  readonly format?: unknown;
  readonly runs?: unknown;
  readonly designs?: unknown;
  readonly earlier?: unknown;
  readonly changes?: unknown;
}
const LISTS = {
  runs: { format: 'nimble-axle/run-list', kind: 'run' },
  earlier: { format: 'nimble-axle/car-history', kind: 'earlier' },
  changes: { format: 'nimble-axle/changes', kind: 'change' },
} as const;

/** The items of a list, each read by itself: one that is wrong does not take the others with it. */
function many(place: string, list: unknown, key: keyof typeof LISTS, read: (item: Item) => Read<ArchiveEntry>): ReadEntry {
  const { format, kind } = LISTS[key];
  const items = isObject(list) && list.format === format ? (list as List)[key] : null;
  if (!Array.isArray(items)) return none(notA(place, `a list of ${format}`));
  if (items.length > ARCHIVE_LIMITS.items)
    return none({ path: place, code: 'too-large', of: 'items', count: items.length, most: ARCHIVE_LIMITS.items });
  const results = items.map((item, i) => ({ i, result: isObject(item) ? read(item) : null }));
  return {
    entries: results.flatMap(({ result }) => (result?.kind === 'read' ? [result.value] : [])),
    faults: results.flatMap(({ i, result }) => {
      if (result === null) return [notA(`${place}: ${key}[${i}]`, 'an object')];
      return result.kind === 'faulty' ? at(`${place}: ${key}[${i}]`, result.faults) : [];
    }),
    holds: { kind, count: items.length },
  };
}
const then = <T>(read: Read<T>, entry: (content: T) => ArchiveEntry): Read<ArchiveEntry> =>
  read.kind === 'read' ? { kind: 'read', value: entry(read.value) } : read;
const wrong = (path: string, what: string): Read<never> => ({ kind: 'faulty', faults: [notA(path, what)] });

/** More than any file of an archive holds, found before it is read as JSON: each value but the first follows one of these signs. */
function tooManyValues(text: string): boolean {
  let values = 1;
  for (let i = 0; i < text.length; i++) {
    const sign = text.charCodeAt(i);
    // , [ {
    if (sign === 44 || sign === 91 || sign === 123) values++;
  }
  return values > ARCHIVE_LIMITS.values;
}

const timeOf = (value: unknown): string | null => (typeof value === 'string' ? inUtc(value) : null);
const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 1;

/** A meet of an archive, whose entries may be within it: they are things of their own. */
function meetAndEntries(id: string, { entries, ...meet }: Meet): readonly ArchiveEntry[] {
  return [
    { kind: 'meet', id, content: { ...meet, entries: [] } },
    ...entries.map((entry): ArchiveEntry => ({
      kind: 'entry',
      id: entry.id,
      content: { format: 'nimble-axle/meet-entry', version: 1, meet: id, entry },
    })),
  ];
}

const CHANGED = { run: readRunRecord, result: readMeetResult, entry: readMeetEntry } as const;

function readChange({ what, id, version, savedAt, content }: Item): Read<ArchiveEntry> {
  const utc = timeOf(savedAt);
  if (typeof what !== 'string' || !Object.hasOwn(CHANGED, what)) return wrong('what', 'run, result or entry');
  if (typeof id !== 'string' || !new RegExp(`^${ID}$`).test(id)) return wrong('id', 'a UUID');
  if (utc === null) return wrong('savedAt', 'a time with its offset');
  if (!isCount(version)) return wrong('version', 'a whole number from 1');
  const kind = what as ArchivedChange['what'];
  return then(CHANGED[kind](content) as Read<object>, (read) => ({
    kind: 'change',
    what: kind,
    id,
    content: { version, savedAt: utc, content: read },
  }));
}

/** Reads one file of an archive by its place and text. A file that does not belong there is a fault. */
export function readArchiveEntry(place: string, text: string): ReadEntry {
  if (tooManyValues(text))
    return none({ path: place, code: 'too-large', of: 'values', count: ARCHIVE_LIMITS.values + 1, most: ARCHIVE_LIMITS.values });
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return none({ path: place, code: 'not-json', reason: (error as Error).message });
  }
  if (place === ARCHIVE_PLACES.manifest)
    return one(place, 'manifest', readArchiveManifest(value), (manifest) => [{ kind: 'manifest', manifest }]);
  if (CHANGES_FILE.test(place)) return many(place, value, 'changes', readChange);
  const document = DOCUMENT_FILE.exec(place);
  if (document) {
    const kind = DOCUMENTS.find(([plural]) => plural === document[1]!.toLowerCase())![1];
    const id = document[2]!.toLowerCase();
    return one<unknown>(place, kind, READ[kind](value), (content) =>
      kind === 'meet' ? meetAndEntries(id, content as Meet) : [{ kind, id, content } as ArchiveEntry],
    );
  }
  const file = CAR_FILE.exec(place);
  if (!file) return none({ path: place, code: 'out-of-place' });
  const carId = file[1]!.toLowerCase();
  if (file[2]) return one(place, 'car', readCarDesign(value), (content) => [{ kind: 'car', id: carId, content }]);
  if (file[3]) {
    const id = file[3].toLowerCase();
    return one(place, 'version', readCarVersion(value), (content) => [{ kind: 'version', id, carId, content }]);
  }
  if (file[4])
    return many(place, value, 'earlier', ({ version, savedAt, design }) => {
      const utc = timeOf(savedAt);
      if (utc === null) return wrong('savedAt', 'a time with its offset');
      if (!isCount(version)) return wrong('version', 'a whole number from 1');
      return then(readCarDesign(design), (content) => ({ kind: 'earlier', carId, content: { version, savedAt: utc, design: content } }));
    });
  const designs = isObject(value) && isObject(value.designs) ? value.designs : {};
  return many(place, value, 'runs', ({ id, design, record }) => {
    if (typeof id !== 'string' || !new RegExp(`^${ID}$`, 'i').test(id)) return wrong('id', 'a UUID');
    if (!isObject(record)) return wrong('record', 'an object');
    const withDesign = Object.hasOwn(designs, String(design)) ? { design: designs[String(design)] } : {};
    return then(readRunRecord({ ...record, ...withDesign }), (content) => ({ kind: 'run', id: id.toLowerCase(), carId, content }));
  });
}

import type { CarDesign, CarVersion, RunRecord } from '../car/car-design.ts';
import type { Fault } from '../fault.ts';
import type { ArchiveManifest } from '../schema/generated/archive.ts';
import type { Brief } from '../schema/generated/brief.ts';
import type { Meet } from '../schema/generated/meet.ts';
import type { MeetResult } from '../schema/generated/meet-result.ts';
import type { Photo } from '../schema/generated/photo.ts';
import type { Session } from '../schema/generated/session.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import {
  readArchiveManifest,
  readBrief,
  readCarDesign,
  readCarVersion,
  readMeet,
  readMeetResult,
  readOwnPart,
  readPhoto,
  readRunRecord,
  readSession,
  type Read,
} from './read.ts';
import type { EarlierDesign } from '../schema/stored.ts';
import { isObject, type Item } from './json-item.ts';
import { inUtc } from './time-of-day.ts';

/** What a file of an archive holds, by its place in it. Things that cannot be read are told by place and path. */
export type ArchiveEntry =
  | { readonly kind: 'manifest'; readonly manifest: ArchiveManifest }
  | { readonly kind: 'car'; readonly id: string; readonly content: CarDesign }
  | { readonly kind: 'version'; readonly id: string; readonly carId: string; readonly content: CarVersion }
  | { readonly kind: 'part'; readonly id: string; readonly content: OwnPart }
  | { readonly kind: 'brief'; readonly id: string; readonly content: Brief }
  | { readonly kind: 'session'; readonly id: string; readonly content: Session }
  | { readonly kind: 'photo'; readonly id: string; readonly content: Photo }
  | { readonly kind: 'meet'; readonly id: string; readonly content: Meet }
  | { readonly kind: 'result'; readonly id: string; readonly content: MeetResult }
  | { readonly kind: 'run'; readonly id: string; readonly carId: string; readonly content: RunRecord }
  | { readonly kind: 'earlier'; readonly carId: string; readonly content: EarlierDesign };

export interface ReadEntry {
  readonly entries: readonly ArchiveEntry[];
  readonly faults: readonly Fault[];
}

/** What stands for itself in an archive, one file each. */
export type DocumentKind = 'part' | 'brief' | 'session' | 'photo' | 'meet' | 'result';
const READ: { readonly [K in DocumentKind]: (value: unknown) => Read<Extract<ArchiveEntry, { kind: K }>['content']> } = {
  part: readOwnPart,
  brief: readBrief,
  session: readSession,
  photo: readPhoto,
  meet: readMeet,
  result: readMeetResult,
};

/** Where each thing stands in an archive. `n` counts the files that a long list is cut into. */
export const ARCHIVE_PLACES = {
  manifest: 'manifest.json',
  car: (id: string) => `cars/${id}/car.json`,
  version: (carId: string, id: string) => `cars/${carId}/versions/${id}.json`,
  history: (carId: string, n: number) => `cars/${carId}/history-${n}.json`,
  runs: (carId: string, n: number) => `cars/${carId}/runs-${n}.json`,
  document: (kind: DocumentKind, id: string) => `${kind}s/${id}.json`,
} as const;

const ID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
const CAR_FILE = new RegExp(`^cars/(${ID})/(?:(car)|versions/(${ID})|(history)-\\d+|(runs)-\\d+)\\.json$`, 'i');
const DOCUMENT_FILE = new RegExp(`^(part|brief|session|photo|meet|result)s/(${ID})\\.json$`, 'i');

const notA = (path: string, what: string): Fault => ({ path, code: 'expected', what });
const none = (fault: Fault): ReadEntry => ({ entries: [], faults: [fault] });
const at = (place: string, faults: readonly Fault[]): Fault[] =>
  faults.map((fault) => ({ ...fault, path: fault.path === '' ? place : `${place}: ${fault.path}` }));

function one<T>(place: string, read: Read<T>, entry: (content: T) => ArchiveEntry): ReadEntry {
  return read.kind === 'read' ? { entries: [entry(read.value)], faults: [] } : { entries: [], faults: at(place, read.faults) };
}

interface List {
  readonly format?: unknown;
  readonly runs?: unknown;
  readonly designs?: unknown;
  readonly earlier?: unknown;
}

/** The items of a list, each read by itself: one that is wrong does not take the others with it. */
function many(place: string, format: string, list: unknown, key: 'runs' | 'earlier', read: (item: Item) => Read<ArchiveEntry>): ReadEntry {
  const items = isObject(list) && list.format === format ? (list as List)[key] : null;
  if (!Array.isArray(items)) return none(notA(place, `a list of ${format}`));
  const results = items.map((item, i) => ({ i, result: isObject(item) ? read(item) : null }));
  return {
    entries: results.flatMap(({ result }) => (result?.kind === 'read' ? [result.value] : [])),
    faults: results.flatMap(({ i, result }) => {
      if (result === null) return [notA(`${place}: ${key}[${i}]`, 'an object')];
      return result.kind === 'faulty' ? at(`${place}: ${key}[${i}]`, result.faults) : [];
    }),
  };
}
const then = <T>(read: Read<T>, entry: (content: T) => ArchiveEntry): Read<ArchiveEntry> =>
  read.kind === 'read' ? { kind: 'read', value: entry(read.value) } : read;
const wrong = (path: string, what: string): Read<never> => ({ kind: 'faulty', faults: [notA(path, what)] });

/** Reads one file of an archive by its place and text. A file that does not belong there is a fault. */
export function readArchiveEntry(place: string, text: string): ReadEntry {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return none({ path: place, code: 'not-json', reason: (error as Error).message });
  }
  if (place === ARCHIVE_PLACES.manifest) return one(place, readArchiveManifest(value), (manifest) => ({ kind: 'manifest', manifest }));
  const document = DOCUMENT_FILE.exec(place);
  if (document) {
    const [kind, id] = [document[1]!.toLowerCase() as DocumentKind, document[2]!.toLowerCase()];
    return one<unknown>(place, READ[kind](value), (content) => ({ kind, id, content }) as ArchiveEntry);
  }
  const file = CAR_FILE.exec(place);
  if (!file) return none({ path: place, code: 'out-of-place' });
  const carId = file[1]!.toLowerCase();
  if (file[2]) return one(place, readCarDesign(value), (content) => ({ kind: 'car', id: carId, content }));
  if (file[3]) {
    const id = file[3].toLowerCase();
    return one(place, readCarVersion(value), (content) => ({ kind: 'version', id, carId, content }));
  }
  if (file[4])
    return many(place, 'nimble-axle/car-history', value, 'earlier', ({ version, savedAt, design }) => {
      const utc = typeof savedAt === 'string' ? inUtc(savedAt) : null;
      if (utc === null) return wrong('savedAt', 'a time with its offset');
      if (!Number.isSafeInteger(version) || (version as number) < 1) return wrong('version', 'a whole number from 1');
      return then(readCarDesign(design), (content) => ({
        kind: 'earlier',
        carId,
        content: { version: version as number, savedAt: utc, design: content },
      }));
    });
  const designs = isObject(value) && isObject(value.designs) ? value.designs : {};
  return many(place, 'nimble-axle/run-list', value, 'runs', ({ id, design, record }) => {
    if (typeof id !== 'string' || !new RegExp(`^${ID}$`, 'i').test(id)) return wrong('id', 'a UUID');
    if (!isObject(record)) return wrong('record', 'an object');
    const made = Object.hasOwn(designs, String(design)) ? { design: designs[String(design)] } : {};
    return then(readRunRecord({ ...record, ...made }), (content) => ({ kind: 'run', id: id.toLowerCase(), carId, content }));
  });
}

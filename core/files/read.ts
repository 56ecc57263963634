import type { ErrorObject, ValidateFunction } from 'ajv';
import { briefFaults } from '../brief/brief.ts';
import { partFaults } from '../car/parts.ts';
import { boundFault, type Fault, type Bound } from '../fault.ts';
import { formatFault } from '../fault-words.ts';
import type { ArchiveManifest } from '../schema/generated/archive.ts';
import type { Brief } from '../schema/generated/brief.ts';
import type { CrewClass } from '../schema/generated/crew-class.ts';
import type { CrewReport } from '../schema/generated/crew-report.ts';
import type { CarDesign } from '../schema/generated/car-design.ts';
import type { CarVersion } from '../schema/generated/car-version.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { columnFaults, fullMeasurement } from './read-measurement.ts';
import type { Film } from '../schema/generated/film.ts';
import type { Measurement } from '../schema/generated/measurement.ts';
import type { Meet } from '../schema/generated/meet.ts';
import type { MeetEntry } from '../schema/generated/meet-entry.ts';
import type { MeetResult } from '../schema/generated/meet-result.ts';
import type { Photo } from '../schema/generated/photo.ts';
import type { RunRecord } from '../schema/generated/run-record.ts';
import type { Trials } from '../schema/generated/trials.ts';
import type { Session } from '../schema/generated/session.ts';
import type { RunSetup } from '../schema/generated/run-setup.ts';
import * as validators from '../schema/generated/validators.js';
import { tooLarge, type SizeLimits } from './size-limits.ts';
import { bareJpeg, base64Of, bytesOfBase64 } from './jpeg.ts';
import { inUtc } from './time-of-day.ts';
import { isFirstVersion, placed, renamed } from './upgrade-design.ts';

/** What came through a door: the value with its type proven, or every fault in it, by path. */
export type Read<T> = { readonly kind: 'read'; readonly value: T } | { readonly kind: 'faulty'; readonly faults: readonly Fault[] };

/** `/motor/spool/0/radius` → `motor.spool[0].radius`. */
const dotted = (pointer: string): string =>
  pointer
    .split('/')
    .slice(1)
    .map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~'))
    .reduce((path, part) => (/^\d+$/.test(part) ? `${path}[${part}]` : path === '' ? part : `${path}.${part}`), '');

/** Faults told of one document; the rest are counted. */
const MOST_FAULTS = 50;
/** Characters told of a path: its keys are whatever somebody sent. */
const MOST_PATH = 200;

const below = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`);
const quoted = (value: unknown): string => (typeof value === 'string' ? `"${value}"` : JSON.stringify(value));
const article = (type: string): string => (/^[aeio]/.test(type) ? `an ${type}` : `a ${type}`);

/** The keywords of a schema that bound a number. */
const BOUNDS: Readonly<Record<string, Bound['is']>> = {
  minimum: 'least',
  exclusiveMinimum: 'above',
  maximum: 'most',
  exclusiveMaximum: 'below',
};

function faultOf(error: ErrorObject): Fault {
  const path = dotted(error.instancePath);
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'required':
      return { path: below(path, String(params.missingProperty)), code: 'missing' };
    case 'additionalProperties':
      return { path: below(path, String(params.additionalProperty)), code: 'unknown-key' };
    case 'const':
      return { path, code: 'expected', what: quoted(params.allowedValue) };
    case 'enum':
      return { path, code: 'choice', among: (params.allowedValues as unknown[]).map(quoted) };
    case 'type':
      return { path, code: 'expected', what: article(String(params.type)) };
    case 'pattern':
      // A pattern asks for something to be written at all, or for what its schema describes.
      return params.pattern === '\\S'
        ? { path, code: 'blank' }
        : {
            path,
            code: 'expected',
            what: String((error.parentSchema as { description?: string } | undefined)?.description ?? 'spelled otherwise'),
          };
    case 'discriminator':
      return { path: below(path, String(params.tag)), code: 'unknown-kind' };
    default: {
      const is = BOUNDS[error.keyword];
      return is
        ? boundFault(path, { is, value: Number(params.limit) })
        : { path, code: 'not-valid', reason: error.message ?? 'is not valid' };
    }
  }
}

/** A choice of shapes fails with the faults of every branch; keep those of the branch that was meant. */
function telling(errors: readonly ErrorObject[]): ErrorObject[] {
  const specific = errors.filter(({ keyword }) => keyword !== 'oneOf' && keyword !== 'anyOf');
  return specific.filter(
    (error) => !(error.keyword === 'type' && error.params.type === 'null' && error.data !== null && typeof error.data === 'object'),
  );
}

const shortened = (fault: Fault): Fault =>
  fault.path.length > MOST_PATH ? { ...fault, path: `${fault.path.slice(0, MOST_PATH)}…` } : fault;

/** At most fifty faults, each short, and how many more there are. */
function faulty(faults: readonly Fault[]): Extract<Read<never>, { kind: 'faulty' }> {
  const lines = [...new Map(faults.map(shortened).map((fault) => [formatFault(fault), fault])).values()];
  const more = lines.length - MOST_FAULTS;
  return { kind: 'faulty', faults: more > 0 ? [...lines.slice(0, MOST_FAULTS), { path: '', code: 'more', count: more }] : lines };
}

function check<T>(validate: ValidateFunction, value: unknown, limits?: SizeLimits): Read<T> {
  const large = tooLarge(value, limits);
  if (large) return faulty([large]);
  return validate(value) ? { kind: 'read', value: value as T } : faulty(telling(validate.errors ?? []).map(faultOf));
}

/** Times of a record that a schema cannot judge, normalised to UTC. */
function withTimeInUtc<T>(read: Read<T>, key: keyof T & string): Read<T> {
  if (read.kind === 'faulty') return read;
  const utc = inUtc(read.value[key] as string);
  return utc === null
    ? faulty([{ path: key, code: 'expected', what: 'a real time with its offset, such as 2026-11-21T18:00:00Z' }])
    : { kind: 'read', value: { ...read.value, [key]: utc } };
}

/** Ids are stored in small letters: one in capitals is the same. */
const smallId = <K extends string>(key: K, record: Partial<Readonly<Record<K, string | null>>>): Partial<Record<K, string>> =>
  typeof record[key] === 'string' ? ({ [key]: record[key].toLowerCase() } as Partial<Record<K, string>>) : {};

/** Reads the plain numbers of a run (schemas/run-setup.schema.json). */
export const readRunSetup = (value: unknown): Read<RunSetup> => check(validators.runSetup, value);
/** Reads a brief (schemas/brief.schema.json), and that its floors and rounds go together. */
export function readBrief(value: unknown): Read<Brief> {
  const read = check<Brief>(validators.brief, value);
  if (read.kind === 'faulty') return read;
  const faults = briefFaults(read.value);
  return faults.length > 0 ? faulty(faults) : read;
}
/** Reads an afternoon of runs (schemas/session.schema.json); its time comes back in UTC. */
export const readSession = (value: unknown): Read<Session> => withTimeInUtc(check<Session>(validators.session, value), 'begunAt');
/** Reads a car design (schemas/car-design.schema.json). One of version 1 is read in the terms of this version. */
export function readCarDesign(value: unknown): Read<CarDesign> {
  if (!isFirstVersion(value)) return check(validators.carDesign, value);
  const large = tooLarge(value);
  if (large) return faulty([large]);
  const first = renamed(value);
  if ('faults' in first) return faulty(first.faults);
  const read = check<CarDesign>(validators.carDesign, first.draft);
  return read.kind === 'read' ? check(validators.carDesign, placed(read.value, first.said)) : read;
}

/** The same, of a record that holds a design: its faults are reported under `design`. */
function withDesignRead<T>(value: unknown, read: (value: unknown) => Read<T>): Read<T> {
  const design = (value as { design?: unknown } | null)?.design;
  if (!isFirstVersion(design)) return read(value);
  const upgraded = readCarDesign(design);
  return upgraded.kind === 'read'
    ? read({ ...(value as object), design: upgraded.value })
    : faulty(upgraded.faults.map((fault) => ({ ...fault, path: below('design', fault.path) })));
}
/** Reads a version saved by name; its time comes back in UTC, its parent's id in small letters. */
export function readCarVersion(value: unknown): Read<CarVersion> {
  const read = withTimeInUtc<CarVersion>(
    withDesignRead(value, (whole) => check(validators.carVersion, whole)),
    'keptAt',
  );
  if (read.kind === 'faulty') return read;
  const { bench } = read.value;
  const faults = bench ? columnFaults(bench.measurement).map((fault) => ({ ...fault, path: `bench.measurement.${fault.path}` })) : [];
  return faults.length > 0 ? faulty(faults) : { kind: 'read', value: { ...read.value, ...smallId('parent', read.value) } };
}
/** A part of the builder's own, with values that belong to its kind. */
export function readOwnPart(value: unknown): Read<OwnPart> {
  const read = check<OwnPart>(validators.ownPart, value);
  if (read.kind === 'faulty') return read;
  const faults = partFaults(read.value);
  return faults.length > 0 ? faulty(faults) : read;
}
/** Reads a measured run; its time comes back in UTC, its version's id in small letters. */
export function readRunRecord(value: unknown): Read<RunRecord> {
  const read = withTimeInUtc<RunRecord>(
    withDesignRead(value, (whole) => check(validators.runRecord, whole)),
    'ranAt',
  );
  return read.kind === 'read'
    ? {
        kind: 'read',
        value: { ...read.value, ...smallId('carVersion', read.value), ...smallId('session', read.value), ...smallId('photo', read.value) },
      }
    : read;
}

/** Values of a file of trials: 400 runs, each with its car. */
const VALUES_OF_TRIALS = 200_000;
/** Reads a car with its runs (schemas/trials.schema.json), each run as by itself; its brief must go together too. */
export function readTrials(value: unknown): Read<Trials> {
  const large = tooLarge(value, { values: VALUES_OF_TRIALS });
  if (large) return faulty([large]);
  const { design, runs, brief, ...rest } = (value ?? {}) as Record<string, unknown>;
  const parts: readonly (readonly [path: string, read: Read<unknown>])[] = [
    ['design', readCarDesign(design)],
    ...(Array.isArray(runs) ? runs.map((run: unknown, i) => [`runs[${i}]`, readRunRecord(run)] as const) : []),
    ...(brief === undefined ? [] : [['brief', readBrief(brief)] as const]),
  ];
  const wrong = parts.flatMap(([path, read]) =>
    read.kind === 'faulty' ? read.faults.map((fault) => ({ ...fault, path: fault.path === '' ? path : below(path, fault.path) })) : [],
  );
  if (wrong.length > 0) return faulty(wrong);
  const read = (of: string): unknown => parts.filter(([path]) => path.startsWith(of)).map(([, part]) => (part as { value: unknown }).value);
  const [readDesign] = read('design') as unknown[];
  const whole = { ...rest, design: readDesign, runs: Array.isArray(runs) ? read('runs') : runs, ...(brief !== undefined && { brief }) };
  return check(validators.trials, whole, { values: VALUES_OF_TRIALS });
}

/** Reads a measurement of a part or car (schemas/measurement.schema.json): a single reading is a column of one, its columns are as long as each other. */
export function readMeasurement(value: unknown): Read<Measurement> {
  const read = withDesignRead<Measurement>(fullMeasurement(value), (whole) => check(validators.measurement, whole));
  if (read.kind === 'faulty') return read;
  const faults = columnFaults(read.value);
  return faults.length > 0 ? faulty(faults) : read;
}

/** Values of a class: its brief, kit and crews. */
const VALUES_OF_CLASS = 50_000;
/** Items of a list that an earlier one is alike in. */
const repeated = <T>(items: readonly T[], of: (item: T) => string): readonly number[] =>
  items.flatMap((item, i) => (items.slice(0, i).some((before) => of(before) === of(item)) ? [i] : []));
/** Reads a class (schemas/crew-class.schema.json): its brief and parts as by themselves, and no two crews of one id or name. */
export function readClass(value: unknown): Read<CrewClass> {
  const read = check<CrewClass>(validators.crewClass, value, { values: VALUES_OF_CLASS });
  if (read.kind === 'faulty') return read;
  const { brief, kit, crews } = read.value;
  const faults: Fault[] = [
    ...briefFaults(brief).map((fault) => ({ ...fault, path: below('brief', fault.path) })),
    ...kit.flatMap((part, i) => partFaults(part).map((fault) => ({ ...fault, path: below(`kit[${i}]`, fault.path) }))),
    ...repeated(crews, ({ id }) => id).map((i): Fault => ({
      path: `crews[${i}].id`,
      code: 'not-valid',
      reason: 'is the id of another crew',
    })),
    ...repeated(crews, ({ name }) => name.trim().toLowerCase()).map((i): Fault => ({
      path: `crews[${i}].name`,
      code: 'not-valid',
      reason: 'is the name of another crew',
    })),
  ];
  return faults.length > 0 ? faulty(faults) : read;
}
/** Reads what a crew's device worked out (schemas/crew-report.schema.json). */
export const readCrewReport = (value: unknown): Read<CrewReport> => check(validators.crewReport, value);

/** Letters of a picture in base64. */
const MOST_OF_A_PICTURE = 1_000_000;
/** Pixels of a picture: more would stop a page that shows it for seconds. */
const MOST_PIXELS = 12_000_000;
/** Reads a picture of a run (schemas/photo.schema.json): the picture alone, without what a camera writes beside it. */
export function readPhoto(value: unknown): Read<Photo> {
  const read = check<Photo>(validators.photo, value, { characters: MOST_OF_A_PICTURE });
  if (read.kind === 'faulty') return read;
  // Base64 comes in fours.
  const bare = read.value.jpeg.length % 4 === 0 ? bareJpeg(bytesOfBase64(read.value.jpeg)) : null;
  if (!bare) return faulty([{ path: 'jpeg', code: 'expected', what: 'a whole JPEG file' }]);
  const count = bare.width * bare.height;
  if (count > MOST_PIXELS) return faulty([{ path: 'jpeg', code: 'too-large', of: 'pixels', count, most: MOST_PIXELS }]);
  return { kind: 'read', value: { ...read.value, jpeg: base64Of(bare.bytes) } };
}

/** Values of the largest meet: its brief, two hundred entries, and in a file every result of a season. */
const MOST_OF_A_MEET = 400_000;
/** Reads what was seen in a film (schemas/film.schema.json): marks along one line have one number each, else each has two; times rise. */
export function readFilm(value: unknown): Read<Film> {
  const read = check<Film>(validators.film, value, { values: VALUES_OF_FILM });
  if (read.kind === 'faulty') return read;
  const { marks, points } = read.value;
  const inLine = marks[0]!.floor.length === 1;
  const faults: Fault[] = [
    ...marks.flatMap(({ floor }, i): Fault[] =>
      (floor.length === 1) === inLine
        ? []
        : [{ path: `marks[${i}].floor`, code: 'not-valid', reason: 'has not as many numbers as the first mark' }],
    ),
    ...(inLine || marks.length >= 4
      ? []
      : [{ path: 'marks', code: 'not-valid', reason: 'needs four marks or more, or one number for each along one line' } as const]),
    ...points.flatMap(({ time }, i): Fault[] =>
      i > 0 && time <= points[i - 1]!.time
        ? [{ path: `points[${i}].time`, code: 'not-valid', reason: 'is not later than the one before it' }]
        : [],
    ),
  ];
  return faults.length > 0 ? faulty(faults) : read;
}
/** Numbers and texts of a film at most: every frame of ten minutes. */
const VALUES_OF_FILM = 80_000;

/** Reads a meet (schemas/meet.schema.json), its brief’s floors and rounds as those of any. */
export function readMeet(value: unknown): Read<Meet> {
  const read = check<Meet>(validators.meet, value, { values: MOST_OF_A_MEET, entries: 20_000 });
  if (read.kind === 'faulty') return read;
  const faults = briefFaults(read.value.brief).map((fault) => ({ ...fault, path: below('brief', fault.path) }));
  return faults.length > 0 ? faulty(faults) : read;
}
/** Reads one entry of a meet (schemas/meet-entry.schema.json). */
export const readMeetEntry = (value: unknown): Read<MeetEntry> => check<MeetEntry>(validators.meetEntry, value);
/** Reads one result of a meet (schemas/meet-result.schema.json); its time comes back in UTC. */
export const readMeetResult = (value: unknown): Read<MeetResult> => withTimeInUtc(check<MeetResult>(validators.meetResult, value), 'at');

/** Reads the manifest of an archive. */
export const readArchiveManifest = (value: unknown): Read<ArchiveManifest> =>
  withTimeInUtc(check<ArchiveManifest>(validators.archive, value), 'savedAt');

/** Reads the text of a JSON file and hands it to one of the readers above. */
export function readJson<T>(text: string, read: (value: unknown) => Read<T>): Read<T> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return { kind: 'faulty', faults: [{ path: '', code: 'not-json', reason: (error as Error).message }] };
  }
  return read(value);
}

/** The format that the text of a JSON file says it is of; null where it says none. */
export function formatOf(text: string): string | null {
  try {
    const { format } = (JSON.parse(text) ?? {}) as { format?: unknown };
    return typeof format === 'string' ? format : null;
  } catch {
    return null;
  }
}

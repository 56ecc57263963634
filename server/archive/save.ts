import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { Zip, ZipDeflate } from 'fflate';
import { ARCHIVE_PLACES, spacePlace } from '../../core/files/archive.ts';
import type { ArchiveManifest } from '../../core/schema/generated/archive.ts';
import { RESOURCE_KINDS, RESOURCES, type DocumentKind, type ResourceKind } from '../../core/schema/resources.ts';
import { findSpaceFile } from '../data-file.ts';
import type { Db } from '../database.ts';
import { SERVED } from '../resources.ts';

/** Runs, and earlier designs, of one file of the archive. */
const RUNS_IN_A_FILE = 500;
const DESIGNS_IN_A_FILE = 200;
/** Files written before others get their turn: a request in between waits for these at most. */
const FILES_AT_ONCE = 20;

/** Pages of the database that are copied before others get their turn. */
const PAGES_AT_ONCE = 200;

const isDocument = (kind: ResourceKind): kind is DocumentKind => kind !== 'car' && RESOURCES[kind].owner !== 'car';

interface File {
  readonly place: string;
  readonly text: string;
}

/** The texts of rows, cut into files of so many. */
function* inFiles<Row>(rows: Iterable<Row>, most: number, fileOf: (rows: readonly Row[], n: number) => File): Generator<File> {
  let batch: Row[] = [];
  let n = 0;
  for (const row of rows) {
    batch.push(row);
    if (batch.length < most) continue;
    yield fileOf(batch, ++n);
    batch = [];
  }
  if (batch.length > 0) yield fileOf(batch, ++n);
}

interface RunRow {
  readonly id: string;
  readonly record: string;
  readonly design_id: string | null;
}

/** Every file of an archive but for its zip: what is stored and not removed, each text as it is; of one class alone where that is asked for. */
function* filesOf(db: Db, savedAt: Date, onlyClass?: string): Generator<File> {
  const here = 'deleted_at IS NULL';
  /** What is asked for of each kind. */
  const wanted = (kind: ResourceKind): string =>
    onlyClass === undefined ? here : kind === 'class' ? `${here} AND id = '${onlyClass}'` : 'false';
  const ofCarHere = `car_id IN (SELECT id FROM cars WHERE ${here})`;
  const ofMeetHere = `meet IN (SELECT id FROM meets WHERE ${here})`;
  const listed = (kind: ResourceKind): string => {
    const { owner } = RESOURCES[kind];
    return `${SERVED[kind].table} WHERE ${wanted(kind)}${owner === 'car' ? ` AND ${ofCarHere}` : owner === 'meet' ? ` AND ${ofMeetHere}` : ''}`;
  };
  const count = (from: string): number => db.prepare<[], { n: number }>(`SELECT count(*) AS n FROM ${from}`).get()!.n;
  const changesHere = `replaced_content WHERE ${(['run', 'result', 'entry'] as const)
    .map((what) => `(what = '${what}' AND id IN (SELECT id FROM ${listed(what)}))`)
    .join(' OR ')}`;
  const manifest: ArchiveManifest = {
    format: 'nimble-axle/archive',
    version: 1,
    savedAt: savedAt.toISOString(),
    holds: {
      ...(Object.fromEntries(RESOURCE_KINDS.map((kind) => [RESOURCES[kind].plural, count(listed(kind))])) as Record<
        (typeof RESOURCES)[ResourceKind]['plural'],
        number
      >),
      earlier: onlyClass === undefined ? count(`car_history WHERE ${ofCarHere}`) : 0,
      changes: count(changesHere),
    },
  };
  yield { place: ARCHIVE_PLACES.manifest, text: JSON.stringify(manifest, null, 2) };
  for (const kind of RESOURCE_KINDS.filter(isDocument))
    for (const { id, text } of db
      .prepare<[], { id: string; text: string }>(`SELECT id, ${SERVED[kind].column} AS text FROM ${listed(kind)} ORDER BY rowid`)
      .iterate())
      yield { place: ARCHIVE_PLACES.document(kind, id), text };
  const changes = db.prepare<[], { what: string; id: string; version: number; saved_at: string; content: string }>(
    `SELECT what, id, version, saved_at, content FROM ${changesHere} ORDER BY what, id, version`,
  );
  yield* inFiles(changes.iterate(), RUNS_IN_A_FILE, (rows, n) => ({
    place: ARCHIVE_PLACES.changes(n),
    text: `{"format":"nimble-axle/changes","version":1,"changes":[\n${rows
      .map((row) => `{"what":"${row.what}","id":"${row.id}","version":${row.version},"savedAt":"${row.saved_at}","content":${row.content}}`)
      .join(',\n')}\n]}`,
  }));
  const versions = db.prepare<[string], { id: string; record: string }>(
    `SELECT id, record FROM car_versions WHERE car_id = ? AND ${here} ORDER BY created_at, rowid`,
  );
  const history = db.prepare<[string], { version: number; saved_at: string; design: string }>(
    'SELECT version, saved_at, design FROM car_history WHERE car_id = ? AND json_valid(design) ORDER BY version',
  );
  const runs = db.prepare<[string], RunRow>(
    `SELECT id, record, design_id FROM runs WHERE car_id = ? AND ${here} AND json_valid(record) ORDER BY ran_at, id`,
  );
  const designOf = db.prepare<[string], { design: string }>('SELECT design FROM designs WHERE id = ?');
  const runList = (rows: readonly RunRow[]): string => {
    const designs = [...new Set(rows.flatMap(({ design_id: id }) => (id === null ? [] : [id])))];
    const entries = designs.map((id) => `"${id}":${designOf.get(id)!.design}`).join(',');
    const listed = rows.map(({ id, design_id: design, record }) => `{"id":"${id}","design":"${design}","record":${record}}`).join(',\n');
    return `{"format":"nimble-axle/run-list","version":1,"designs":{${entries}},"runs":[\n${listed}\n]}`;
  };
  for (const { id, design } of db.prepare<[], { id: string; design: string }>(`SELECT id, design FROM ${listed('car')}`).all()) {
    yield { place: ARCHIVE_PLACES.car(id), text: design };
    for (const version of versions.iterate(id)) yield { place: ARCHIVE_PLACES.version(id, version.id), text: version.record };
    yield* inFiles(history.iterate(id), DESIGNS_IN_A_FILE, (rows, n) => ({
      place: ARCHIVE_PLACES.history(id, n),
      text: `{"format":"nimble-axle/car-history","version":1,"earlier":[\n${rows
        .map(({ version, saved_at: at, design: earlier }) => `{"version":${version},"savedAt":"${at}","design":${earlier}}`)
        .join(',\n')}\n]}`,
    }));
    yield* inFiles(runs.iterate(id), RUNS_IN_A_FILE, (rows, n) => ({ place: ARCHIVE_PLACES.runs(id, n), text: runList(rows) }));
  }
}

/** The crews of the classes that are asked for, removed classes left out. */
function crewsIn(db: Db, onlyClass?: string): readonly string[] {
  const rows = db
    .prepare<[], { crewId: string }>(
      `SELECT crew.value ->> '$.id' AS crewId FROM classes, json_each(class, '$.crews') crew
       WHERE deleted_at IS NULL${onlyClass === undefined ? '' : ` AND classes.id = '${onlyClass}'`}`,
    )
    .all();
  return [...new Set(rows.map(({ crewId }) => crewId))];
}

/** Reads from a copy that an open database makes of itself: one moment of it, which holds up nobody who writes meanwhile. */
async function* fromCopy<T>(open: Db, read: (copy: Db) => Iterable<T>): AsyncGenerator<T> {
  const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-copy-'));
  const copy = join(folder, 'copy.sqlite');
  let db: Db | undefined;
  try {
    await open.backup(copy, { progress: () => PAGES_AT_ONCE });
    db = new Database(copy, { readonly: true });
    yield* read(db);
  } finally {
    db?.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The files of the owner, and then those of every crew, each below its own place. */
async function* allFiles(open: Db, savedAt: Date, onlyClass?: string): AsyncGenerator<File> {
  let crews: readonly string[] = [];
  yield* fromCopy(open, function* (db) {
    crews = crewsIn(db, onlyClass);
    yield* filesOf(db, savedAt, onlyClass);
  });
  for (const crewId of crews) {
    const path = findSpaceFile(open.name, crewId);
    if (path === null) continue;
    const space = new Database(path, { fileMustExist: true });
    try {
      for await (const { place, text } of fromCopy(space, (db) => filesOf(db, savedAt))) yield { place: spacePlace(crewId, place), text };
    } finally {
      space.close();
    }
  }
}

/**
 * Everything that is stored, as the bytes of a zip (docs: schemas/archive.schema.json), with the work of the crews of every class; or one class
 * alone. Read from copies, it can be had where the folder was moved away.
 */
export async function* archiveOf(open: Db, savedAt: Date, { onlyClass }: { readonly onlyClass?: string } = {}): AsyncGenerator<Uint8Array> {
  let written: Uint8Array[] = [];
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    written.push(bytes);
  });
  const encoder = new TextEncoder();
  let files = 0;
  for await (const { place, text } of allFiles(open, savedAt, onlyClass)) {
    const file = new ZipDeflate(place, { level: 6 });
    file.mtime = savedAt;
    zip.add(file);
    file.push(encoder.encode(text), true);
    if (++files % FILES_AT_ONCE !== 0) continue;
    yield* written;
    written = [];
    await new Promise((resolve) => setImmediate(resolve));
  }
  zip.end();
  yield* written;
}

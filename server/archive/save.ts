import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { Zip, ZipDeflate } from 'fflate';
import { ARCHIVE_PLACES } from '../../core/files/archive.ts';
import type { ArchiveManifest } from '../../core/schema/generated/archive.ts';
import { RESOURCE_KINDS, RESOURCES, type DocumentKind, type ResourceKind } from '../../core/schema/resources.ts';
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

/** Every file of an archive but for its zip: what is stored and not removed, each text as it is. */
function* filesOf(db: Db, savedAt: Date): Generator<File> {
  const here = 'deleted_at IS NULL';
  const ofCarHere = `car_id IN (SELECT id FROM cars WHERE ${here})`;
  const ofMeetHere = `meet IN (SELECT id FROM meets WHERE ${here})`;
  const listed = (kind: ResourceKind): string => {
    const { owner } = RESOURCES[kind];
    return `${SERVED[kind].table} WHERE ${here}${owner === 'car' ? ` AND ${ofCarHere}` : owner === 'meet' ? ` AND ${ofMeetHere}` : ''}`;
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
      earlier: count(`car_history WHERE ${ofCarHere}`),
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
  for (const { id, design } of db.prepare<[], { id: string; design: string }>(`SELECT id, design FROM cars WHERE ${here}`).all()) {
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

/**
 * Everything that is stored, as the bytes of a zip (docs: schemas/archive.schema.json). Read from a copy that the open database makes of
 * itself: it is one moment, holds up nobody who writes meanwhile, and can be had where the folder was moved away.
 */
export async function* archiveOf(open: Db, savedAt: Date): AsyncGenerator<Uint8Array> {
  const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-copy-'));
  const copy = join(folder, 'copy.sqlite');
  let db: Db | undefined;
  try {
    await open.backup(copy, { progress: () => PAGES_AT_ONCE });
    db = new Database(copy, { readonly: true });
    let written: Uint8Array[] = [];
    const zip = new Zip((error, bytes) => {
      if (error) throw error;
      written.push(bytes);
    });
    const encoder = new TextEncoder();
    let files = 0;
    for (const { place, text } of filesOf(db, savedAt)) {
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
  } finally {
    db?.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

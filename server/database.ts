import { createHash } from 'node:crypto';
import { chmodSync, readdirSync, readFileSync, existsSync, statSync } from 'node:fs';
import Database from 'better-sqlite3';
import { readCarDesign, readJson } from '../core/files/read.ts';
import { APPLICATION_ID, DataUnusable, FILE_ENDS, findDataFile, reasonOf, SET_ASIDE, type DataFile } from './data-file.ts';

export type Db = Database.Database;

/** The database while it is open. */
export interface Store {
  readonly db: Db;
  /** Whether what is written still arrives at the file's place: false once the folder was moved or deleted. */
  readonly isInPlace: () => boolean;
}

const MIGRATIONS = new URL('migrations/', import.meta.url);
const scripts = readdirSync(MIGRATIONS)
  .filter((name) => name.endsWith('.sql'))
  .sort();
const sqlOf = (name: string): string => readFileSync(new URL(name, MIGRATIONS), 'utf8');

/** The tables that a database of each data version has, read from the migrations themselves; the first has none. */
const TABLES: readonly ReadonlySet<string>[] = scripts.reduce<Set<string>[]>(
  (versions, name) => {
    const tables = new Set(versions.at(-1));
    for (const [, created, dropped, from, to] of sqlOf(name).matchAll(
      /^(?:CREATE TABLE (\w+)|DROP TABLE (\w+)|ALTER TABLE (\w+) RENAME TO (\w+))/gm,
    )) {
      if (created) tables.add(created);
      tables.delete(dropped ?? from ?? '');
      if (to) tables.add(to);
    }
    return [...versions, tables];
  },
  [new Set()],
);

/** ms that a start waits for another program's write to end. */
const START_PATIENCE = 2000;

/** What a database says it is, read without writing. Refuses one that is not ours, of a newer program, or at odds with itself. */
function refuseForeign({ path, wasCutOff }: DataFile): void {
  const db = new Database(path, { readonly: true, timeout: START_PATIENCE });
  try {
    const version = db.pragma('user_version', { simple: true }) as number;
    const isMarked = db.pragma('application_id', { simple: true }) === APPLICATION_ID;
    const tables = new Set(
      db
        .prepare<[], { name: string }>("SELECT name FROM sqlite_schema WHERE type = 'table'")
        .all()
        .map(({ name }) => name),
    );
    const expected = TABLES[Math.min(version, scripts.length)]!;
    const missing = [...expected].filter((name) => !tables.has(name));
    const early = [...new Set(TABLES.flatMap((names) => [...names]))].filter((name) => !expected.has(name) && tables.has(name));
    const isOurs = isMarked || (missing.length === 0 && (version > 0 || tables.size === 0));
    if (!isOurs)
      throw new DataUnusable(`${path} is the database of another program. Move it away, or name another folder in NIMBLE_AXLE_DATA.`);
    if (version > scripts.length)
      throw new DataUnusable(
        `${path} was written by a newer Nimble Axle (data version ${version}, this one knows ${scripts.length}). Start the newer one; nothing was changed.`,
      );
    if (missing.length > 0 || early.length > 0) {
      const oddity = missing.length > 0 ? `lacks the table ${missing.join(', ')}` : `has the table ${early.join(', ')} of a later one`;
      throw new DataUnusable(`${path} says it is of data version ${version}, but ${oddity}. ${SET_ASIDE}`);
    }
    if (wasCutOff) {
      const found = db.pragma('quick_check(3)') as { quick_check: string }[];
      if (found[0]?.quick_check !== 'ok')
        throw new DataUnusable(`${path} is damaged (${found.map(({ quick_check: line }) => line).join('; ')}). ${SET_ASIDE}`);
    }
  } finally {
    db.close();
  }
}

function migrate(db: Db): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  if (done === scripts.length) return;
  db.function('sha256', { deterministic: true }, (text) =>
    text === null ? null : createHash('sha256').update(String(text)).digest('hex'),
  );
  db.function('second_version', { deterministic: true }, (text) => {
    const read = readJson(String(text), readCarDesign);
    return read.kind === 'read' ? JSON.stringify(read.value) : null;
  });
  db.transaction(() => {
    scripts.slice(done).forEach((name) => db.exec(sqlOf(name)));
    db.pragma(`user_version = ${scripts.length}`);
    db.pragma(`application_id = ${APPLICATION_ID}`);
  })();
}

/** Which file a path leads to; it stays the same as long as nobody moves or replaces it. */
const fileAt = (path: string): string | null => {
  const found = statSync(path, { throwIfNoEntry: false });
  return found ? `${found.dev}:${found.ino}` : null;
};

function setUp(db: Db): void {
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
}

function storeOf(db: Db): Store {
  const { name } = db;
  const [main, log] = [fileAt(name), fileAt(`${name}-wal`)];
  return { db, isInPlace: () => fileAt(name) === main && fileAt(`${name}-wal`) === log };
}

/** A database that is nowhere: what a place looks like where nothing is stored yet. */
export function emptyStore(): Store {
  const db = new Database(':memory:');
  migrate(db);
  return { db, isInPlace: () => true };
}

/** A connection of its own to a database that is open already, for work beside the server's. */
export function openBeside(path: string): Store {
  const db = new Database(path, { fileMustExist: true, timeout: 0 });
  setUp(db);
  return storeOf(db);
}

/**
 * Opens the database in `folder`, making or migrating it.
 *
 * @throws DataUnusable, with what to do, when it is damaged, newer, another program's or out of reach: then it is untouched.
 */
export function openDatabase(folder: string): Store {
  const file = findDataFile(folder);
  const { path, isNew } = file;
  let db: Db | undefined;
  try {
    if (!isNew) refuseForeign(file);
    db = new Database(path, { timeout: START_PATIENCE });
    // Before the log is used, so that the mark is in the file itself.
    if (isNew) db.pragma(`application_id = ${APPLICATION_ID}`);
    setUp(db);
    migrate(db);
    // A write lock of another program is waited for outside of the database, so that reads go on meanwhile.
    db.pragma('busy_timeout = 0');
    for (const end of FILE_ENDS) if (existsSync(path + end)) chmodSync(path + end, 0o600);
    return storeOf(db);
  } catch (error) {
    db?.close();
    if (error instanceof DataUnusable) throw error;
    const { code } = error as { code?: string };
    if (code === 'SQLITE_NOTADB' || code?.startsWith('SQLITE_CORRUPT'))
      throw new DataUnusable(`${path} is damaged or not a Nimble Axle database (${(error as Error).message}). ${SET_ASIDE}`);
    const reason = reasonOf(error, path);
    if (reason !== null) throw new DataUnusable(reason);
    if (error instanceof Database.SqliteError) throw new DataUnusable(`${path} cannot be used (${error.message}). ${SET_ASIDE}`);
    throw error;
  }
}

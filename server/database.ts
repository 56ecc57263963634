import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

export type Db = Database.Database;

const MIGRATIONS = new URL('migrations/', import.meta.url);

/** The data on disk cannot be used as it is; the message says what to do. */
export class DataUnusable extends Error {}

function migrate(db: Db, file: string): void {
  const scripts = readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  const done = db.pragma('user_version', { simple: true }) as number;
  if (done > scripts.length)
    throw new DataUnusable(
      `${file} was written by a newer Nimble Axle (data version ${done}, this one knows ${scripts.length}). Start the newer one; nothing was changed.`,
    );
  db.transaction(() => {
    scripts.slice(done).forEach((name) => db.exec(readFileSync(new URL(name, MIGRATIONS), 'utf8')));
    db.pragma(`user_version = ${scripts.length}`);
  })();
}

/** Opens the database in `folder`, making or migrating it. A newer or damaged one is refused, untouched. */
export function openDatabase(folder: string): Db {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'nimble-axle.sqlite');
  const db = new Database(file);
  try {
    db.pragma('journal_mode = WAL');
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    migrate(db, file);
    return db;
  } catch (error) {
    db.close();
    if (error instanceof DataUnusable) throw error;
    if ((error as { code?: string }).code === 'SQLITE_NOTADB' || (error as { code?: string }).code === 'SQLITE_CORRUPT')
      throw new DataUnusable(`${file} is damaged or not a Nimble Axle database. Put a copy of your data folder back in its place.`);
    throw error;
  }
}

import { createWriteStream, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { StoredClass } from '../../core/schema/stored.ts';
import { archiveOf } from '../archive/save.ts';
import type { Store } from '../database.ts';

/** A class that was cleared: the name of its archive, and when it was written. */
export interface ClearedClass {
  readonly file: string;
  readonly clearedAt: string;
  readonly bytes: number;
}

const folderOf = ({ db }: Store): string => join(dirname(db.name), 'cleared');
const FILE = /^[\p{L}\p{N}-]{1,120}\.zip$/u;

/** The archive of a cleared class by its name; null for a name of none. */
export function clearedFile(store: Store, file: string): string | null {
  const path = join(folderOf(store), file);
  return FILE.test(file) && existsSync(path) ? path : null;
}

/** Archives of cleared classes, the newest first. */
export function clearedClasses(store: Store): readonly ClearedClass[] {
  const folder = folderOf(store);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((file) => FILE.test(file))
    .map((file) => {
      const { mtime, size } = statSync(join(folder, file));
      return { file, clearedAt: mtime.toISOString(), bytes: size };
    })
    .toSorted((a, b) => b.clearedAt.localeCompare(a.clearedAt));
}

/** Writes the archive of one class beside the database; what it is called. It is whole before it gets its name. */
export async function writeCleared(store: Store, { id, class: { name } }: StoredClass, now: Date): Promise<string> {
  const folder = folderOf(store);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const words = name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60);
  const file = `${words}-${now.toISOString().slice(0, 19).replaceAll(':', '-')}.zip`;
  const part = join(folder, `${file}.part`);
  try {
    await pipeline(Readable.from(archiveOf(store.db, now, { onlyClass: id })), createWriteStream(part, { mode: 0o600 }));
    renameSync(part, join(folder, file));
  } finally {
    rmSync(part, { force: true });
  }
  return file;
}

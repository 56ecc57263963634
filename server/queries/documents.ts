import type { DocumentKind } from '../../core/schema/resources.ts';
import type { EarlierContent, StoredItem, Listed } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { SERVED } from '../resources.ts';
import { contentReader, type ContentRow, type Reader } from './rows.ts';

/** JSON documents of one kind, one to a row, answered under the name of their column. */
export function documents<T, S extends StoredItem & { readonly updatedAt: string }>(db: Db, kind: DocumentKind | 'car', read: Reader<T>) {
  const { table, column } = SERVED[kind];
  const storedOf = contentReader<T, S>(column, read);
  const columns = `SELECT id, version, ${column} AS content, updated_at FROM ${table}`;
  const list = db.prepare<[], ContentRow>(`${columns} WHERE deleted_at IS NULL ORDER BY created_at, id`);
  const page = db.prepare<[number, number], ContentRow>(`${columns} WHERE deleted_at IS NULL ORDER BY created_at, id LIMIT ? OFFSET ?`);
  const find = db.prepare<[string], ContentRow>(`${columns} WHERE id = ? AND deleted_at IS NULL`);
  const isThere = db.prepare<[string]>(`SELECT 1 FROM ${table} WHERE id = ? AND deleted_at IS NULL`);
  const insert = db.prepare(
    `INSERT OR IGNORE INTO ${table} (id, version, ${column}, created_at, updated_at) VALUES (@id, 1, @content, @now, @now)`,
  );
  const update = db.prepare(
    `UPDATE ${table} SET ${column} = @content, version = version + 1, updated_at = @now WHERE id = @id AND version = @base AND deleted_at IS NULL`,
  );
  const remove = db.prepare(`UPDATE ${table} SET deleted_at = @at WHERE id = @id AND deleted_at IS NULL`);
  const destroy = db.prepare(`DELETE FROM ${table} WHERE id = ?`);
  const restore = db.prepare(`UPDATE ${table} SET deleted_at = NULL WHERE id = @id`);
  return {
    has: (id: string): boolean => isThere.get(id) !== undefined,
    get: (id: string): Listed<S> | undefined => {
      const row = find.get(id);
      return row && storedOf(row);
    },
    all: (): Listed<S>[] => list.all().map(storedOf),
    page: (limit: number, offset: number): Listed<S>[] => page.all(limit, offset).map(storedOf),
    /** Writes over version `base` (0: makes it). False when another version stands there. */
    write: (id: string, base: number, content: T, now: string): boolean => {
      const values = { id, content: JSON.stringify(content), now };
      return (base === 0 ? insert.run(values) : update.run({ ...values, base })).changes === 1;
    },
    remove: (id: string, at: string): boolean => remove.run({ id, at }).changes === 1,
    restore: (id: string): boolean => restore.run({ id }).changes === 1,
    /** Deletes it for good. */
    destroy: (id: string): void => void destroy.run(id),
  };
}
export type Documents<T, S extends StoredItem & { readonly updatedAt: string }> = ReturnType<typeof documents<T, S>>;

/** What runs, results or entries were before they were changed, the newest first. */
export function historyQueries(db: Db, what: 'run' | 'result' | 'entry') {
  const list = db.prepare<[string, number, number], { version: number; saved_at: string; content: string }>(
    `SELECT version, saved_at, content FROM replaced_content WHERE what = '${what}' AND id = ? AND version < ? ORDER BY version DESC LIMIT ?`,
  );
  return (id: string, before: number, limit: number): EarlierContent[] =>
    list
      .all(id, before, limit)
      .map(({ version, saved_at: savedAt, content }) => ({ version, savedAt, content: JSON.parse(content) as unknown }));
}

import { readMeet, readMeetEntry, readMeetResult } from '../../core/files/read.ts';
import type { Meet } from '../../core/schema/generated/meet.ts';
import type { MeetEntry } from '../../core/schema/generated/meet-entry.ts';
import type { MeetResult } from '../../core/schema/generated/meet-result.ts';
import type { OfMeetKind } from '../../core/schema/resources.ts';
import {
  isReadable,
  type StoredItem,
  type Listed,
  type ListedMeet,
  type ResultPage,
  type StoredEntry,
  type StoredMeet,
  type StoredResult,
} from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { SERVED } from '../resources.ts';
import { documents } from './documents.ts';
import { contentReader, type ContentRow, type Reader } from './rows.ts';

interface Row extends ContentRow {
  readonly number: number;
}

/** What belongs to meets, one to a row, reached only under its own meet and counted in the order in which it came. */
function ofMeets<T, S extends StoredItem>(db: Db, kind: OfMeetKind, read: Reader<T>) {
  const { table, column } = SERVED[kind];
  const storedOf = contentReader<T, S>(column, read);
  const columns = `SELECT id, version, number, ${column} AS content, updated_at FROM ${table}`;
  const list = db.prepare<[string, number, number], Row>(
    `${columns} WHERE meet = ? AND number > ? AND deleted_at IS NULL ORDER BY number LIMIT ?`,
  );
  const find = db.prepare<[string, string], Row>(`${columns} WHERE id = ? AND meet = ? AND deleted_at IS NULL`);
  const insert = db.prepare(
    `INSERT OR IGNORE INTO ${table} (id, version, ${column}, created_at, updated_at) VALUES (@id, 1, @content, @now, @now)`,
  );
  const update = db.prepare(
    `UPDATE ${table} SET ${column} = @content, version = version + 1, updated_at = @now
     WHERE id = @id AND meet = @meet AND version = @base AND deleted_at IS NULL`,
  );
  const sums = db.prepare<[string], { count: number; versions: number }>(
    `SELECT count(*) AS count, ifnull(sum(version), 0) AS versions FROM ${table} WHERE meet = ? AND deleted_at IS NULL`,
  );
  return {
    get: (id: string, meet: string): Listed<S> | undefined => {
      const row = find.get(id, meet);
      return row && storedOf(row);
    },
    /** Those of a meet after a number, at most `limit` of them. */
    after: (meet: string, number: number, limit: number): Listed<S>[] => list.all(meet, number, limit).map(storedOf),
    rowsAfter: (meet: string, number: number, limit: number) => list.all(meet, number, limit),
    read: storedOf,
    sums: (meet: string): { readonly count: number; readonly versions: number } => sums.get(meet)!,
    /** Writes over version `base` (0: makes it). False when another version stands there. */
    write: (id: string, meet: string, base: number, content: T, now: string): boolean => {
      const values = { id, content: JSON.stringify(content), now };
      return (base === 0 ? insert.run(values) : update.run({ ...values, meet, base })).changes === 1;
    },
    // Neither is removed: an entry is withdrawn, a result is taken back by another.
    remove: (): boolean => false,
    restore: (): boolean => false,
  };
}

export const entryQueries = (db: Db) => ofMeets<MeetEntry, StoredEntry>(db, 'entry', readMeetEntry);
export type EntryQueries = ReturnType<typeof entryQueries>;

export function resultQueries(db: Db) {
  const results = ofMeets<MeetResult, StoredResult>(db, 'result', readMeetResult);
  return {
    ...results,
    page: (meet: string, number: number, limit: number): ResultPage => {
      const rows = results.rowsAfter(meet, number, limit + 1);
      const shown = rows.slice(0, limit);
      return {
        results: shown.map(results.read),
        isLast: rows.length <= limit,
        last: shown.at(-1)?.number ?? number,
        ...results.sums(meet),
      };
    },
  };
}
export type ResultQueries = ReturnType<typeof resultQueries>;

/** Meets; the entries that a new one brings with it become rows of their own. */
export function meetQueries(db: Db) {
  const meets = documents<Meet, StoredMeet>(db, 'meet', readMeet);
  const entries = entryQueries(db);
  return {
    ...meets,
    list: (): Listed<ListedMeet>[] =>
      meets.all().map((meet) => (isReadable<StoredMeet>(meet) ? { ...meet, entryCount: entries.sums(meet.id).count } : meet)),
    write: db.transaction((id: string, base: number, { entries: brought, ...meet }: Meet, now: string): boolean => {
      const isWritten = meets.write(id, base, { ...meet, entries: [] }, now);
      if (isWritten && base === 0)
        for (const entry of brought) entries.write(entry.id, id, 0, { format: 'nimble-axle/meet-entry', version: 1, meet: id, entry }, now);
      return isWritten;
    }),
  };
}
export type MeetQueries = ReturnType<typeof meetQueries>;

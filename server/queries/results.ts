import { readMeetResult } from '../../core/files/read.ts';
import type { MeetResult } from '../../core/schema/generated/meet-result.ts';
import type { Listed, StoredResult } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents } from './documents.ts';
import { readRow } from './rows.ts';

interface Row {
  readonly id: string;
  readonly version: number;
  readonly result: string;
  readonly updated_at: string;
}

/** Results of meets: each by its id, and those of one meet in the order they came. */
export function resultQueries(db: Db) {
  const list = db.prepare<[string], Row>(
    'SELECT id, version, result, updated_at FROM meet_results WHERE meet = ? AND deleted_at IS NULL ORDER BY created_at, id',
  );
  return {
    ...documents<MeetResult, StoredResult>(db, 'meet_results', 'result', readMeetResult),
    ofMeet: (meet: string): Listed<StoredResult>[] =>
      list.all(meet).map((row) =>
        readRow(
          row,
          row.result,
          () => JSON.parse(row.result),
          readMeetResult,
          (result): StoredResult => ({ id: row.id, version: row.version, result, updatedAt: row.updated_at }),
        ),
      ),
  };
}
export type ResultQueries = ReturnType<typeof resultQueries>;

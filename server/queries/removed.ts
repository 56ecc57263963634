import type { Removed } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';

/** What was removed, newest first; what belongs to a removed car comes back with it. */
export function removedQueries(db: Db) {
  const text = (column: string, path: string): string => `iif(json_valid(${column}), ${column} ->> '${path}', NULL)`;
  const list = db.prepare<
    [number, number],
    { what: Removed['what']; id: string; car_id: string | null; name: string | null; distance: number | null; removed_at: string }
  >(`
    SELECT 'car' AS what, id, NULL AS car_id, ${text('design', '$.name')} AS name, NULL AS distance, deleted_at AS removed_at FROM cars WHERE deleted_at IS NOT NULL
    UNION ALL
    SELECT 'part', id, NULL, ${text('part', '$.name')}, NULL, deleted_at FROM own_parts WHERE deleted_at IS NOT NULL
    UNION ALL
    SELECT 'brief', id, NULL, ${text('brief', '$.name')}, NULL, deleted_at FROM briefs WHERE deleted_at IS NOT NULL
    UNION ALL
    SELECT 'session', id, NULL, ${text('session', '$.name')}, NULL, deleted_at FROM sessions WHERE deleted_at IS NOT NULL
    UNION ALL
    SELECT 'meet', id, NULL, ${text('meet', '$.name')}, NULL, deleted_at FROM meets WHERE deleted_at IS NOT NULL
    UNION ALL
    SELECT 'version', v.id, c.id, ${text('v.record', '$.name')}, NULL, v.deleted_at
      FROM car_versions v JOIN cars c ON c.id = v.car_id WHERE v.deleted_at IS NOT NULL AND c.deleted_at IS NULL
    UNION ALL
    SELECT 'run', r.id, c.id, ${text('c.design', '$.name')}, r.distance, r.deleted_at
      FROM runs r JOIN cars c ON c.id = r.car_id WHERE r.deleted_at IS NOT NULL AND c.deleted_at IS NULL
    ORDER BY removed_at DESC, id LIMIT ? OFFSET ?`);
  return (limit: number, offset: number): Removed[] =>
    list
      .all(limit, offset)
      .map(({ car_id: carId, removed_at: removedAt, name, ...row }) => ({ ...row, carId, removedAt, name: name ?? 'unreadable' }));
}

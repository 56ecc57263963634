import { RESOURCE_KINDS, RESOURCES, type RemovableKind } from '../../core/schema/resources.ts';
import type { Removed } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { SERVED } from '../resources.ts';

/** The name of a thing in its content; a run is called after its car. */
const nameOf = (column: string): string => `iif(json_valid(${column}), ${column} ->> '$.name', NULL)`;

/** Things of one kind that were removed, and whose car is there. */
function removedOf(kind: RemovableKind): string {
  const { table, column } = SERVED[kind];
  if (RESOURCES[kind].owner === null)
    return `SELECT '${kind}' AS what, id, NULL AS car_id, ${nameOf(column)} AS name, NULL AS distance, deleted_at AS removed_at
      FROM ${table} WHERE deleted_at IS NOT NULL`;
  return `SELECT '${kind}', t.id, c.id, ${nameOf(kind === 'run' ? 'c.design' : `t.${column}`)}, ${kind === 'run' ? 't.distance' : 'NULL'}, t.deleted_at
    FROM ${table} t JOIN cars c ON c.id = t.car_id WHERE t.deleted_at IS NOT NULL AND c.deleted_at IS NULL`;
}

/** What was removed, newest first; what belongs to a removed car comes back with it. */
export function removedQueries(db: Db) {
  const kinds = RESOURCE_KINDS.filter((kind): kind is RemovableKind => RESOURCES[kind].isRemovable);
  const list = db.prepare<
    [number, number],
    { what: RemovableKind; id: string; car_id: string | null; name: string | null; distance: number | null; removed_at: string }
  >(`${kinds.map(removedOf).join(' UNION ALL ')} ORDER BY removed_at DESC, id LIMIT ? OFFSET ?`);
  return (limit: number, offset: number): Removed[] =>
    list
      .all(limit, offset)
      .map(({ car_id: carId, removed_at: removedAt, name, ...row }) => ({ ...row, carId, removedAt, name: name ?? 'unreadable' }));
}

import type { CarDesign, Outcome } from '../../core/design/car-design.ts';
import type { ListedCar, StoredCar } from '../../core/files/stored.ts';
import type { Db } from '../database.ts';

interface CarRow {
  readonly id: string;
  readonly version: number;
  readonly design: string;
  readonly updated_at: string;
}

const carOf = (row: CarRow): StoredCar => ({
  id: row.id,
  version: row.version,
  design: JSON.parse(row.design) as CarDesign,
  updatedAt: row.updated_at,
});

export const carQueries = (db: Db) => {
  const list = db.prepare<[], CarRow & { run_count: number; best: string | null }>(`
    SELECT c.id, c.version, c.design, c.updated_at,
      (SELECT count(*) FROM runs r WHERE r.car_id = c.id AND r.deleted_at IS NULL) AS run_count,
      (SELECT json_extract(r.record, '$.outcome') FROM runs r WHERE r.car_id = c.id AND r.deleted_at IS NULL
        ORDER BY json_extract(r.record, '$.outcome.distance') DESC LIMIT 1) AS best
    FROM cars c WHERE c.deleted_at IS NULL ORDER BY c.created_at, c.id`);
  const find = db.prepare<[string], CarRow>('SELECT id, version, design, updated_at FROM cars WHERE id = ? AND deleted_at IS NULL');
  const insert = db.prepare(
    'INSERT OR IGNORE INTO cars (id, version, design, created_at, updated_at) VALUES (@id, 1, @design, @now, @now)',
  );
  const update = db.prepare(
    'UPDATE cars SET design = @design, version = version + 1, updated_at = @now WHERE id = @id AND version = @base AND deleted_at IS NULL',
  );
  const mark = db.prepare('UPDATE cars SET deleted_at = @at WHERE id = @id');

  const get = (id: string): StoredCar | undefined => {
    const row = find.get(id);
    return row && carOf(row);
  };
  return {
    get,
    list: (): ListedCar[] =>
      list
        .all()
        .map((row) => ({ ...carOf(row), runCount: row.run_count, best: row.best === null ? null : (JSON.parse(row.best) as Outcome) })),
    /** Writes over version `base` (0: makes it). False when another version stands there. */
    write: (id: string, base: number, design: CarDesign, now: string): boolean => {
      const change =
        base === 0
          ? insert.run({ id, design: JSON.stringify(design), now })
          : update.run({ id, base, design: JSON.stringify(design), now });
      return change.changes === 1;
    },
    remove: (id: string, at: string): boolean => mark.run({ id, at }).changes === 1,
    restore: (id: string): boolean => mark.run({ id, at: null }).changes === 1,
  };
};
export type CarQueries = ReturnType<typeof carQueries>;

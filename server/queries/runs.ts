import type { RunRecord } from '../../core/design/car-design.ts';
import type { StoredRun } from '../../core/files/stored.ts';
import type { Db } from '../database.ts';

interface RunRow {
  readonly id: string;
  readonly car_id: string;
  readonly version: number;
  readonly record: string;
}

const runOf = (row: RunRow): StoredRun => ({
  id: row.id,
  carId: row.car_id,
  version: row.version,
  record: JSON.parse(row.record) as RunRecord,
});

export const runQueries = (db: Db) => {
  const columns = 'SELECT id, car_id, version, record FROM runs';
  const list = db.prepare<[string], RunRow>(
    `${columns} WHERE car_id = ? AND deleted_at IS NULL ORDER BY json_extract(record, '$.ranAt') DESC, id`,
  );
  const find = db.prepare<[string], RunRow>(`${columns} WHERE id = ? AND deleted_at IS NULL`);
  const insert = db.prepare(
    'INSERT OR IGNORE INTO runs (id, car_id, version, record, created_at, updated_at) VALUES (@id, @carId, 1, @record, @now, @now)',
  );
  const update = db.prepare(
    'UPDATE runs SET record = @record, version = version + 1, updated_at = @now WHERE id = @id AND car_id = @carId AND version = @base AND deleted_at IS NULL',
  );
  const mark = db.prepare('UPDATE runs SET deleted_at = @at WHERE id = @id');

  const get = (id: string): StoredRun | undefined => {
    const row = find.get(id);
    return row && runOf(row);
  };
  return {
    get,
    ofCar: (carId: string): StoredRun[] => list.all(carId).map(runOf),
    /** Writes over version `base` (0: makes it). False when another version stands there. */
    write: (id: string, carId: string, base: number, record: RunRecord, now: string): boolean => {
      const values = { id, carId, record: JSON.stringify(record), now };
      return (base === 0 ? insert.run(values) : update.run({ ...values, base })).changes === 1;
    },
    remove: (id: string, at: string): boolean => mark.run({ id, at }).changes === 1,
    restore: (id: string): boolean => mark.run({ id, at: null }).changes === 1,
  };
};
export type RunQueries = ReturnType<typeof runQueries>;

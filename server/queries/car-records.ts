import type { CarVersion, RunRecord } from '../../core/design/car-design.ts';
import type { StoredRecord } from '../../core/files/stored.ts';
import type { Db } from '../database.ts';

interface Row {
  readonly id: string;
  readonly car_id: string;
  readonly version: number;
  readonly record: string;
}

/** Records that belong to a car, each a JSON document with versions of its own; `when` is the key that orders them, newest first. */
function carRecords<T>(db: Db, table: 'runs' | 'car_versions', when: string) {
  const recordOf = (row: Row): StoredRecord<T> => ({
    id: row.id,
    carId: row.car_id,
    version: row.version,
    record: JSON.parse(row.record) as T,
  });
  const columns = `SELECT id, car_id, version, record FROM ${table}`;
  const list = db.prepare<[string], Row>(
    `${columns} WHERE car_id = ? AND deleted_at IS NULL ORDER BY json_extract(record, '$.${when}') DESC, id`,
  );
  const find = db.prepare<[string], Row>(`${columns} WHERE id = ? AND deleted_at IS NULL`);
  const insert = db.prepare(
    `INSERT OR IGNORE INTO ${table} (id, car_id, version, record, created_at, updated_at) VALUES (@id, @carId, 1, @record, @now, @now)`,
  );
  const update = db.prepare(
    `UPDATE ${table} SET record = @record, version = version + 1, updated_at = @now WHERE id = @id AND car_id = @carId AND version = @base AND deleted_at IS NULL`,
  );
  const mark = db.prepare(`UPDATE ${table} SET deleted_at = @at WHERE id = @id`);
  return {
    get: (id: string): StoredRecord<T> | undefined => {
      const row = find.get(id);
      return row && recordOf(row);
    },
    ofCar: (carId: string): StoredRecord<T>[] => list.all(carId).map(recordOf),
    /** Writes over version `base` (0: makes it). False when another version stands there. */
    write: (id: string, carId: string, base: number, record: T, now: string): boolean => {
      const values = { id, carId, record: JSON.stringify(record), now };
      return (base === 0 ? insert.run(values) : update.run({ ...values, base })).changes === 1;
    },
    remove: (id: string, at: string): boolean => mark.run({ id, at }).changes === 1,
    restore: (id: string): boolean => mark.run({ id, at: null }).changes === 1,
  };
}
export type CarRecords<T> = ReturnType<typeof carRecords<T>>;

export const runQueries = (db: Db): CarRecords<RunRecord> => carRecords(db, 'runs', 'ranAt');
export const versionQueries = (db: Db): CarRecords<CarVersion> => carRecords(db, 'car_versions', 'keptAt');

import type { CarVersion } from '../../core/car/car-design.ts';
import { readCarVersion } from '../../core/files/read.ts';
import type { Listed, StoredVersion } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { readRow } from './rows.ts';

interface Row {
  readonly id: string;
  readonly car_id: string;
  readonly version: number;
  readonly record: string;
}

/** Versions of a car that were stored by name. */
export function versionQueries(db: Db) {
  const storedOf = (row: Row): Listed<StoredVersion> =>
    readRow(
      row,
      row.record,
      () => JSON.parse(row.record),
      readCarVersion,
      (record) => ({ id: row.id, carId: row.car_id, version: row.version, record }),
    );
  const columns = 'SELECT id, car_id, version, record FROM car_versions';
  const list = db.prepare<[string], Row>(
    `${columns} WHERE car_id = ? AND deleted_at IS NULL ORDER BY json_extract(CASE WHEN json_valid(record) THEN record ELSE '{}' END, '$.keptAt') DESC, id`,
  );
  const find = db.prepare<[string, string], Row>(`${columns} WHERE id = ? AND car_id = ? AND deleted_at IS NULL`);
  const insert = db.prepare(
    'INSERT OR IGNORE INTO car_versions (id, car_id, version, record, created_at, updated_at) VALUES (@id, @carId, 1, @record, @now, @now)',
  );
  const update = db.prepare(
    `UPDATE car_versions SET record = @record, version = version + 1, updated_at = @now
     WHERE id = @id AND car_id = @carId AND version = @base AND deleted_at IS NULL`,
  );
  const remove = db.prepare('UPDATE car_versions SET deleted_at = @at WHERE id = @id AND car_id = @carId AND deleted_at IS NULL');
  const restore = db.prepare('UPDATE car_versions SET deleted_at = NULL WHERE id = @id AND car_id = @carId');
  // A removed version still tells what grew from it.
  const parent = db.prepare<[string, string], { parent: string | null }>(
    "SELECT record ->> '$.parent' AS parent FROM car_versions WHERE id = ? AND car_id = ? AND json_valid(record)",
  );
  return {
    get: (id: string, carId: string): Listed<StoredVersion> | undefined => {
      const row = find.get(id, carId);
      return row && storedOf(row);
    },
    ofCar: (carId: string): Listed<StoredVersion>[] => list.all(carId).map(storedOf),
    /** The ids from `id` up to the first of its line, itself included; none when the car has no such version. */
    lineOf: (id: string, carId: string): string[] => {
      const line: string[] = [];
      for (let at: string | null = id; at !== null && !line.includes(at);) {
        const found = parent.get(at, carId);
        if (!found) break;
        line.push(at);
        at = found.parent;
      }
      return line;
    },
    /** Writes over version `base` (0: makes it). False when another version stands there. */
    write: (id: string, carId: string, base: number, record: CarVersion, now: string): boolean => {
      const values = { id, carId, record: JSON.stringify(record), now };
      return (base === 0 ? insert.run(values) : update.run({ ...values, base })).changes === 1;
    },
    remove: (id: string, carId: string, at: string): boolean => remove.run({ id, carId, at }).changes === 1,
    restore: (id: string, carId: string): boolean => restore.run({ id, carId }).changes === 1,
  };
}
export type VersionQueries = ReturnType<typeof versionQueries>;

import type { RunRecord } from '../../core/car/car-design.ts';
import type { Listed, StoredRun } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { designQueries } from './designs.ts';
import { runPageQueries } from './run-pages.ts';
import { designsOfRuns, type RunRow, storedRunOf } from './run-rows.ts';
import { runTallyQueries } from './run-tallies.ts';

/** A run that is added, under the id that its client made. */
export interface NewRun {
  readonly id: string;
  readonly record: RunRecord;
}

/** Measured runs, each referring to its design. */
export function runQueries(db: Db) {
  const designs = designQueries(db);
  const designsOf = designsOfRuns(designs);
  const find = db.prepare<[string, string], RunRow>(
    'SELECT id, car_id, version, record, design_id FROM runs WHERE id = ? AND car_id = ? AND deleted_at IS NULL',
  );
  const insert = db.prepare(
    `INSERT OR IGNORE INTO runs (id, car_id, version, record, design_id, created_at, updated_at)
     VALUES (@id, @carId, 1, @record, @designId, @now, @now)`,
  );
  const update = db.prepare(
    `UPDATE runs SET record = @record, design_id = @designId, version = version + 1, updated_at = @now
     WHERE id = @id AND car_id = @carId AND version = @base AND deleted_at IS NULL`,
  );
  const remove = db.prepare('UPDATE runs SET deleted_at = @at WHERE id = @id AND car_id = @carId AND deleted_at IS NULL');
  const restore = db.prepare('UPDATE runs SET deleted_at = NULL WHERE id = @id AND car_id = @carId');
  const write = (id: string, carId: string, base: number, { design, ...record }: RunRecord, now: string): boolean => {
    const values = { id, carId, record: JSON.stringify(record), designId: designs.keep(design), now };
    return (base === 0 ? insert.run(values) : update.run({ ...values, base })).changes === 1;
  };
  return {
    ...runPageQueries(db, designsOf),
    ...runTallyQueries(db, designsOf),
    get: (id: string, carId: string): Listed<StoredRun> | undefined => {
      const row = find.get(id, carId);
      return row && storedRunOf(row, designsOf([row.design_id]));
    },
    /** Whether just this run is stored, told by its text: false may still be the same in another order of keys. */
    isKept: (id: string, carId: string, { design, ...record }: RunRecord): boolean => {
      const row = find.get(id, carId);
      return row !== undefined && row.design_id === designs.idOf(design) && row.record === JSON.stringify(record);
    },
    /** Writes over version `base` (0: makes it), the design once for all that share it. False when another version stands there. */
    write: db.transaction(write),
    /** Adds new runs, all or none of them; how many were not here yet. */
    addAll: db.transaction(
      (carId: string, added: readonly NewRun[], now: string): number =>
        added.filter(({ id, record }) => write(id, carId, 0, record, now)).length,
    ),
    remove: (id: string, carId: string, at: string): boolean => remove.run({ id, carId, at }).changes === 1,
    restore: (id: string, carId: string): boolean => restore.run({ id, carId }).changes === 1,
  };
}
export type RunQueries = ReturnType<typeof runQueries>;

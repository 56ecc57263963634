import type { Outcome, RunRecord } from '../../core/car/car-design.ts';
import { readCarDesign, readRunRecord } from '../../core/files/read.ts';
import {
  isReadable,
  type Designs,
  type Listed,
  type ListedRun,
  type RunPage,
  type RunTallies,
  type StoredRun,
} from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { designQueries } from './designs.ts';
import { readRow } from './rows.ts';

interface Row {
  readonly id: string;
  readonly car_id: string;
  readonly version: number;
  readonly record: string;
  readonly design_id: string | null;
}

interface TallyRow {
  readonly design_id: string;
  readonly turns: number | null;
  readonly latest: string;
  readonly stopped: number;
  readonly walls: number;
  readonly sum: number;
  readonly squares: number;
  readonly best: number;
  readonly best_outcome: Outcome['kind'];
}

/** Which runs of a car are wanted. */
export interface RunChoice {
  /** Made with one of these designs; any when empty. */
  readonly designs: readonly string[];
  /** Wound so: turns, or null for fully; undefined: any way. */
  readonly turns: number | null | undefined;
}

/** Measured runs, each referring to its design. */
export function runQueries(db: Db) {
  const designs = designQueries(db);
  const find = db.prepare<[string, string], Row>(
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
  const chosen = `FROM runs WHERE car_id = @carId AND deleted_at IS NULL
    AND (@anyDesign OR design_id IN (SELECT value FROM json_each(@designs)))
    AND (@anyTurns OR turns IS @turns)`;
  const page = db.prepare<object, Row>(
    `SELECT id, car_id, version, record, design_id ${chosen} ORDER BY ran_at DESC, id LIMIT @limit OFFSET @offset`,
  );
  const count = db.prepare<object, { total: number }>(
    `SELECT ifnull(sum(runs), 0) AS total FROM run_tallies WHERE car_id = @carId
      AND (@anyDesign OR design_id IN (SELECT value FROM json_each(@designs)))
      AND (@anyTurns OR wind = ifnull(@turns, 'full'))`,
  );
  const alike = "FROM runs WHERE car_id = t.car_id AND design_id = t.design_id AND turns IS nullif(t.wind, 'full') AND deleted_at IS NULL";
  const tally = db.prepare<[string], TallyRow>(
    `SELECT design_id, nullif(wind, 'full') AS turns, stopped, walls, sum, squares,
       (SELECT ran_at ${alike} ORDER BY ran_at DESC LIMIT 1) AS latest,
       (SELECT distance ${alike} ORDER BY distance DESC LIMIT 1) AS best,
       (SELECT outcome ${alike} ORDER BY distance DESC, outcome LIMIT 1) AS best_outcome
     FROM run_tallies t WHERE car_id = ? AND design_id <> '' AND stopped + walls > 0 ORDER BY latest DESC`,
  );

  /** The readable designs of these runs. */
  const designsOf = (ids: Iterable<string | null>): Designs => {
    const found: Record<string, Designs[string]> = {};
    for (const id of new Set(ids)) {
      const text = id === null ? undefined : designs.get(id);
      const read = text === undefined ? null : readCarDesign(JSON.parse(text));
      if (id !== null && read?.kind === 'read') found[id] = read.value;
    }
    return found;
  };
  const storedOf = (row: Row, known: Designs): Listed<StoredRun> =>
    readRow(
      row,
      row.record,
      () => ({ ...(JSON.parse(row.record) as object), ...(row.design_id !== null && { design: known[row.design_id] }) }),
      readRunRecord,
      (record) => ({ id: row.id, carId: row.car_id, version: row.version, record }),
    );
  const write = (id: string, carId: string, base: number, { design, ...record }: RunRecord, now: string): boolean => {
    const values = { id, carId, record: JSON.stringify(record), designId: designs.keep(design), now };
    return (base === 0 ? insert.run(values) : update.run({ ...values, base })).changes === 1;
  };
  return {
    get: (id: string, carId: string): Listed<StoredRun> | undefined => {
      const row = find.get(id, carId);
      return row && storedOf(row, designsOf([row.design_id]));
    },
    /** Whether just this run is kept, told by its text: false may still be the same in another order of keys. */
    isKept: (id: string, carId: string, { design, ...record }: RunRecord): boolean => {
      const row = find.get(id, carId);
      return row !== undefined && row.design_id === designs.idOf(design) && row.record === JSON.stringify(record);
    },
    /** `limit` of the chosen runs from the `offset`th on, newest first. */
    page: (carId: string, { designs: wanted, turns }: RunChoice, offset: number, limit: number): RunPage => {
      const choice = {
        carId,
        anyDesign: Number(wanted.length === 0),
        designs: JSON.stringify(wanted),
        anyTurns: Number(turns === undefined),
        turns: turns ?? null,
      };
      const rows = page.all({ ...choice, limit, offset });
      const known = designsOf(rows.map(({ design_id: designId }) => designId));
      const runs = rows.map((row): Listed<ListedRun> => {
        const stored = storedOf(row, known);
        if (!isReadable(stored)) return stored;
        const { design: _told, ...record } = stored.record;
        return { ...stored, record, designId: row.design_id! };
      });
      return { total: count.get(choice)!.total, runs, designs: known };
    },
    /** Like runs added up, the newest groups first, at most `most` of them. */
    tallies: (carId: string, most: number): RunTallies => {
      const rows = tally.all(carId);
      const shown = rows.slice(0, most);
      const known = designsOf(shown.map(({ design_id: designId }) => designId));
      return {
        total: rows.length,
        tallies: shown
          .filter(({ design_id: designId }) => Object.hasOwn(known, designId))
          .map(({ design_id: designId, squares, best, best_outcome: kind, ...row }) => ({
            ...row,
            designId,
            sumOfSquares: squares,
            best: { kind, distance: best },
          })),
        designs: known,
      };
    },
    /** Writes over version `base` (0: makes it), the design once for all that share it. False when another version stands there. */
    write: db.transaction(write),
    remove: (id: string, carId: string, at: string): boolean => remove.run({ id, carId, at }).changes === 1,
    restore: (id: string, carId: string): boolean => restore.run({ id, carId }).changes === 1,
  };
}
export type RunQueries = ReturnType<typeof runQueries>;

import { START } from '../../core/schema/stored.ts';
import type { Outcome, RunRecord } from '../../core/car/car-design.ts';
import { readCarDesign, readRunRecord } from '../../core/files/read.ts';
import {
  isReadable,
  type Designs,
  type Listed,
  type ListedRun,
  type RunPage,
  type RunTallies,
  type SessionSums,
  type StoredRun,
} from '../../core/schema/stored.ts';
import type { Statement } from 'better-sqlite3';
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

/** A run that started and stopped by itself. */
const STARTED = `outcome = 'stopped' AND distance >= ${START}`;

interface TallyRow {
  readonly design_id: string;
  readonly turns: number | null;
  readonly latest: string;
  readonly stopped: number;
  readonly walls: number;
  readonly noStarts: number;
  readonly sum: number;
  readonly squares: number;
  readonly best: number;
  readonly best_outcome: Outcome['kind'];
}

interface SessionRow extends Pick<TallyRow, 'stopped' | 'walls' | 'noStarts' | 'sum' | 'squares' | 'best'> {
  readonly session: string;
  readonly best_wall: number;
}

/** A run that is added, under the id that its client made. */
export interface NewRun {
  readonly id: string;
  readonly record: RunRecord;
}

/** Which runs of a car are wanted. */
export interface RunChoice {
  /** Made with one of these designs; any when empty. */
  readonly designs: readonly string[];
  /** Wound so: turns, or null for fully; undefined: any way. */
  readonly turns: number | null | undefined;
  /** Made in this session; any where undefined. */
  readonly session?: string | undefined;
  /** What they are ordered by, the newest first unless told otherwise. */
  readonly order?: RunOrder;
}

/** The orders a list of runs can have, each as an index has it, or backwards. */
export const RUN_ORDERS = {
  newest: 'ran_at DESC, id',
  oldest: 'ran_at, id DESC',
  furthest: 'distance DESC, outcome, rowid',
  nearest: 'distance, outcome DESC, rowid DESC',
  'most-turns': 'ifnull(turns, 1e9) DESC, id',
  'fewest-turns': 'ifnull(turns, 1e9), id DESC',
} as const;
export type RunOrder = keyof typeof RUN_ORDERS;

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
  const made = new Map<string, Statement<[object], unknown>>();
  /** A statement by its text, prepared once. */
  const prepared = <T>(sql: string): Statement<[object], T> => {
    const statement = made.get(sql) ?? db.prepare<[object], unknown>(sql);
    made.set(sql, statement);
    return statement as Statement<[object], T>;
  };
  /** Only what is asked for is a condition: so an index can serve it. */
  const chosenBy = ({ designs: wanted, turns, session }: RunChoice): string =>
    [
      'FROM runs WHERE car_id = @carId AND deleted_at IS NULL',
      ...(wanted.length > 0 ? ['design_id IN (SELECT value FROM json_each(@designs))'] : []),
      ...(turns === undefined ? [] : ['turns IS @turns']),
      ...(session === undefined ? [] : ['session = @session']),
    ].join(' AND ');
  /** Which rows are wanted is found in the index alone; then these are read. */
  const pageOf = (choice: RunChoice): Statement<[object], Row> =>
    prepared<Row>(
      `SELECT id, car_id, version, record, design_id
       FROM (SELECT rowid AS place ${chosenBy(choice)} ORDER BY ${RUN_ORDERS[choice.order ?? 'newest']} LIMIT @limit OFFSET @offset)
       JOIN runs ON runs.rowid = place ORDER BY ${RUN_ORDERS[choice.order ?? 'newest'].replace('rowid', 'runs.rowid')}`,
    );
  const count = db.prepare<object, { total: number }>(
    `SELECT ifnull(sum(runs), 0) AS total FROM run_tallies WHERE car_id = @carId
      AND (@anyDesign OR design_id IN (SELECT value FROM json_each(@designs)))
      AND (@anyTurns OR wind = ifnull(@turns, 'full'))`,
  );
  const alike = "FROM runs WHERE car_id = t.car_id AND design_id = t.design_id AND turns IS nullif(t.wind, 'full') AND deleted_at IS NULL";
  const tally = db.prepare<[string], TallyRow>(
    `SELECT design_id, nullif(wind, 'full') AS turns, stopped, walls, no_starts AS noStarts, sum, squares,
       (SELECT ran_at ${alike} ORDER BY ran_at DESC LIMIT 1) AS latest,
       (SELECT distance ${alike} ORDER BY distance DESC LIMIT 1) AS best,
       (SELECT outcome ${alike} ORDER BY distance DESC, outcome LIMIT 1) AS best_outcome
     FROM run_tallies t WHERE car_id = ? AND design_id <> '' AND stopped + walls + no_starts > 0 ORDER BY latest DESC`,
  );

  const bySession = db.prepare<[string], SessionRow>(
    `SELECT session, CAST(total(${STARTED}) AS INTEGER) AS stopped, CAST(total(outcome = 'hit-wall') AS INTEGER) AS walls,
       CAST(total(outcome = 'stopped' AND distance < ${START}) AS INTEGER) AS noStarts,
       total(iif(${STARTED}, distance, 0)) AS sum, total(iif(${STARTED}, distance * distance, 0)) AS squares,
       max(distance) AS best, max(iif(outcome = 'hit-wall', distance, -1)) AS best_wall
     FROM runs WHERE car_id = ? AND deleted_at IS NULL AND session IS NOT NULL GROUP BY session`,
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
    page: (carId: string, choice: RunChoice, offset: number, limit: number): RunPage => {
      const { designs: wanted, turns, session } = choice;
      const asked = {
        carId,
        anyDesign: Number(wanted.length === 0),
        designs: JSON.stringify(wanted),
        anyTurns: Number(turns === undefined),
        turns: turns ?? null,
        session: session ?? null,
      };
      const rows = pageOf(choice).all({ ...asked, limit, offset });
      const counted = session === undefined ? count : prepared<{ total: number }>(`SELECT count(*) AS total ${chosenBy(choice)}`);
      const known = designsOf(rows.map(({ design_id: designId }) => designId));
      const runs = rows.map((row): Listed<ListedRun> => {
        const stored = storedOf(row, known);
        if (!isReadable(stored)) return stored;
        const { design: _told, ...record } = stored.record;
        return { ...stored, record, designId: row.design_id! };
      });
      return { total: counted.get(asked)!.total, runs, designs: known };
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
    /** Runs of each session added up. */
    sessionSums: (carId: string): SessionSums[] =>
      bySession.all(carId).map(({ session, squares, best, best_wall: wall, ...row }) => ({
        ...row,
        session,
        sumOfSquares: squares,
        best: { kind: wall === best ? 'hit-wall' : 'stopped', distance: best },
      })),
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

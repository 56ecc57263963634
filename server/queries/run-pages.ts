import type { Statement } from 'better-sqlite3';
import { isReadable, type Listed, type ListedRun, type RunPage } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { type DesignsOf, storedRunOf, type RunRow } from './run-rows.ts';

/** Which runs of a car are wanted. */
export interface RunChoice {
  /** Made with one of these designs; any when empty. */
  readonly designs: readonly string[];
  /** Wound so: turns, or null for fully; undefined: any way. */
  readonly turns: number | null | undefined;
  /** Made in this session; any where undefined. */
  readonly session?: string | undefined;
  /** What they are ordered by, the newest first by default. */
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

/** A list of runs, page by page. */
export function runPageQueries(db: Db, designsOf: DesignsOf) {
  const statements = new Map<string, Statement<[object], unknown>>();
  /** A statement by its text, prepared once. */
  const prepared = <T>(sql: string): Statement<[object], T> => {
    const statement = statements.get(sql) ?? db.prepare<[object], unknown>(sql);
    statements.set(sql, statement);
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
  const pageOf = (choice: RunChoice): Statement<[object], RunRow> =>
    prepared<RunRow>(
      `SELECT id, car_id, version, record, design_id
       FROM (SELECT rowid AS place ${chosenBy(choice)} ORDER BY ${RUN_ORDERS[choice.order ?? 'newest']} LIMIT @limit OFFSET @offset)
       JOIN runs ON runs.rowid = place ORDER BY ${RUN_ORDERS[choice.order ?? 'newest'].replace('rowid', 'runs.rowid')}`,
    );
  const count = db.prepare<object, { total: number }>(
    `SELECT ifnull(sum(runs), 0) AS total FROM run_tallies WHERE car_id = @carId
      AND (@anyDesign OR design_id IN (SELECT value FROM json_each(@designs)))
      AND (@anyTurns OR wind = ifnull(@turns, 'full'))`,
  );
  return {
    /** `limit` of the chosen runs from the `offset`th on, newest first. */
    page: (carId: string, choice: RunChoice, offset: number, limit: number): RunPage => {
      const { designs: wanted, turns, session } = choice;
      const values = {
        carId,
        anyDesign: Number(wanted.length === 0),
        designs: JSON.stringify(wanted),
        anyTurns: Number(turns === undefined),
        turns: turns ?? null,
        session: session ?? null,
      };
      const rows = pageOf(choice).all({ ...values, limit, offset });
      const counted = session === undefined ? count : prepared<{ total: number }>(`SELECT count(*) AS total ${chosenBy(choice)}`);
      const known = designsOf(rows.map(({ design_id: designId }) => designId));
      const runs = rows.map((row): Listed<ListedRun> => {
        const stored = storedRunOf(row, known);
        if (!isReadable(stored)) return stored;
        const { design: _design, ...record } = stored.record;
        return { ...stored, record, designId: row.design_id! };
      });
      return { total: counted.get(values)!.total, runs, designs: known };
    },
  };
}

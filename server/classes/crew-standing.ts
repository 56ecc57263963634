import type { CrewStanding } from '../../core/schema/crew-standing.ts';
import type { Db } from '../database.ts';

/** What the database of a space tells of how far its crew has come. */
export type SpaceStanding = Pick<CrewStanding, 'cars' | 'edits' | 'versions' | 'runs' | 'designsRun' | 'car' | 'best' | 'savedAt'>;

export const NOT_BEGUN: SpaceStanding = {
  cars: 0,
  edits: 0,
  versions: 0,
  runs: 0,
  designsRun: 0,
  car: null,
  best: null,
  savedAt: null,
};

interface CountRow extends Omit<SpaceStanding, 'car'> {
  readonly designsRun: number;
}

/** Counts what is in a space; statements are made once for each. */
export function standingQueries(db: Db) {
  const counts = db.prepare<[], CountRow>(
    `SELECT
       (SELECT count(*) FROM cars WHERE deleted_at IS NULL) AS cars,
       (SELECT ifnull(sum(version - 1), 0) FROM cars WHERE deleted_at IS NULL) AS edits,
       (SELECT count(*) FROM car_versions WHERE deleted_at IS NULL) AS versions,
       (SELECT ifnull(sum(runs), 0) FROM run_tallies) AS runs,
       (SELECT count(DISTINCT design_id) FROM run_tallies WHERE design_id <> '') AS designsRun,
       (SELECT max(distance) FROM runs WHERE deleted_at IS NULL) AS best,
       (SELECT max(at) FROM (
         SELECT max(updated_at) AS at FROM cars UNION ALL SELECT max(updated_at) FROM runs UNION ALL
         SELECT max(updated_at) FROM car_versions UNION ALL SELECT max(updated_at) FROM own_parts)) AS savedAt`,
  );
  // The car that something was saved of last.
  const latest = db.prepare<[], { id: string; version: number; name: string }>(
    `SELECT id, version, design ->> '$.name' AS name FROM cars c WHERE deleted_at IS NULL
     ORDER BY max(updated_at, ifnull((SELECT max(updated_at) FROM runs r WHERE r.car_id = c.id), '')) DESC LIMIT 1`,
  );
  const one = db.prepare<[string], { id: string; version: number; name: string }>(
    "SELECT id, version, design ->> '$.name' AS name FROM cars WHERE id = ? AND deleted_at IS NULL",
  );
  /** The car that a crew chose to hand in, or else the one that it worked on last; null where it has none. */
  const carOf = (chosen: string | null): CrewStanding['car'] => (chosen === null ? undefined : one.get(chosen)) ?? latest.get() ?? null;
  return { carOf, standing: (chosen: string | null): SpaceStanding => ({ ...counts.get()!, car: carOf(chosen) }) };
}

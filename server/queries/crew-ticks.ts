import type { Db } from '../database.ts';

/** Keys that are stored at most. */
const MOST_KEYS = 500;

/** What a crew ticked and typed at the table, by the name that a device stores it under. */
export function crewTickQueries(db: Db) {
  const list = db.prepare<[], { key: string; value: string }>('SELECT key, value FROM crew_ticks');
  const put = db.prepare(
    `INSERT INTO crew_ticks (key, value, updated_at) SELECT @key, @value, @now
     WHERE (SELECT count(*) FROM crew_ticks) < ${MOST_KEYS} OR EXISTS (SELECT 1 FROM crew_ticks WHERE key = @key)
     ON CONFLICT (key) DO UPDATE SET value = excluded.value, updated_at = excluded.updated_at`,
  );
  const remove = db.prepare('DELETE FROM crew_ticks WHERE key = ?');
  return {
    all: (): Readonly<Record<string, string>> => Object.fromEntries(list.all().map(({ key, value }) => [key, value])),
    /** False where there are too many already. */
    put: (key: string, value: string, now: string): boolean => put.run({ key, value, now }).changes === 1,
    remove: (key: string): void => void remove.run(key),
  };
}

import { join } from 'node:path';
import Database from 'better-sqlite3';

/** Gives a car of a stopped program so many runs more, a minute apart, fully wound or in part, one in nine into the wall, in so many sessions. */
export function addRuns(folder: string, carId: string, count: number, sessions = 1): void {
  const db = new Database(join(folder, 'nimble-axle.sqlite'));
  db.prepare(
    `WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < @count)
     INSERT INTO runs (id, car_id, version, record, design_id, created_at, updated_at)
     SELECT printf('%08x-0000-4000-8000-%012x', i, i), @carId, 1,
       json_object('format', 'nimble-axle/run-record', 'version', 1,
         'ranAt', strftime('%Y-%m-%dT%H:%M:%S.000Z', '2020-01-01', printf('+%d minutes', i)),
         'wind', iif(i % 3 = 0, json_object('kind', 'full'), json_object('kind', 'turns', 'turns', 8 + i % 4)),
         'outcome', json_object('kind', iif(i % 9 = 0, 'hit-wall', 'stopped'), 'distance', 5 + (i * 7919 % 1000) / 200.0),
         'seen', json('[]'), 'note', printf('run number %d', i),
         'session', printf('%08x-0000-4000-9000-000000000000', i % @sessions)),
       (SELECT design_id FROM runs WHERE car_id = @carId LIMIT 1), '2020-01-01', '2020-01-01'
     FROM n`,
  ).run({ count, carId, sessions });
  db.close();
}

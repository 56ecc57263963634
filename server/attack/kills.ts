import { openDatabase } from '../database.ts';
import { startMain } from '../testing.ts';
import { CAR, design, record } from './hostile-requests.ts';

/** What became of runs that were logged while the program was killed again and again. */
export interface Kills {
  readonly kills: number;
  readonly acknowledged: number;
  /** Runs that were acknowledged and are not there. */
  readonly lost: readonly string[];
}

/** Runs acknowledged since a start after which the kill comes, and ms from there at most: as busy as the machine is, some are. */
const LEAST_ACKNOWLEDGED = 3;
const MOST_LOAD = 100;
/** Builders who log at once. */
const WRITERS = 4;

/** Starts the program, logs runs, kills it without warning, and starts it again on the same data, `times` over. */
export async function killUnderLoad(folder: string, times: number, random: () => number): Promise<Kills> {
  const acknowledged: string[] = [];
  for (let k = 0; k < times; k++) {
    const started = await startMain(folder);
    if (!('url' in started)) throw new Error(`start ${k} failed: ${started.message}`);
    const put = (path: string, body: object): Promise<Response | null> =>
      fetch(`${started.url}/api${path}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }).catch(() => null);
    await put(`/cars/${CAR}`, { baseVersion: 0, design });
    let sinceStart = 0;
    const writer = async (): Promise<void> => {
      for (;;) {
        const id = crypto.randomUUID();
        const answer = await put(`/cars/${CAR}/runs/${id}`, { baseVersion: 0, record });
        if (!answer) return;
        if (!answer.ok) continue;
        acknowledged.push(id);
        if (++sinceStart === LEAST_ACKNOWLEDGED) setTimeout(() => started.process.kill('SIGKILL'), MOST_LOAD * random());
      }
    };
    await Promise.all(Array.from({ length: WRITERS }, writer));
  }
  const { db } = openDatabase(folder);
  const isThere = db.prepare('SELECT 1 FROM runs WHERE id = ?');
  const lost = acknowledged.filter((id) => !isThere.get(id));
  db.close();
  return { kills: times, acknowledged: acknowledged.length, lost };
}

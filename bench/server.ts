/**
 * Runs logged and read a second, and their 95th percentile, beside a bare loop of better-sqlite3 on the same disk in the same run:
 * `npm run bench:server`, or with `-- --runs N`.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { addRuns } from '../e2e/many-runs.ts';
import { design, record, startMain } from '../server/testing.ts';

const MANY = 100_000;
const SESSIONS = 500;
const { values } = parseArgs({ options: { runs: { type: 'string', default: '2000' } } });
const count = Number(values.runs);
const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-bench-'));
const started = await startMain(join(folder, 'data'));
if (!('url' in started)) throw new Error(started.message);
const { port } = new URL(started.url);
const agent = new Agent({ keepAlive: true });

const ask = (method: string, path: string, body?: object): Promise<void> =>
  new Promise((resolve, reject) => {
    const asked = request(
      { port, host: '127.0.0.1', path: `/api${path}`, method, agent, headers: { host: '127.0.0.1', 'content-type': 'application/json' } },
      (answer) => {
        answer.resume();
        answer.on('end', () => (answer.statusCode! < 300 ? resolve() : reject(new Error(`${method} ${path}: ${answer.statusCode}`))));
      },
    );
    asked.on('error', reject);
    asked.end(body && JSON.stringify(body));
  });

interface Timed {
  readonly 'a second': number;
  readonly 'median, ms': number;
  readonly 'p95, ms': number;
}
async function timed(times: number, act: (n: number) => Promise<void> | void): Promise<Timed> {
  const each: number[] = [];
  const begun = performance.now();
  for (let n = 0; n < times; n++) {
    const start = performance.now();
    await act(n);
    each.push(performance.now() - start);
  }
  const whole = performance.now() - begun;
  each.sort((a, b) => a - b);
  const at = (fraction: number): number => Number(each[Math.floor(fraction * (each.length - 1))]!.toFixed(3));
  return { 'a second': Math.round((1000 * times) / whole), 'median, ms': at(0.5), 'p95, ms': at(0.95) };
}

const carId = crypto.randomUUID();
await ask('PUT', `/cars/${carId}`, { baseVersion: 0, design });
const { design: _design, ...content } = record;
/** As a file of runs is taken in: so many at once. */
const AT_ONCE = 200;
const writeMany = (): Promise<void> =>
  ask('POST', `/cars/${carId}/runs`, {
    design,
    runs: Array.from({ length: AT_ONCE }, () => ({ id: crypto.randomUUID(), record: content })),
  });
const write = (): Promise<void> => ask('PUT', `/cars/${carId}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record });
await timed(100, write);
await timed(3, writeMany);

const db = new Database(join(folder, 'bare.sqlite'));
db.pragma('journal_mode = WAL');
db.pragma('synchronous = FULL');
db.exec('CREATE TABLE runs (id TEXT PRIMARY KEY, record TEXT NOT NULL) STRICT');
const insert = db.prepare('INSERT INTO runs VALUES (?, ?)');
const find = db.prepare('SELECT record FROM runs WHERE id = ?');
const text = JSON.stringify(record);
const ids: string[] = [];

// Side by side: the disk is quick and slow by turns.
const [served, together, bare]: Timed[][] = [[], [], []];
for (let part = 0; part < 4; part++) {
  served!.push(await timed(count / 4, write));
  together!.push(eachOf(await timed(5, writeMany), AT_ONCE));
  bare!.push(
    await timed(count / 4, () => {
      ids.push(crypto.randomUUID());
      insert.run(ids.at(-1)!, text);
    }),
  );
}
/** The same, for each of so many done at once. */
function eachOf(timed: Timed, many: number): Timed {
  return { 'a second': timed['a second'] * many, 'median, ms': timed['median, ms'] / many, 'p95, ms': timed['p95, ms'] / many };
}
const middle = (parts: readonly Timed[]): Timed => [...parts].sort((a, b) => a['a second'] - b['a second'])[1]!;
console.table({
  'runs logged one by one, over HTTP': middle(served!),
  'runs taken in from a file, over HTTP': middle(together!),
  'reference: bare inserts': middle(bare!),
  'pages of 100 runs read': await timed(200, () => ask('GET', `/cars/${carId}/runs`)),
  'tallies read': await timed(200, () => ask('GET', `/cars/${carId}/runs/tallies`)),
  'reference: bare rows found': await timed(2000, (n) => void find.get(ids[n % ids.length]!)),
});

// A hall's whole history.
addRuns(join(folder, 'data'), carId, MANY, SESSIONS);
const oneSession = '00000007-0000-4000-9000-000000000000';
const read = (path: string): Promise<Timed> => timed(20, () => ask('GET', `/cars/${carId}/runs${path}`));
console.log(`with ${MANY} runs in ${SESSIONS} sessions:`);
console.table({
  'newest page': await read(''),
  'furthest first': await read('?order=furthest'),
  'page 500 of it': await read('?order=furthest&offset=50000'),
  'most turns first': await read('?order=most-turns'),
  'one session': await read(`?session=${oneSession}`),
  'one winding': await read('?wind=9'),
  'tallies by car and winding': await read('/tallies'),
  'sums by session': await read('/sessions'),
});
agent.destroy();
db.close();
started.process.kill();
rmSync(folder, { recursive: true, force: true });

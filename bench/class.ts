/**
 * A class under load: 40 crews with two devices each on one server, joining, editing, logging and following for ten minutes, while the leader's
 * table is open and pages are opened anew. Every save that was acknowledged must be found once; the 95th percentile of a save is asked to be
 * under 100 ms, of a page's first screen under 2 s, and the server's memory under 400 MB.
 *
 *   npm run build && npm run bench:class -- [--minutes 10] [--crews 40]
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request, type IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { parseArgs } from 'node:util';
import { quantileSorted } from 'simple-statistics';
import type { SharingState } from '../core/schema/sharing.ts';
import type { ListedCar, RunPage, StoredCar } from '../core/schema/stored.ts';
import { DESKTOP, startBrowser } from '../e2e/browser.ts';
import { newClass } from '../server/attack/one-of-each.ts';
import { record, startMain } from '../server/testing.ts';

const DEVICES = 2;
const SECOND = 1000;
/** s between two saves of a device; every how many of them a run is logged, and the car reported. */
const SAVE_EVERY = 3;
const RUN_EVERY = 10;
const REPORT_EVERY = 4;
/** s between two pages that are opened anew. */
const PAGE_EVERY = 15;
const { values } = parseArgs({ options: { minutes: { type: 'string', default: '10' }, crews: { type: 'string', default: '40' } } });
const crewCount = Number(values.crews);
const until = Number(values.minutes) * 60 * SECOND;

process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
process.env.NIMBLE_AXLE_SHARE_PORT = '0';
const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-bench-'));
const started = await startMain(join(folder, 'data'));
if (!('url' in started)) throw new Error(started.message);
const leader = started.url.replace(/\/$/, '');
const json = { 'content-type': 'application/json' };
interface Answer<T> {
  readonly status: number;
  readonly body: T;
  readonly cookie: string;
}
/** Asks from an address of its own, as each device of a hall has one: `ask(ip)(base, …)`. */
function askFrom(localAddress: string) {
  const agent = new Agent({ keepAlive: true, localAddress, maxSockets: 6 });
  const open = (base: string, method: string, path: string, headers: object, body?: object): Promise<IncomingMessage> =>
    new Promise((resolve, reject) => {
      const sent = request(`${base}/api${path}`, { method, agent, headers: { ...json, ...headers } }, resolve);
      sent.on('error', reject);
      sent.end(body && JSON.stringify(body));
    });
  const ask = async <T>(base: string, method: string, path: string, body?: object, headers: object = {}): Promise<Answer<T>> => {
    const answer = await open(base, method, path, headers, body);
    let text = '';
    for await (const part of answer.setEncoding('utf8')) text += part as string;
    const cookie = (answer.headers['set-cookie'] ?? []).map((one) => one.split(';')[0]!).join('; ');
    return { status: answer.statusCode!, body: (text === '' ? null : JSON.parse(text)) as T, cookie };
  };
  return { ask, open };
}
const { ask, open } = askFrom('127.0.0.1');

const classId = crypto.randomUUID();
const crews = Array.from({ length: crewCount }, (_, n) => ({ id: crypto.randomUUID() as string, name: `Crew ${n + 1}` }));
await ask(leader, 'PUT', `/classes/${classId}`, { baseVersion: 0, class: newClass(crews) });
const { body: cards } = await ask<{ crewId: string; code: string }[]>(leader, 'GET', `/classes/${classId}/cards`);
const { body: sharing } = await ask<SharingState>(leader, 'POST', '/sharing', {});
const address = sharing.shared!.addresses[0]!;

const times = { join: [] as number[], save: [] as number[], table: [] as number[], page: [] as number[] };
const timed = async <T>(into: number[], act: () => Promise<T>): Promise<T> => {
  const begun = performance.now();
  const done = await act();
  into.push(performance.now() - begun);
  return done;
};
/** Saves that were acknowledged: of cars by crew, and runs by their ids. */
const saved = new Map(crews.map(({ id }) => [id, { cars: 0, runs: new Set<string>() }]));
let [merges, refused, heard] = [0, 0, 0];
const begun = performance.now();
const isOver = (): boolean => performance.now() - begun > until;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const streams: IncomingMessage[] = [];

/** Follows a stream, and counts what it hears. */
async function follow(from: typeof open, base: string, headers: object): Promise<void> {
  const stream = await from(base, 'GET', '/meets/live', headers);
  stream.on('data', (part: Buffer) => (heard += part.length));
  stream.on('error', () => undefined);
  streams.push(stream);
}

/** One device of a crew: it joins, follows, and then saves the car again and again, logs runs and reports. */
async function device(crewId: string, n: number): Promise<void> {
  await pause((n / (crewCount * DEVICES)) * 20 * SECOND);
  const code = cards.find((card) => card.crewId === crewId)!.code;
  const own = askFrom(`127.0.0.${n + 2}`);
  const { cookie } = await timed(times.join, () => own.ask(address, 'POST', '/join', { code }));
  const mine = <T>(method: string, path: string, body?: object) =>
    own.ask<T>(address, method, path, body, { cookie, 'x-tab': `device-${n}` });
  await follow(own.open, address, { cookie });
  const [car] = (await mine<ListedCar[]>('GET', '/cars')).body;
  let { version, design } = car!;
  for (let turn = 1; !isOver(); turn++) {
    // No two saves alike: what is stored already is acknowledged without being stored again.
    const wheelbase = 0.2 + (n * 1000 + turn) * 1e-6;
    const { status, body } = await timed(times.save, () =>
      mine<StoredCar & { current?: StoredCar }>('PUT', `/cars/${car!.id}`, { baseVersion: version, design: { ...design, wheelbase } }),
    );
    // The other device was quicker: this change is made on what it saved, as a page does.
    const stored = status === 409 ? body.current! : body;
    if (status === 409) merges++;
    else if (status === 200) saved.get(crewId)!.cars++;
    else refused++;
    if (status === 200 || status === 409) ({ version, design } = stored);
    if (turn % RUN_EVERY === 0) {
      const id = crypto.randomUUID();
      const run = await timed(times.save, () =>
        mine('PUT', `/cars/${car!.id}/runs/${id}`, { baseVersion: 0, record: { ...record, design } }),
      );
      if (run.status === 200) saved.get(crewId)!.runs.add(id);
      else refused++;
    }
    if (turn % REPORT_EVERY === 0) {
      const report = { carId: car!.id, carVersion: version, chance: 0.5, round: null, broken: [], isBuilt: true, surprise: null };
      await mine('PUT', '/class/report', report);
    }
    await pause(SAVE_EVERY * SECOND * (0.5 + Math.random()));
  }
}

/** The leader's table, read again each second as a page with news does. */
async function table(): Promise<void> {
  await follow(open, leader, {});
  while (!isOver()) {
    await timed(times.table, () => ask(leader, 'GET', `/classes/${classId}/crews`));
    await pause(SECOND);
  }
}

/** Pages of crews opened anew, each in a browser profile that knows nothing yet; until the car is to be seen. */
async function pages(): Promise<void> {
  const { browser, stop } = await startBrowser();
  try {
    for (let n = 0; !isOver(); n++) {
      const context = await browser.createBrowserContext();
      const page = await context.newPage();
      await page.setViewport(DESKTOP);
      const { code } = cards[n % cards.length]!;
      const joined = await ask(address, 'POST', '/join', { code });
      for (const one of joined.cookie.split('; ')) {
        const [name, value] = one.split('=');
        await page.setCookie({ name: name!, value: value!, url: address });
      }
      await timed(times.page, async () => {
        void page.goto(address).catch(() => undefined);
        await page.waitForFunction(() => document.body?.innerText.includes('Limpet'), { polling: 20, timeout: 60_000 });
      });
      await context.close();
      await pause(PAGE_EVERY * SECOND);
    }
  } finally {
    await stop();
  }
}

await Promise.all([
  ...crews.flatMap(({ id }, n) => Array.from({ length: DEVICES }, (_, i) => device(id, DEVICES * n + i))),
  table(),
  pages(),
]);
for (const stream of streams) stream.destroy();

let [lost, found] = [0, 0];
for (const { id } of crews) {
  const { cars, runs } = saved.get(id)!;
  const [car] = (await ask<ListedCar[]>(leader, 'GET', `/crews/${id}/cars`)).body;
  // Every acknowledged save made one version, and nothing else did.
  if (car!.version !== cars + 1) lost += Math.abs(car!.version - 1 - cars);
  const there = new Set<string>();
  for (let offset = 0; ; offset += 100) {
    const { body } = await ask<RunPage>(leader, 'GET', `/crews/${id}/cars/${car!.id}/runs?limit=100&offset=${offset}`);
    for (const run of body.runs) there.add(run.id);
    if (offset + 100 >= body.total) break;
  }
  lost += [...runs].filter((run) => !there.has(run)).length + (there.size - runs.size);
  found += cars + runs.size;
}
const memory = (/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${started.process.pid}/status`, 'utf8')) ?? [])[1];
const line = (name: string, list: number[], asked: string): void => {
  const sorted = list.toSorted((a, b) => a - b);
  const at = (fraction: number): string => quantileSorted(sorted, fraction).toFixed(0);
  console.log(`${name}: ${list.length}, median ${at(0.5)} ms, 95 % ${at(0.95)} ms, worst ${at(1)} ms${asked}`);
};
console.log(
  `${crewCount} crews × ${DEVICES} devices, ${values.minutes} min: ${found} saves acknowledged, ${lost} lost or twice, ${merges} merged, ${refused} refused`,
);
line('joining', times.join, '');
line('a save', times.save, ' (asked: 95 % under 100)');
line('the leader’s table', times.table, '');
line('a page’s first screen, in a new browser profile', times.page, ' (asked: 95 % under 2000)');
console.log(`each device heard ${(heard / (crewCount * DEVICES + 1) / 1e3).toFixed(0)} kB`);
console.log(`memory of the server at its most: ${(Number(memory) / 1024).toFixed(0)} MB (asked: under 400)`);
started.process.kill();
rmSync(folder, { recursive: true, force: true });

/**
 * How the server stands hostile requests and being killed, on loopback alone: `npm run bench:attack`, or with
 * `-- --requests N --kills N --seed N`. Ends with exit code 1 when anything was answered that must not be, or lost.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { randomGenerator } from '../core/numerics/low-discrepancy.ts';
import { badArchives } from '../server/attack/bad-archives.ts';
import { runRoleLoadTest } from '../server/attack/roles.ts';
import { CAR, design, send } from '../server/attack/hostile-requests.ts';
import { killUnderLoad } from '../server/attack/kills.ts';
import { runLoadTest, worstBodies } from '../server/attack/load-test.ts';
import { startMain } from '../server/testing.ts';

const { values } = parseArgs({
  options: {
    requests: { type: 'string', default: '10000' },
    kills: { type: 'string', default: '200' },
    seed: { type: 'string', default: '1' },
  },
});
const [requests, kills, seed] = [Number(values.requests), Number(values.kills), Number(values.seed)];
const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-attack-'));
const line = (name: string, figure: string): void => void process.stdout.write(`${name.padEnd(52)}${figure}\n`);

const started = await startMain(join(folder, 'storm'));
if (!('url' in started)) throw new Error(started.message);
const port = Number(new URL(started.url).port);
const plainest = {
  name: 'the plainest body',
  method: 'PUT',
  path: `/api/cars/${CAR}`,
  headers: { host: '127.0.0.1', 'content-type': 'application/json' },
  body: JSON.stringify({ baseVersion: 0, design }),
};
const plain: number[] = [];
for (let k = 0; k < 60; k++) plain.push((await send(port, plainest)).ms);
const usual = plain.sort((a, b) => a - b)[30]!;
line('a car kept, the plainest body', `${usual.toFixed(1)} ms`);
for (const { name, ms, answer } of await worstBodies(port, 5))
  line(
    `  ${name}`,
    `${ms.toFixed(1)} ms, ${(ms / usual).toFixed(0)} × the plainest, answered ${answer.status} in ${answer.size} characters`,
  );

const start = performance.now();
const { sent, statuses, wrong, slowest } = await runLoadTest(port, requests, randomGenerator(seed));
line('hostile requests', `${sent} in ${((performance.now() - start) / 1000).toFixed(1)} s`);
for (const [status, count] of [...statuses].sort(([a], [b]) => a - b))
  line(status === 0 ? '  connection closed' : `  answered ${status}`, String(count));
line('  answered as they must not be', String(wrong.length));
wrong.slice(0, 10).forEach((fault) => line(`    ${fault}`, ''));
line('  slowest', `${slowest.ms.toFixed(0)} ms (${slowest.name})`);
/** Archives made to hurt, each opened while somebody else asks for the parts: how long that one waits at the most. */
let isHeldUp = false;
for (const { name, zip } of [...badArchives()]) {
  const waits: number[] = [];
  let isOpen = true;
  const begun = performance.now();
  const opening = fetch(`${started.url}/api/archive?take`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: Buffer.from(zip),
  }).finally(() => (isOpen = false));
  while (isOpen) {
    const asked = performance.now();
    await (await fetch(`${started.url}/api/parts`)).arrayBuffer();
    waits.push(performance.now() - asked);
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  const { status } = await opening;
  waits.sort((a, b) => a - b);
  const [p99, worst] = [waits[Math.floor(0.99 * waits.length)]!, waits.at(-1)!];
  if (status >= 500 || p99 > 100) isHeldUp = true;
  line(
    `  ${name} (${(zip.length / 1024).toFixed(0)} kB)`,
    `answered ${status} in ${((performance.now() - begun) / 1000).toFixed(1)} s; others 99 % within ${p99.toFixed(0)} ms, worst ${worst.toFixed(0)} ms`,
  );
}
const memory = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${started.process.pid}/status`, 'utf8'));
if (memory) line('  memory of the program, at its most', `${(Number(memory[1]) / 1024).toFixed(0)} MB`);
started.process.kill('SIGKILL');

const { asked, wrongly } = await runRoleLoadTest(join(folder, 'roles'), randomGenerator(seed));
line('requests of phones beyond their role', String(asked));
line('  answered otherwise than the rights say', String(wrongly.length));
wrongly.slice(0, 10).forEach((fault) => line(`    ${fault}`, ''));

const { acknowledged, lost } = await killUnderLoad(join(folder, 'kills'), kills, randomGenerator(seed));
line('kills under load', String(kills));
line('  runs acknowledged', String(acknowledged));
line('  of these lost', String(lost.length));
rmSync(folder, { recursive: true, force: true });
process.exit(wrong.length > 0 || lost.length > 0 || wrongly.length > 0 || isHeldUp ? 1 : 0);

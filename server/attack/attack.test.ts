import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { randomGenerator } from '../../core/numerics/low-discrepancy.ts';
import { createApp } from '../app.ts';
import { openDatabase } from '../database.ts';
import { newFolder } from '../testing.ts';
import { CAR, design } from './hostile-requests.ts';
import { killUnderLoad } from './kills.ts';
import { runLoadTest, worstBodies } from './load-test.ts';

let server: Server;
let port: number;
beforeAll(async () => {
  server = createServer(createApp(openDatabase(newFolder()), fileURLToPath(new URL('../../dist', import.meta.url))).app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  ({ port } = server.address() as AddressInfo);
  await fetch(`http://127.0.0.1:${port}/api/cars/${CAR}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ baseVersion: 0, design }),
  });
});
afterAll(() => void server.close());

/** Sends bytes as they are and gives what comes back. */
const raw = (text: string): Promise<string> =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => socket.end(text));
    let answer = '';
    socket.on('data', (bytes) => (answer += bytes.toString()));
    socket.on('close', () => resolve(answer));
    socket.on('error', () => resolve(answer));
  });

describe('the server under attack', () => {
  it('refuses the largest bodies with few faults, each time the same', async () => {
    for (const { name, answer } of await worstBodies(port, 1)) {
      expect([name, answer.status]).toEqual([name, 422]);
      expect(answer.size).toBeLessThan(12_000);
    }
  });
  it('answers 1,200 hostile requests without a fault of its own, in few words, as problems', async () => {
    const { sent, wrong, statuses } = await runLoadTest(port, 1200, randomGenerator(1));
    expect(wrong).toEqual([]);
    expect(sent).toBe(1200);
    // Not all were turned away at the same door.
    for (const status of [200, 400, 403, 404, 413, 415, 421, 422]) expect([status, statuses.get(status) ?? 0]).not.toEqual([status, 0]);
  });
  it('takes a request with two hosts for none of its own', async () =>
    expect(await raw('GET /api/cars HTTP/1.1\r\nHost: 127.0.0.1\r\nHost: example.test\r\nConnection: close\r\n\r\n')).toMatch(
      /^HTTP\/1.1 400/,
    ));
  it('gives the page with a fresh nonce under each of its names', async () => {
    const nonces = await Promise.all(
      ['/', '/index.html', '/cars/x/design'].map(async (path) => {
        const answer = await fetch(`http://127.0.0.1:${port}${path}`);
        const nonce = /name="style-nonce" content="([^"]+)"/.exec(await answer.text())![1]!;
        expect(answer.headers.get('content-security-policy')).toContain(`'nonce-${nonce}'`);
        return nonce;
      }),
    );
    expect(new Set(nonces).size).toBe(3);
  });
  it('sends what was packed at build packed, tells a station what it needs, and asks robots nothing', async () => {
    const page = await (await fetch(`http://127.0.0.1:${port}/cars/x/design`)).text();
    const [preload] = /(?<=rel="modulepreload" crossorigin href=")[^"]+design-page[^"]+/.exec(page)!;
    const program = await fetch(`http://127.0.0.1:${port}${preload}`, { headers: { 'accept-encoding': 'br' } });
    expect([program.status, program.headers.get('content-encoding')]).toEqual([200, 'br']);
    expect(program.headers.get('cache-control')).toMatch(/immutable/);
    const robots = await fetch(`http://127.0.0.1:${port}/robots.txt`);
    expect(robots.headers.get('content-type')).toMatch(/text\/plain/);
  });
  it('killed under load, loses no run it has acknowledged', async () => {
    const { acknowledged, lost } = await killUnderLoad(newFolder(), 4, randomGenerator(1));
    expect(acknowledged).toBeGreaterThanOrEqual(4 * 3);
    expect(lost).toEqual([]);
  });
});

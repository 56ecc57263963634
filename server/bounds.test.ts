import { cpSync, rmSync, readdirSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createApp } from './app.ts';
import { photo } from './attack/hostile-requests.ts';
import { boundSockets } from './bounded-sockets.ts';
import { openDatabase } from './database.ts';
import { newFolder } from './testing.ts';

let server: Server;
let port: number;
let webRoot: string;
const sockets: Socket[] = [];
beforeEach(async () => {
  webRoot = join(newFolder(), 'dist');
  cpSync(fileURLToPath(new URL('../dist', import.meta.url)), webRoot, { recursive: true });
  server = createServer(createApp(openDatabase(newFolder()), webRoot).app);
  boundSockets(server, { most: 40, mostOfAddress: 10, quiet: 400 });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  ({ port } = server.address() as AddressInfo);
});
afterEach(() => {
  sockets.splice(0).forEach((socket) => socket.destroy());
  server.closeAllConnections();
  server.close();
});

const ask = (path: string, init?: RequestInit): Promise<Response> => fetch(`http://127.0.0.1:${port}${path}`, init);
/** Sends what is given and waits until the other side closes; what came back. */
const raw = (text: string, from = '127.0.0.1'): Promise<string> =>
  new Promise((resolve) => {
    let answer = '';
    const socket = connect({ port, host: '127.0.0.1', localAddress: from }, () => void socket.write(text));
    sockets.push(socket);
    socket.on('data', (bytes) => (answer += bytes.toString()));
    socket.on('error', () => resolve(answer));
    socket.on('close', () => resolve(answer));
  });

describe('sockets of strangers', () => {
  it('that say nothing are closed after a while, and more than ten of one address at once; others are answered', async () => {
    const idle = Array.from({ length: 30 }, () => raw('', '127.0.0.2'));
    expect((await ask('/api/cars')).status).toBe(200);
    await Promise.all(idle);
    expect((await ask('/api/cars')).status).toBe(200);
  });
  it('that break off, stay in the middle of a body, or ask for what no file has are answered or closed, and the program goes on', async () => {
    const head = 'Host: 127.0.0.1\r\n';
    const [asset] = readdirSync(join(webRoot, 'assets')).filter((name) => name.endsWith('.js'));
    expect(await raw(`GET /assets/${asset} HTTP/1.1\r\n${head}Range: bytes=5-2\r\nConnection: close\r\n\r\n`)).toMatch(
      /^HTTP\/1.1 (200|416)/,
    );
    expect(await raw(`PUT /api/cars/x HTTP/1.1\r\n${head}Content-Type: application/json\r\nContent-Length: 900\r\n\r\n{"half`)).toMatch(
      /^(HTTP\/1.1 4|$)/,
    );
    expect(await raw('GET / HTTP/9.9\r\n\r\n')).toMatch(/^HTTP\/1.1 400/);
    expect((await ask('/api/cars')).status).toBe(200);
  });
});

describe('files of the page', () => {
  it('that are gone meanwhile are answered as such, packed or not, and the program goes on', async () => {
    const [asset] = readdirSync(join(webRoot, 'assets')).filter((name) => name.endsWith('.js'));
    const packed = await ask(`/assets/${asset}`, { headers: { 'accept-encoding': 'br' } });
    expect([packed.status, packed.headers.get('content-encoding'), packed.headers.get('content-type')]).toEqual([
      200,
      'br',
      expect.stringContaining('text/javascript'),
    ]);
    expect(packed.headers.get('cache-control')).toContain('immutable');
    const plain = await ask(`/assets/${asset}`, { headers: { 'accept-encoding': 'identity' } });
    expect(plain.headers.get('content-encoding')).toBeNull();
    expect((await packed.text()) === (await plain.text())).toBe(true);
    rmSync(join(webRoot, 'assets'), { recursive: true });
    for (const path of [`/assets/${asset}`, '/assets/none.js', '/assets/%']) {
      const answer = await ask(path);
      expect([path, answer.status >= 400 && answer.status < 500, answer.headers.get('content-encoding')]).toEqual([path, true, null]);
    }
    expect((await ask('/api/cars')).status).toBe(200);
  });
});

describe('answers', () => {
  it('are packed where they are long; a picture is asked for once; what is too large is told its own bound', async () => {
    const id = crypto.randomUUID();
    const put = (body: object) =>
      ask(`/api/photos/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ baseVersion: 0, photo: body }),
      });
    expect((await put(photo)).status).toBe(200);
    const picture = await ask(`/api/photos/${id}/picture`);
    expect([picture.headers.get('cache-control'), (await picture.arrayBuffer()).byteLength > 0]).toEqual([
      'private, max-age=31536000, immutable',
      true,
    ]);
    const large = await put({ ...photo, jpeg: 'x'.repeat(1_100_000) });
    expect([large.status, ((await large.json()) as { detail: string }).detail]).toEqual([413, 'At most 1 MB.']);
    const problem = await ask(`/api/cars/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ baseVersion: 0, design: Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`key${i}`, i])) }),
    });
    expect(problem.headers.get('content-encoding')).toMatch(/br|gzip/);
  });
  it('are told in one line each where that is wished, and nothing of what was sent', async () => {
    const lines: string[] = [];
    vi.stubEnv('NIMBLE_AXLE_LOG', 'info');
    const write = vi.spyOn(process.stderr, 'write').mockImplementation((line) => lines.push(String(line)) > 0);
    await ask('/api/cars?limit=3');
    await ask('/api/parts/x', { method: 'PUT', headers: { 'content-type': 'application/json' }, body: '{"secret":1}' });
    await vi.waitFor(() => expect(lines).toHaveLength(2));
    write.mockRestore();
    vi.unstubAllEnvs();
    expect(lines[0]).toMatch(/^\S+Z GET \/api\/cars\?limit=3 200 [\d.]+ ms\n$/);
    expect(lines.join()).not.toContain('secret');
  });
});

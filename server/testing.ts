import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import type { Brief } from '../core/brief/brief.ts';
import type { CarVersion, RunRecord } from '../core/car/car-design.ts';
import { newCar } from '../core/car/new-car.ts';
import { createApp } from './app.ts';
import { openDatabase, type Store } from './database.ts';

export const design = newCar('Limpet');
export const record: RunRecord = {
  format: 'nimble-axle/run-record',
  version: 1,
  ranAt: '2026-11-21T18:00:00.000Z',
  wind: { kind: 'turns', turns: 12 },
  outcome: { kind: 'stopped', distance: 8.4 },
  seen: ['spun'],
  note: 'first run',
  design,
};
export const version: CarVersion = {
  format: 'nimble-axle/car-version',
  version: 1,
  name: 'long lever',
  note: '',
  keptAt: '2026-11-20T18:00:00.000Z',
  parent: null,
  change: '',
  design,
};
export const brief = JSON.parse(readFileSync(new URL('demo/skerrow-lull-trophy.brief.json', import.meta.url), 'utf8')) as Brief;

export const part = {
  format: 'nimble-axle/own-part',
  version: 1,
  kind: 'tyre',
  name: 'moss-green balloon',
  like: 'cut-glove',
  values: { staticGrip: 0.93, slidingGrip: 0.79 },
  evidence: 'measured',
  count: 4,
} as const;

export const newFolder = (): string => mkdtempSync(join(tmpdir(), 'nimble-axle-server-'));

/** The real server on a real file, asked without a network. */
export function serve(folder: string = newFolder()) {
  const store: Store = openDatabase(folder);
  const { app, sharing, classes, resumeSharing, close } = createApp(store);
  const api = request(app);
  const to = (path: string) => `/api${path}`;
  return {
    folder,
    store,
    db: store.db,
    sharing,
    classes,
    resumeSharing,
    close,
    api,
    get: (path: string) => api.get(to(path)).set('Host', '127.0.0.1'),
    put: (path: string, body: object) => api.put(to(path)).set('Host', '127.0.0.1').send(body),
    post: (path: string, body: object = {}) => api.post(to(path)).set('Host', '127.0.0.1').send(body),
    remove: (path: string) => api.delete(to(path)).set('Host', '127.0.0.1'),
    /** The same server on a port of its own, for what stays open. */
    listen: async () => {
      const server = app.listen(0, '127.0.0.1');
      await once(server, 'listening');
      const close = (): void => {
        server.closeAllConnections();
        server.close();
      };
      return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`, close };
    },
  };
}
export type Served = ReturnType<typeof serve>;

/** Everything that a server keeps, as the archive that it answers with, and what that would be saved as. */
export async function savedArchive({ api }: Served): Promise<{ readonly bytes: Uint8Array; readonly disposition: string }> {
  const answer = await api
    .get('/api/archive')
    .set('Host', '127.0.0.1')
    .buffer(true)
    .parse((response, done) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => done(null, Buffer.concat(chunks)));
    });
  return { bytes: new Uint8Array(answer.body as Buffer), disposition: String(answer.headers['content-disposition']) };
}

interface Started {
  readonly url: string;
  readonly process: ChildProcess;
}
interface Ended {
  readonly code: number | null;
  readonly message: string;
}

/** Starts the program on a free port; told when it listens, or how it ended before. */
export function startMain(folder: string, args: readonly string[] = [], options: { uid?: number } = {}): Promise<Started | Ended> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...args], {
    cwd: new URL('..', import.meta.url),
    env: { ...process.env, PORT: '0', NIMBLE_AXLE_DATA: folder },
    stdio: ['ignore', 'pipe', 'pipe'],
    ...options,
  });
  let message = '';
  child.stderr!.on('data', (text: Buffer) => (message += text.toString()));
  return new Promise((resolve) => {
    child.stdout!.on('data', (text: Buffer) => {
      const found = /http:\S+/.exec(text.toString());
      if (found) resolve({ url: found[0], process: child });
    });
    child.once('close', (code) => resolve({ code, message }));
  });
}

/** Requests nobody means well with: wrong shapes, sizes, kinds, addresses and headers. */
import { readFileSync } from 'node:fs';
import { request as ask, type RequestOptions } from 'node:http';
import type { Brief } from '../../core/brief/brief.ts';
import { newCar } from '../../core/car/new-car.ts';
import { SMALL_JPEG } from '../../core/files/reference/small-jpeg.ts';
import { newEntry, newMeet, newResult } from '../../core/meet/new-meet.ts';

export interface HostileRequest {
  readonly name: string;
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string | string[]>>;
  readonly body: string | null;
}

const LOCAL = { host: '127.0.0.1' };
const JSON_HEADERS = { ...LOCAL, 'content-type': 'application/json' };
export const CAR = '00000000-0000-4000-8000-000000000001';
export const design = newCar('Limpet');
export const record = {
  format: 'nimble-axle/run-record',
  version: 1,
  ranAt: '2026-11-21T18:00:00Z',
  wind: { kind: 'full' },
  outcome: { kind: 'stopped', distance: 8.4 },
  seen: [],
  note: '',
  design,
};
export const version = {
  format: 'nimble-axle/car-version',
  version: 1,
  name: 'a',
  note: '',
  keptAt: record.ranAt,
  parent: null,
  change: '',
  design,
};
export const photo = { format: 'nimble-axle/photo', version: 1, name: 'at the wall.jpg', jpeg: SMALL_JPEG };
export const session = {
  format: 'nimble-axle/session',
  version: 1,
  name: 'An evening',
  begunAt: '2026-11-21T18:00:00.000Z',
  floor: 'linoleum',
  measuredBy: '',
  conditions: { temperature: 292, dusty: null, damp: false },
  tape: 0.01,
  watch: 0.15,
  spacing: null,
  marks: [6],
  cars: [] as string[],
};
export const brief = JSON.parse(readFileSync(new URL('../demo/skerrow-lull-trophy.brief.json', import.meta.url), 'utf8')) as Brief;
const meet = newMeet({
  name: 'An evening',
  date: '2026-11-21',
  brief,
  seed: 1,
  entries: [newEntry({ id: CAR, crew: 'the night watch', car: 'Limpet' })],
});
const result = newResult({
  meet: CAR,
  entry: CAR,
  round: 0,
  run: 0,
  at: record.ranAt,
  by: '',
  outcome: { kind: 'ran', distance: 8.4, splits: [{ at: 6, time: 2 }] },
});
export const part = {
  format: 'nimble-axle/own-part',
  version: 1,
  kind: 'tyre',
  name: 'a',
  like: 'cut-glove',
  values: {},
  evidence: 'measured',
  count: 1,
};

/** Bodies as large as are let in, made so that telling their faults is work. */
export const WORST_BODIES: readonly (readonly [name: string, path: string, body: string])[] = [
  [
    'sleeve of 120,000 zeros',
    `/api/cars/${CAR}`,
    JSON.stringify({ baseVersion: 0, design: { ...design, sleeve: Array(120_000).fill(0) } }),
  ],
  [
    'seen of 25,000 different texts',
    `/api/cars/${CAR}/runs/${CAR}`,
    JSON.stringify({ baseVersion: 0, record: { ...record, seen: Array.from({ length: 25_000 }, (_, i) => `s${i}`) } }),
  ],
  [
    '16,000 unknown keys',
    `/api/cars/${CAR}`,
    JSON.stringify({
      baseVersion: 0,
      design: { ...design, ...Object.fromEntries(Array.from({ length: 16_000 }, (_, i) => [`k${i}`, 0])) },
    }),
  ],
  [
    'a note of 250,000 letters',
    `/api/cars/${CAR}/runs/${CAR}`,
    JSON.stringify({ baseVersion: 0, record: { ...record, note: 'n'.repeat(250_000) } }),
  ],
  ['lists 120,000 deep', `/api/cars/${CAR}`, `{"baseVersion":0,"design":${'['.repeat(120_000)}${']'.repeat(120_000)}}`],
  [
    '400 steps of a sleeve, each six times wrong',
    `/api/cars/${CAR}`,
    JSON.stringify({ baseVersion: 0, design: { ...design, sleeve: Array(400).fill({ a: 1, b: 2, c: 3, d: 4 }) } }),
  ],
];

const STRANGE = [
  null,
  true,
  -0,
  1e308,
  -1e308,
  1e-320,
  2 ** 53,
  '',
  ' ',
  '\u200b',
  '\u0000',
  '__proto__',
  'constructor',
  '../../etc',
  '🛞',
  [],
  {},
  [[]],
  { a: {} },
];
const METHODS = ['GET', 'PUT', 'POST', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS', 'TRACE'];
const PLACES = [
  'cars',
  'parts',
  'briefs',
  'sessions',
  'photos',
  'sharing',
  'meets',
  `meets/${CAR}/results`,
  `cars/${CAR}/runs`,
  `cars/${CAR}/versions`,
  `cars/${CAR}/history`,
  'removed',
  'archive',
  `cars/${CAR}/runs/tallies`,
  `cars/${CAR}/runs/sessions`,
];

/** One hostile request after another, always the same from the same random numbers in [0, 1). */
export function* hostileRequests(random: () => number): Generator<HostileRequest> {
  const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const uuid = (): string =>
    one([CAR, CAR.toUpperCase(), crypto.randomUUID(), 'one', '%00', '..%2f..', "' OR 1=1 --", '💥', 'x'.repeat(5000)]);
  /** The content with one thing in it replaced, somewhere. */
  const spoilt = (content: object): object => {
    const copy = structuredClone(content) as Record<string, unknown>;
    let at: Record<string, unknown> = copy;
    for (let depth = 0; depth < 4; depth++) {
      const key = one(Object.keys(at));
      const inner = at[key];
      if (typeof inner === 'object' && inner !== null && !Array.isArray(inner) && Object.keys(inner).length > 0 && random() < 0.6) {
        at = inner as Record<string, unknown>;
        continue;
      }
      if (random() < 0.15) Reflect.deleteProperty(at, key);
      else at[random() < 0.85 ? key : String(one(STRANGE))] = one(STRANGE);
      break;
    }
    return copy;
  };
  const kinds: (() => HostileRequest)[] = [
    () => {
      const [path, key, content] = one([
        [`/api/cars/${CAR}`, 'design', design],
        [`/api/cars/${CAR}/runs/${CAR}`, 'record', record],
        [`/api/cars/${CAR}/versions/${CAR}`, 'record', version],
        [`/api/parts/${CAR}`, 'part', part],
        [`/api/briefs/${CAR}`, 'brief', brief],
        [`/api/sessions/${CAR}`, 'session', session],
        [`/api/photos/${CAR}`, 'photo', photo],
        [`/api/meets/${CAR}`, 'meet', meet],
        [`/api/meets/${CAR}/results/${CAR}`, 'result', result],
      ] as const);
      return json('a spoilt body', 'PUT', path, { baseVersion: one([0, 1, -1, 1.5, 2 ** 60, '0', null]), [key]: spoilt(content) });
    },
    () => ({ name: 'an odd address', method: one(METHODS), path: `/api/${one(PLACES)}/${encodeURI(uuid())}`, headers: LOCAL, body: null }),
    () => ({
      name: 'an odd question',
      method: 'GET',
      path: `/api/${one(PLACES)}?${one(['offset', 'limit', 'designs', 'wind', 'before', 'take', 'replace'])}=${encodeURIComponent(String(one(STRANGE)))}`,
      headers: LOCAL,
      body: null,
    }),
    () => ({
      name: 'broken JSON',
      method: one(['PUT', 'POST']),
      path: `/api/cars/${CAR}`,
      headers: JSON_HEADERS,
      body: one(['{', '', '[1,', 'NaN', '\ufeff{}', '{"a":1}}', 'null', '"x"', '1e999']),
    }),
    () => ({
      name: 'another kind of body',
      method: 'PUT',
      path: `/api/cars/${CAR}`,
      headers: {
        ...LOCAL,
        'content-type': one(['text/plain', 'application/xml', 'multipart/form-data; boundary=x', 'application/json; charset=utf-7', '']),
      },
      body: '{}',
    }),
    () => ({
      name: 'a foreign host',
      method: 'GET',
      path: '/api/cars',
      headers: { host: one(['example.test', '127.0.0.1.example.test', 'localhost@example.test', '']) },
      body: null,
    }),
    () => ({
      name: 'another page',
      method: 'PUT',
      path: `/api/cars/${CAR}`,
      headers: { ...JSON_HEADERS, origin: one(['http://example.test', 'null', 'http://127.0.0.1:1']) },
      body: '{}',
    }),
    () => ({
      name: 'no archive',
      method: 'POST',
      path: `/api/archive${one(['', '?take', '?take&replace=all'])}`,
      headers: { ...LOCAL, 'content-type': 'application/zip' },
      body: one(['', 'PK', 'PK\u0003\u0004', 'hello', 'PK\u0003\u0004'.repeat(2000)]),
    }),
    () => ({
      name: 'a file of the machine',
      method: 'GET',
      path: one(['/../package.json', '/assets/..%2f..%2fpackage.json', '/%2e%2e/server/main.ts', '//etc/passwd', '/assets/nothing.js']),
      headers: LOCAL,
      body: null,
    }),
  ];
  for (let n = 0; ; n++) {
    // What was removed comes back now and then, so that there is something to hurt; one in 300 is as large as it may be, one larger.
    if (n % 25 === 24) yield json('a car brought back', 'POST', `/api/cars/${CAR}/restore`, {});
    else if (n % 300 === 150) yield json('too much', 'PUT', `/api/cars/${CAR}`, { name: 'x'.repeat(300_000) });
    else if (n % 300 === 290) {
      const [name, path, body] = WORST_BODIES[Math.floor(n / 300) % WORST_BODIES.length]!;
      yield { name, method: 'PUT', path, headers: JSON_HEADERS, body };
    } else yield one(kinds)();
  }
}

const json = (name: string, method: string, path: string, body: object): HostileRequest => ({
  name,
  method,
  path,
  headers: JSON_HEADERS,
  body: JSON.stringify(body),
});

export interface Answer {
  readonly status: number;
  readonly type: string;
  readonly size: number;
  readonly ms: number;
  readonly text: string;
}

/** Sends one to a server on this machine and waits for the answer; status 0 where the connection was closed instead. */
export function send(port: number, { method, path, headers, body }: HostileRequest): Promise<Answer> {
  const start = performance.now();
  return new Promise((resolve) => {
    const end = (status: number, type: string, text: string): void =>
      resolve({ status, type, size: text.length, ms: performance.now() - start, text });
    const options: RequestOptions = {
      host: '127.0.0.1',
      port,
      method,
      path,
      headers: { ...headers, ...(body !== null && { 'content-length': Buffer.byteLength(body) }) },
    };
    try {
      const sent = ask(options, (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () =>
          end(response.statusCode ?? 0, String(response.headers['content-type'] ?? ''), Buffer.concat(chunks).toString('latin1')),
        );
      });
      sent.on('error', () => end(0, '', ''));
      if (body !== null) sent.write(body);
      sent.end();
    } catch {
      end(0, '', '');
    }
  });
}

import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import request from 'supertest';
import { beforeEach, describe, expect, it } from 'vitest';
import { newCar, type RunRecord } from '../core/design/car-design.ts';
import { createApp } from './app.ts';
import { DataUnusable, openDatabase, type Db } from './database.ts';
import { loadDemo } from './demo/load-demo.ts';

const design = newCar('Limpet');
const record: RunRecord = {
  format: 'nimble-axle/run-record',
  version: 1,
  ranAt: '2026-11-21T18:00:00.000Z',
  wind: { kind: 'turns', turns: 12 },
  outcome: { kind: 'stopped', distance: 8.4 },
  seen: ['spun'],
  note: 'first run',
  design,
};
const newFolder = (): string => mkdtempSync(join(tmpdir(), 'nimble-axle-server-'));

let db: Db;
let folder: string;
let api: ReturnType<typeof request>;
beforeEach(() => {
  folder = newFolder();
  db = openDatabase(folder);
  api = request(createApp(db));
});

const put = (path: string, body: object) => api.put(path).set('Host', '127.0.0.1').send(body);
const get = (path: string) => api.get(path).set('Host', '127.0.0.1');
const carId = crypto.randomUUID();
const saveCar = (baseVersion: number, change: object = {}) => put(`/api/cars/${carId}`, { baseVersion, design: { ...design, ...change } });

describe('cars', () => {
  it('are kept, with a version for each save', async () => {
    expect((await saveCar(0)).body).toMatchObject({ id: carId, version: 1 });
    expect((await saveCar(1, { mass: 0.2 })).body).toMatchObject({ version: 2, design: { mass: 0.2 } });
    expect((await get('/api/cars')).body).toMatchObject([{ id: carId, version: 2, runCount: 0, best: null }]);
  });
  it('meet a stale save with both copies, and keep the design that a later save replaces', async () => {
    await saveCar(0);
    await saveCar(1, { mass: 0.2 });
    const stale = await saveCar(1, { mass: 0.3 });
    expect(stale.status).toBe(409);
    expect(stale.type).toBe('application/problem+json');
    expect(stale.body).toMatchObject({ current: { version: 2, design: { mass: 0.2 } }, yours: { mass: 0.3 } });
    await saveCar(2, { mass: 0.3 });
    const kept = db.prepare("SELECT version, json_extract(design, '$.mass') AS mass FROM car_history ORDER BY version").all();
    expect(kept).toEqual([
      { version: 1, mass: 0.15 },
      { version: 2, mass: 0.2 },
    ]);
  });
  it('store a retried save once', async () => {
    await saveCar(0);
    expect((await saveCar(0)).body).toMatchObject({ version: 1 });
    await saveCar(1, { mass: 0.2 });
    expect((await saveCar(1, { mass: 0.2 })).body).toMatchObject({ version: 2 });
  });
  it('come back after a removal is undone', async () => {
    await saveCar(0);
    expect((await api.delete(`/api/cars/${carId}`).set('Host', '127.0.0.1')).status).toBe(204);
    expect((await get(`/api/cars/${carId}`)).status).toBe(404);
    await api.post(`/api/cars/${carId}/restore`).set('Host', '127.0.0.1').send({});
    expect((await get(`/api/cars/${carId}`)).body).toMatchObject({ version: 1 });
  });
});

describe('runs', () => {
  const runId = crypto.randomUUID();
  const path = `/api/cars/${carId}/runs/${runId}`;
  it('are kept, corrected, removed and brought back, and counted at their car', async () => {
    await saveCar(0);
    expect((await put(path, { baseVersion: 0, record })).body).toMatchObject({ id: runId, carId, version: 1 });
    const corrected = { ...record, outcome: { kind: 'hit-wall', distance: 18.5 } };
    expect((await put(path, { baseVersion: 1, record: corrected })).body).toMatchObject({ version: 2 });
    expect((await put(path, { baseVersion: 1, record })).status).toBe(409);
    expect((await get('/api/cars')).body).toMatchObject([{ runCount: 1, best: { kind: 'hit-wall', distance: 18.5 } }]);
    await api.delete(path).set('Host', '127.0.0.1');
    expect((await get(`/api/cars/${carId}/runs`)).body).toEqual([]);
    await api.post(`${path}/restore`).set('Host', '127.0.0.1').send({});
    expect((await get(`/api/cars/${carId}/runs`)).body).toMatchObject([{ id: runId, version: 2 }]);
  });
  it('belong to a car that is here', async () => expect((await put(path, { baseVersion: 0, record })).status).toBe(404));
});

describe('versions', () => {
  const id = crypto.randomUUID();
  const path = `/api/cars/${carId}/versions/${id}`;
  const version = {
    format: 'nimble-axle/car-version',
    version: 1,
    name: 'long lever',
    note: '',
    keptAt: '2026-11-20T18:00:00.000Z',
    parent: null,
    change: '',
    design,
  };
  it('are kept with their design, newest first, and a retry stores once', async () => {
    await saveCar(0);
    expect((await put(path, { baseVersion: 0, record: version })).body).toMatchObject({ id, carId, version: 1, record: version });
    expect((await put(path, { baseVersion: 0, record: version })).status).toBe(200);
    const newer = { ...version, name: 'taped', keptAt: '2026-11-21T18:00:00.000Z', parent: id };
    await put(`/api/cars/${carId}/versions/${crypto.randomUUID()}`, { baseVersion: 0, record: newer });
    const { body } = await get(`/api/cars/${carId}/versions`);
    expect((body as { record: { name: string } }[]).map(({ record }) => record.name)).toEqual(['taped', 'long lever']);
  });
  it('are refused with the key named when something is wrong with them', async () => {
    await saveCar(0);
    const answer = await put(path, { baseVersion: 0, record: { ...version, name: ' ', design: { ...design, mass: -1 } } });
    expect(answer.status).toBe(422);
    expect((answer.body.faults as { path: string }[]).map((fault) => fault.path)).toEqual(expect.arrayContaining(['name', 'design.mass']));
  });
});

describe('parts of one’s own', () => {
  const id = crypto.randomUUID();
  const path = `/api/parts/${id}`;
  const part = {
    format: 'nimble-axle/own-part',
    version: 1,
    kind: 'tyre',
    name: 'moss-green balloon',
    like: 'cut-glove',
    values: { staticGrip: 0.93, slidingGrip: 0.79 },
    evidence: 'measured',
    count: 4,
  };
  it('are kept for all cars, changed, removed and brought back', async () => {
    expect((await put(path, { baseVersion: 0, part })).body).toMatchObject({ id, version: 1, part });
    expect((await put(path, { baseVersion: 1, part: { ...part, count: 2 } })).body).toMatchObject({ version: 2 });
    const stale = await put(path, { baseVersion: 1, part });
    expect(stale.status).toBe(409);
    expect(stale.body).toMatchObject({ current: { part: { count: 2 } }, yours: { count: 4 } });
    await api.delete(path).set('Host', '127.0.0.1');
    expect((await get('/api/parts')).body).toEqual([]);
    await api.post(`${path}/restore`).set('Host', '127.0.0.1').send({});
    expect((await get('/api/parts')).body).toMatchObject([{ id, version: 2, part: { count: 2 } }]);
    expect((await get(path)).body).toMatchObject({ part: { name: part.name } });
  });
  it.each([
    [{ like: 'velvet' }, 'like'],
    [{ values: { friction: 0.2 } }, 'values.friction'],
    [{ values: { staticGrip: 0.5, slidingGrip: 0.6 } }, 'values.slidingGrip'],
    [{ count: -1 }, 'count'],
    [{ kind: 'sail' }, 'kind'],
  ])('%o is refused with the key named', async (change, key) => {
    const answer = await put(path, { baseVersion: 0, part: { ...part, ...change } });
    expect(answer.status).toBe(422);
    expect((answer.body.faults as { path: string }[]).map((fault) => fault.path)).toContain(key);
  });
  it('stand in a design that is kept', async () => {
    const own = { tyre: { name: part.name, evidence: 'measured', values: part.values } };
    expect((await saveCar(0, { own })).body).toMatchObject({ design: { own } });
    const answer = await saveCar(1, { own: { tyre: { ...own.tyre, values: { staticGrip: 0, colour: 1 } } } });
    expect(answer.status).toBe(422);
    expect((answer.body.faults as { path: string }[]).map((fault) => fault.path)).toContain('own.tyre.values.staticGrip');
  });
});

describe('bad requests', () => {
  it('are told what is wrong, by path', async () => {
    const answer = await put('/api/cars/one', { baseVersion: -1, design: { ...design, mass: 0 } });
    expect(answer.status).toBe(422);
    expect(answer.body.faults).toEqual([
      { path: 'id', message: 'must be a UUID' },
      { path: 'baseVersion', message: expect.any(String) },
      { path: 'mass', message: 'must be > 0' },
    ]);
  });
  it.each([
    ['a foreign host', () => api.get('/api/cars').set('Host', 'example.test'), 421],
    ['another page', () => get('/api/cars').set('Origin', 'http://example.test'), 403],
    ['a form instead of JSON', () => api.put(`/api/cars/${carId}`).set('Host', '127.0.0.1').type('form').send('a=1'), 415],
    ['broken JSON', () => api.put(`/api/cars/${carId}`).set('Host', '127.0.0.1').type('json').send('{'), 400],
    ['too much', () => put(`/api/cars/${carId}`, { baseVersion: 0, design: { ...design, name: 'x'.repeat(300_000) } }), 413],
    ['an unknown address', () => get('/api/elsewhere'), 404],
  ])('%s is turned away with a problem', async (_name, ask, status) => {
    const answer = await ask();
    expect(answer.status).toBe(status);
    expect(answer.type).toBe('application/problem+json');
  });
});

describe('data on disk', () => {
  it('is not touched when a newer program wrote it', () => {
    db.pragma('user_version = 999');
    db.close();
    const before = readFileSync(join(folder, 'nimble-axle.sqlite'));
    expect(() => openDatabase(folder)).toThrow(/newer Nimble Axle/);
    expect(readFileSync(join(folder, 'nimble-axle.sqlite')).equals(before)).toBe(true);
  });
  it('is refused with a remedy when damaged', () => {
    const broken = newFolder();
    writeFileSync(join(broken, 'nimble-axle.sqlite'), 'not a database, '.repeat(400));
    expect(() => openDatabase(broken)).toThrow(DataUnusable);
  });
  it('of an older program is carried over, its cars with it', async () => {
    await saveCar(0);
    // As it was before cars had versions and parts.
    db.exec('DROP TABLE car_versions; DROP TABLE own_parts');
    db.pragma('user_version = 1');
    db.close();
    db = openDatabase(folder);
    api = request(createApp(db));
    expect((await get('/api/cars')).body).toMatchObject([{ id: carId, version: 1, design: { name: 'Limpet' } }]);
    expect((await get('/api/parts')).body).toEqual([]);
    expect((await get(`/api/cars/${carId}/versions`)).body).toEqual([]);
  });
  it('loads the demo once: what was removed from it stays removed', async () => {
    loadDemo(db);
    const cars = (await get('/api/cars')).body as { id: string; runCount: number }[];
    expect(cars.map(({ runCount }) => runCount)).toEqual([6, 5, 6, 9, 3]);
    expect((await get('/api/parts')).body).toHaveLength(6);
    await api.delete(`/api/cars/${cars[0]!.id}`).set('Host', '127.0.0.1');
    loadDemo(db);
    expect((await get('/api/cars')).body).toHaveLength(4);
  });
  it('answers a full disk in words and changes nothing', async () => {
    await saveCar(0);
    db.pragma(`max_page_count = ${db.pragma('page_count', { simple: true }) as number}`);
    const note = 'n'.repeat(2000);
    let answer = await put(`/api/cars/${carId}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record: { ...record, note } });
    for (let k = 0; k < 20 && answer.status === 200; k++)
      answer = await put(`/api/cars/${carId}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record: { ...record, note } });
    expect(answer.status).toBe(507);
    expect((await get(`/api/cars/${carId}`)).status).toBe(200);
  });
});

describe('killed without warning', () => {
  it('loses no run it has acknowledged', async () => {
    const data = newFolder();
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
      cwd: new URL('..', import.meta.url),
      env: { ...process.env, PORT: '0', NIMBLE_AXLE_DATA: data },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const url = await new Promise<string>((resolve) =>
      child.stdout!.on('data', (text: Buffer) => {
        const found = /http:\S+/.exec(text.toString());
        if (found) resolve(found[0]);
      }),
    );
    const send = (path: string, body: object) =>
      fetch(`${url}/api${path}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
    await send(`/cars/${carId}`, { baseVersion: 0, design });
    const acknowledged: string[] = [];
    const logging = (async () => {
      for (;;) {
        const id = crypto.randomUUID();
        const answer = await send(`/cars/${carId}/runs/${id}`, { baseVersion: 0, record }).catch(() => null);
        if (!answer) return;
        if (answer.ok) acknowledged.push(id);
        if (acknowledged.length === 60) child.kill('SIGKILL');
      }
    })();
    await logging;
    const kept = new Set(
      new Database(join(data, 'nimble-axle.sqlite'))
        .prepare<[], { id: string }>('SELECT id FROM runs')
        .all()
        .map(({ id }) => id),
    );
    expect(acknowledged.length).toBeGreaterThanOrEqual(60);
    expect(acknowledged.filter((id) => !kept.has(id))).toEqual([]);
    expect(readdirSync(data)).toContain('nimble-axle.sqlite');
  });
});

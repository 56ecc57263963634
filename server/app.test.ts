import { beforeEach, describe, expect, it } from 'vitest';
import { loadDemo } from './demo/load-demo.ts';
import { design, part, record, serve, version, type Served } from './testing.ts';

let { get, put, post, remove, api, db }: Served = serve();
beforeEach(() => {
  ({ get, put, post, remove, api, db } = serve());
});

const carId = crypto.randomUUID();
const otherCar = crypto.randomUUID();
const saveCar = (baseVersion: number, change: object = {}, id = carId) =>
  put(`/cars/${id}`, { baseVersion, design: { ...design, ...change } });
const pathsOf = (answer: { body: { faults: { path: string }[] } }): string[] => answer.body.faults.map(({ path }) => path);

describe('cars', () => {
  it('are kept, with a version for each save', async () => {
    expect((await saveCar(0)).body).toMatchObject({ id: carId, version: 1 });
    expect((await saveCar(1, { wheelbase: 0.2 })).body).toMatchObject({ version: 2, design: { wheelbase: 0.2 } });
    expect((await get('/cars')).body).toMatchObject([{ id: carId, version: 2, runCount: 0, best: null }]);
  });
  it('meet a stale save with both copies, and keep the designs that later saves replace, newest first', async () => {
    await saveCar(0);
    await saveCar(1, { wheelbase: 0.2 });
    const stale = await saveCar(1, { wheelbase: 0.3 });
    expect(stale.status).toBe(409);
    expect(stale.type).toBe('application/problem+json');
    expect(stale.body).toMatchObject({ current: { version: 2, design: { wheelbase: 0.2 } }, yours: { wheelbase: 0.3 } });
    await saveCar(2, { wheelbase: 0.3 });
    expect((await get(`/cars/${carId}/history`)).body).toMatchObject([
      { version: 2, design: { wheelbase: 0.2 } },
      { version: 1, design: { wheelbase: 0.26 } },
    ]);
    expect((await get(`/cars/${carId}/history?before=2&limit=1`)).body).toMatchObject([{ version: 1 }]);
  });
  it('store a retried save once, also of a zero with a sign', async () => {
    await saveCar(0);
    expect((await saveCar(0)).body).toMatchObject({ version: 1 });
    const tilted = (baseVersion: number) =>
      api
        .put(`/api/cars/${carId}`)
        .set('Host', '127.0.0.1')
        .type('json')
        .send(JSON.stringify({ baseVersion, design }).replace('"slope":0', '"slope":-0'));
    expect((await tilted(1)).body).toMatchObject({ version: 2 });
    expect((await tilted(1)).body).toMatchObject({ version: 2 });
  });
  it('come back after a removal is undone, with what belongs to them', async () => {
    await saveCar(0);
    await put(`/cars/${carId}/versions/${crypto.randomUUID()}`, { baseVersion: 0, record: version });
    expect((await remove(`/cars/${carId}`)).status).toBe(204);
    expect((await remove(`/cars/${carId}`)).status).toBe(404);
    expect((await get(`/cars/${carId}`)).status).toBe(404);
    expect((await get('/removed')).body).toMatchObject([{ what: 'car', id: carId, name: 'Limpet', carId: null }]);
    await post(`/cars/${carId}/restore`);
    expect((await get(`/cars/${carId}`)).body).toMatchObject({ version: 1 });
    expect((await get(`/cars/${carId}/versions`)).body).toHaveLength(1);
    expect((await get('/removed')).body).toEqual([]);
  });
  it('are the same car under an id in capitals', async () => {
    await saveCar(0);
    expect((await get(`/cars/${carId.toUpperCase()}`)).body).toMatchObject({ id: carId });
    expect((await saveCar(1, { wheelbase: 0.2 }, carId.toUpperCase() as typeof carId)).body).toMatchObject({ id: carId, version: 2 });
    expect((await get('/cars')).body).toHaveLength(1);
  });
});

describe('versions', () => {
  const id = crypto.randomUUID();
  const path = `/cars/${carId}/versions/${id}`;
  const keep = (change: object, at: string = crypto.randomUUID(), baseVersion = 0) =>
    put(`/cars/${carId}/versions/${at}`, { baseVersion, record: { ...version, ...change } });

  it('are kept with their design, newest first, and a retry stores once', async () => {
    await saveCar(0);
    expect((await put(path, { baseVersion: 0, record: version })).body).toMatchObject({ id, carId, version: 1, record: version });
    expect((await put(path, { baseVersion: 0, record: version })).status).toBe(200);
    await keep({ name: 'taped', keptAt: '2026-11-21T18:00:00.000Z', parent: id.toUpperCase() });
    const { body } = await get(`/cars/${carId}/versions`);
    expect((body as { record: { name: string; parent: string } }[]).map((stored) => [stored.record.name, stored.record.parent])).toEqual([
      ['taped', id],
      ['long lever', null],
    ]);
  });
  it('are refused with the key named when something is wrong with them', async () => {
    await saveCar(0);
    const answer = await keep({ name: ' ', design: { ...design, wheelbase: -1 } });
    expect(answer.status).toBe(422);
    expect(pathsOf(answer)).toEqual(expect.arrayContaining(['name', 'design.wheelbase']));
  });
  it.each(['\u200b', '\u00ad\u2060', '\u3164', '\u2800 '])('need a name that can be seen, not %j', async (name) => {
    await saveCar(0);
    expect(pathsOf(await keep({ name }))).toEqual(['name']);
    expect((await keep({ name: '東 🛞' })).status).toBe(200);
  });
  it('grow from versions of their own car, never in a circle', async () => {
    await saveCar(0);
    await saveCar(0, {}, otherCar);
    const [a, b, ofOther] = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()];
    await keep({}, a);
    await keep({ parent: a }, b);
    await put(`/cars/${otherCar}/versions/${ofOther}`, { baseVersion: 0, record: version });
    for (const [parent, at, base] of [
      [b, a, 1],
      [a, a, 1],
      [ofOther, crypto.randomUUID(), 0],
      [crypto.randomUUID(), crypto.randomUUID(), 0],
    ] as const) {
      const answer = await keep({ parent }, at, base);
      expect(answer.status).toBe(422);
      expect(pathsOf(answer)).toEqual(['parent']);
    }
  });
});

describe('what belongs to a car', () => {
  it.each([
    ['runs', record],
    ['versions', version],
  ])('%s: are not to be reached under another car, by any method', async (kind, content) => {
    await saveCar(0);
    await saveCar(0, {}, otherCar);
    const id = crypto.randomUUID();
    const [own, foreign] = [`/cars/${carId}/${kind}/${id}`, `/cars/${otherCar}/${kind}/${id}`];
    await put(own, { baseVersion: 0, record: content });
    const changed = { ...content, note: 'changed' };
    expect((await get(foreign)).status).toBe(404);
    expect((await put(foreign, { baseVersion: 1, record: changed })).status).toBe(404);
    expect((await put(foreign, { baseVersion: 0, record: changed })).status).toBe(404);
    expect((await remove(foreign)).status).toBe(404);
    await remove(own);
    expect((await post(`${foreign}/restore`)).status).toBe(404);
    expect((await get(own)).status).toBe(404);
    expect((await post(`${own}/restore`)).status).toBe(204);
    expect((await get(own)).body).toMatchObject({ version: 1, carId, record: content });
  });
});

describe('parts of one’s own', () => {
  const id = crypto.randomUUID();
  const path = `/parts/${id}`;
  it('are kept for all cars, changed, removed and brought back', async () => {
    expect((await put(path, { baseVersion: 0, part })).body).toMatchObject({ id, version: 1, part });
    expect((await put(path, { baseVersion: 1, part: { ...part, count: 2 } })).body).toMatchObject({ version: 2 });
    const stale = await put(path, { baseVersion: 1, part });
    expect(stale.status).toBe(409);
    expect(stale.body).toMatchObject({ current: { part: { count: 2 } }, yours: { count: 4 } });
    await remove(path);
    expect((await get('/parts')).body).toEqual([]);
    await post(`${path}/restore`);
    expect((await get('/parts')).body).toMatchObject([{ id, version: 2, part: { count: 2 } }]);
    expect((await get(path)).body).toMatchObject({ part: { name: part.name } });
  });
  it.each([
    [{ like: 'velvet' }, 'like'],
    [{ like: 'constructor' }, 'like'],
    [{ like: 'toString' }, 'like'],
    [{ values: { friction: 0.2 } }, 'values.friction'],
    [{ values: { staticGrip: 0.5, slidingGrip: 0.6 } }, 'values.slidingGrip'],
    [{ count: -1 }, 'count'],
    [{ kind: 'sail' }, 'kind'],
  ])('%o is refused with the key named', async (change, key) => {
    const answer = await put(path, { baseVersion: 0, part: { ...part, ...change } });
    expect(answer.status).toBe(422);
    expect(pathsOf(answer)).toContain(key);
  });
  it('stand in a design that is kept', async () => {
    const own = { tyre: { name: part.name, evidence: 'measured', values: part.values } };
    expect((await saveCar(0, { own })).body).toMatchObject({ design: { own } });
    const answer = await saveCar(1, { own: { tyre: { ...own.tyre, values: { staticGrip: 0, colour: 1 } } } });
    expect(answer.status).toBe(422);
    expect(pathsOf(answer)).toContain('own.tyre.values.staticGrip');
  });
});

describe('what is kept but cannot be read', () => {
  it('is told with its text and stands beside the rest; it can be removed', async () => {
    await saveCar(0);
    await saveCar(0, {}, otherCar);
    const run = `/cars/${carId}/runs/${crypto.randomUUID()}`;
    await put(run, { baseVersion: 0, record });
    db.exec(`UPDATE cars SET design = '{"name": "Limpet"}' WHERE id = '${otherCar}'`);
    db.exec(`UPDATE runs SET record = json_remove(record, '$.seen')`);
    const cars = (await get('/cars')).body;
    expect(cars).toHaveLength(2);
    expect(cars).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ id: otherCar, unreadable: { text: '{"name": "Limpet"}', faults: expect.any(Array) } }),
      ]),
    );
    expect((await get(`/cars/${otherCar}`)).body).toMatchObject({ status: 422, text: '{"name": "Limpet"}' });
    expect((await get(`/cars/${carId}/runs`)).body).toMatchObject({ total: 1, runs: [{ unreadable: { faults: [{ path: 'seen' }] } }] });
    expect((await remove(run)).status).toBe(204);
    expect((await remove(`/cars/${otherCar}`)).status).toBe(204);
    expect((await get('/cars')).body).toMatchObject([{ id: carId }]);
  });
});

describe('bad requests', () => {
  it('are told what is wrong, by path', async () => {
    const answer = await put('/cars/one', { baseVersion: -1, design: { ...design, wheelbase: 0 } });
    expect(answer.status).toBe(422);
    expect(answer.body.faults).toEqual([
      { path: 'id', code: 'expected', what: 'a UUID', message: 'must be a UUID' },
      { path: 'baseVersion', code: 'expected', what: expect.any(String), message: expect.any(String) },
      { path: 'wheelbase', code: 'bound', message: 'must be above 0', limit: { is: 'above', value: 0 } },
    ]);
  });
  it.each([
    ['a foreign host', () => api.get('/api/cars').set('Host', 'example.test'), 421],
    ['another page', () => get('/cars').set('Origin', 'http://example.test'), 403],
    ['a form instead of JSON', () => api.put(`/api/cars/${carId}`).set('Host', '127.0.0.1').type('form').send('a=1'), 415],
    ['broken JSON', () => api.put(`/api/cars/${carId}`).set('Host', '127.0.0.1').type('json').send('{'), 400],
    ['too much', () => saveCar(0, { name: 'x'.repeat(300_000) }), 413],
    ['an unknown address', () => get('/elsewhere'), 404],
    ['an unknown address beside the API', () => api.post('/').set('Host', '127.0.0.1'), 404],
  ])('%s is turned away with a problem and the headers that protect the page', async (_name, ask, status) => {
    const answer = await ask();
    expect(answer.status).toBe(status);
    expect(answer.type).toBe('application/problem+json');
    expect(answer.headers).toMatchObject({
      'content-security-policy': expect.stringContaining("default-src 'self'"),
      'permissions-policy': expect.any(String),
    });
  });
  const step = { diameter: 0, turns: 0 };
  it.each([
    ['a list of 100,000 zeros', { sleeve: Array(100_000).fill(0) }, ['sleeve']],
    ['40 steps, each twice wrong', { sleeve: Array(40).fill(step) }, null],
    ['15,000 unknown keys', Object.fromEntries(Array.from({ length: 15_000 }, (_, i) => [`k${i}`, 0])), ['']],
    ['a key of 200,000 letters', { ['k'.repeat(200_000)]: 0 }, null],
  ])('%s is answered in few words', async (_name, change, paths) => {
    const answer = await saveCar(0, change);
    expect(answer.status).toBe(422);
    if (paths) expect(pathsOf(answer)).toEqual(paths);
    expect(answer.body.faults.length).toBeLessThanOrEqual(51);
    expect(answer.text.length).toBeLessThan(10_000);
  });
  it('lists in lists, 100,000 deep, are answered too', async () => {
    const nested = `{"baseVersion":0,"design":${'['.repeat(100_000)}${']'.repeat(100_000)}}`;
    expect((await api.put(`/api/cars/${carId}`).set('Host', '127.0.0.1').type('json').send(nested)).status).toBe(422);
  });
  it('20,000 different things seen on a run are refused by their number', async () => {
    await saveCar(0);
    const seen = Array.from({ length: 20_000 }, (_, i) => `s${i}`);
    const answer = await put(`/cars/${carId}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record: { ...record, seen } });
    expect(answer.body.faults).toEqual([
      { path: 'seen', code: 'too-large', of: 'items', count: 20000, most: 400, message: 'has 20000 items; at most 400 are allowed' },
    ]);
  });
});

describe('the demo', () => {
  it('is loaded once: what was removed from it stays removed', async () => {
    loadDemo(db);
    const cars = (await get('/cars')).body as { id: string; runCount: number }[];
    expect(cars.map(({ runCount }) => runCount)).toEqual([6, 8, 6, 9, 3]);
    expect((await get('/parts')).body).toHaveLength(6);
    const meets = (await get('/meets')).body as { id: string; meet?: object }[];
    expect(meets.map(({ meet }) => typeof meet)).toEqual(['object']);
    const { results } = (await get(`/meets/${meets[0]!.id}/results`)).body as { results: { result?: object }[] };
    expect(results).toHaveLength(19);
    expect(results.every(({ result }) => result !== undefined)).toBe(true);
    await remove(`/cars/${cars[0]!.id}`);
    loadDemo(db);
    expect((await get('/cars')).body).toHaveLength(4);
  });
});

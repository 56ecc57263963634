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

describe('runs', () => {
  const runId = crypto.randomUUID();
  const path = `/cars/${carId}/runs/${runId}`;
  const log = (change: object = {}, id: string = crypto.randomUUID()) =>
    put(`/cars/${carId}/runs/${id}`, { baseVersion: 0, record: { ...record, ...change } });

  it('are kept, corrected, removed and brought back, and counted at their car', async () => {
    await saveCar(0);
    expect((await put(path, { baseVersion: 0, record })).body).toEqual({ id: runId, carId, version: 1, record });
    const corrected = { ...record, outcome: { kind: 'hit-wall', distance: 18.5 } };
    expect((await put(path, { baseVersion: 1, record: corrected })).body).toMatchObject({ version: 2 });
    expect((await put(path, { baseVersion: 1, record })).status).toBe(409);
    expect((await get('/cars')).body).toMatchObject([{ runCount: 1, best: { kind: 'hit-wall', distance: 18.5 } }]);
    await remove(path);
    expect((await get(`/cars/${carId}/runs`)).body).toMatchObject({ total: 0, runs: [] });
    expect((await get('/removed')).body).toMatchObject([{ what: 'run', id: runId, carId, distance: 18.5 }]);
    await post(`${path}/restore`);
    expect((await get(path)).body).toEqual({ id: runId, carId, version: 2, record: corrected });
  });
  it('share one stored design, come in pages, newest first, and can be chosen by design and wind', async () => {
    await saveCar(0);
    const heavier = { ...design, wheelbase: 0.2 };
    for (let k = 0; k < 5; k++) await log({ ranAt: `2026-11-21T18:0${k}:00Z`, wind: { kind: 'full' } });
    await log({ ranAt: '2026-11-21T19:00:00Z', design: heavier });
    expect(db.prepare('SELECT count(*) AS n FROM designs').get()).toEqual({ n: 2 });
    const page = (await get(`/cars/${carId}/runs?offset=1&limit=2`)).body;
    expect(page).toMatchObject({
      total: 6,
      runs: [{ record: { ranAt: '2026-11-21T18:04:00.000Z' } }, { record: { ranAt: '2026-11-21T18:03:00.000Z' } }],
    });
    expect(page.runs[0].record).not.toHaveProperty('design');
    expect(page.designs[page.runs[0].designId]).toEqual(design);
    const ofThisDesign = `/cars/${carId}/runs?designs=${page.runs[0].designId as string}`;
    expect((await get(ofThisDesign)).body).toMatchObject({ total: 5 });
    expect((await get(`${ofThisDesign}&wind=full`)).body).toMatchObject({ total: 5 });
    expect((await get(`${ofThisDesign}&wind=12`)).body).toMatchObject({ total: 0 });
    expect((await get(`/cars/${carId}/runs?wind=12`)).body).toMatchObject({ total: 1 });
  });
  it('are added up by design and wind: sums of those that stopped, and the furthest as it ended', async () => {
    await saveCar(0);
    await log({ outcome: { kind: 'stopped', distance: 3 } });
    await log({ outcome: { kind: 'stopped', distance: 4 } });
    await log({ outcome: { kind: 'hit-wall', distance: 6 }, ranAt: '2026-11-21T19:00:00Z' });
    const { total, tallies } = (await get(`/cars/${carId}/runs/tallies`)).body;
    expect(total).toBe(1);
    expect(tallies).toMatchObject([
      {
        turns: 12,
        stopped: 2,
        walls: 1,
        sum: 7,
        sumOfSquares: 25,
        best: { kind: 'hit-wall', distance: 6 },
        latest: '2026-11-21T19:00:00.000Z',
      },
    ]);
  });
  it('stay added up rightly through corrections, removals and restorations', async () => {
    await saveCar(0);
    const ids = Array.from({ length: 12 }, () => crypto.randomUUID());
    for (const [k, id] of ids.entries())
      await log(
        { outcome: { kind: k % 3 === 0 ? 'hit-wall' : 'stopped', distance: 2 + k / 4 }, wind: k % 2 ? { kind: 'full' } : record.wind },
        id,
      );
    for (const id of ids.slice(0, 4)) await remove(`/cars/${carId}/runs/${id}`);
    await post(`/cars/${carId}/runs/${ids[0]!}/restore`);
    await put(`/cars/${carId}/runs/${ids[5]!}`, { baseVersion: 1, record: { ...record, design: { ...design, wheelbase: 0.2 } } });
    const told = db
      .prepare(
        'SELECT design_id, wind, runs, stopped, walls, round(sum, 9) AS sum, round(squares, 9) AS squares FROM run_tallies ORDER BY 1, 2',
      )
      .all();
    const counted = db
      .prepare(
        `SELECT design_id, ifnull(turns, 'full') AS wind, count(*) AS runs, count(*) FILTER (WHERE outcome = 'stopped') AS stopped,
           count(*) FILTER (WHERE outcome = 'hit-wall') AS walls, round(total(distance) FILTER (WHERE outcome = 'stopped'), 9) AS sum,
           round(total(distance * distance) FILTER (WHERE outcome = 'stopped'), 9) AS squares
         FROM runs WHERE deleted_at IS NULL GROUP BY 1, 2 ORDER BY 1, 2`,
      )
      .all();
    expect(told).toEqual(counted);
    expect(told.length).toBe(3);
    expect((await get('/cars')).body).toMatchObject([{ runCount: 9 }]);
  });
  it.each(['offset=-1', 'limit=501', 'limit=x', 'designs=1', 'wind=fast'])('say what is wrong with ?%s', async (query) => {
    await saveCar(0);
    const answer = await get(`/cars/${carId}/runs?${query}`);
    expect(answer.status).toBe(422);
    expect(pathsOf(answer)).toEqual([query.split('=')[0]]);
  });
  it.each([
    ['2026-11-21T19:30:00+01:00', '2026-11-21T18:30:00.000Z'],
    ['2026-11-21t18:30:00.1234z', '2026-11-21T18:30:00.123Z'],
    ['2024-02-29T00:00:00Z', '2024-02-29T00:00:00.000Z'],
  ])('ran at %s keep it as %s', async (ranAt, utc) => {
    await saveCar(0);
    expect((await log({ ranAt })).body).toMatchObject({ record: { ranAt: utc } });
  });
  it.each(['2026-12-31T23:59:60Z', '2026-11-21T18:00:00+05', '2026-02-29T00:00:00Z', '2026-11-21 18:00:00Z', '0000-01-01T00:00:00+14:00'])(
    'ran at %s are refused: it is no time that can be shown',
    async (ranAt) => {
      await saveCar(0);
      const answer = await log({ ranAt });
      expect(answer.status).toBe(422);
      expect(pathsOf(answer)).toEqual(['ranAt']);
    },
  );
  it('belong to a car that is here', async () => expect((await log()).status).toBe(404));
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
      { path: 'seen', code: 'too-large', of: 'items', count: 20000, most: 400, message: 'has 20000 items; at most 400' },
    ]);
  });
});

describe('the demo', () => {
  it('is loaded once: what was removed from it stays removed', async () => {
    loadDemo(db);
    const cars = (await get('/cars')).body as { id: string; runCount: number }[];
    expect(cars.map(({ runCount }) => runCount)).toEqual([6, 8, 6, 9, 3]);
    expect((await get('/parts')).body).toHaveLength(6);
    await remove(`/cars/${cars[0]!.id}`);
    loadDemo(db);
    expect((await get('/cars')).body).toHaveLength(4);
  });
});

describe('runs of a file', () => {
  const { design: _told, ...told } = record;
  const many = (count: number) =>
    Array.from({ length: count }, (_, n) => ({ id: crypto.randomUUID(), record: { ...told, note: `run ${n}` } }));
  it('are stored together with the design they share, and once', async () => {
    const served = serve();
    await served.put(`/cars/${carId}`, { baseVersion: 0, design });
    const runs = many(200);
    const answer = await served.post(`/cars/${carId}/runs`, { design, runs });
    expect([answer.status, answer.body]).toEqual([200, { stored: 200, known: 0 }]);
    expect((await served.post(`/cars/${carId}/runs`, { design, runs: [...runs.slice(0, 3), ...many(1)] })).body).toEqual({
      stored: 1,
      known: 3,
    });
    expect((await served.get(`/cars/${carId}/runs`)).body).toMatchObject({ total: 201 });
  });
  it('are stored all or none: a fault is told by the run it is in', async () => {
    const served = serve();
    await served.put(`/cars/${carId}`, { baseVersion: 0, design });
    const [sound, spoilt] = many(2);
    for (const [body, path] of [
      [
        { design, runs: [sound, { ...spoilt!, record: { ...spoilt!.record, outcome: { kind: 'stopped', distance: -1 } } }] },
        'runs[1].record.outcome.distance',
      ],
      [{ design, runs: [{ ...sound!, id: 'one' }] }, 'runs[0].id'],
      [{ design: { ...design, wheelbase: -1 }, runs: [sound] }, 'design.wheelbase'],
      [{ design, runs: [] }, 'runs'],
      [{ design, runs: [7] }, 'runs[0].id'],
    ] as const) {
      const answer = await served.post(`/cars/${carId}/runs`, body);
      expect(answer.status).toBe(422);
      expect((answer.body as { faults: { path: string }[] }).faults.map((fault) => fault.path)).toContain(path);
    }
    expect((await served.get(`/cars/${carId}/runs`)).body).toMatchObject({ total: 0 });
  });
});

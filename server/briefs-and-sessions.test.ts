import { beforeEach, describe, expect, it } from 'vitest';
import { photo, session as evening } from './attack/hostile-requests.ts';
import { brief, design, record, serve, type Served } from './testing.ts';

let { get, put, post, remove, api, listen }: Served = serve();
beforeEach(() => {
  ({ get, put, post, remove, api, listen } = serve());
});

const carId = crypto.randomUUID();
const saveCar = (baseVersion: number, change: object = {}, id = carId) =>
  put(`/cars/${id}`, { baseVersion, design: { ...design, ...change } });
const pathsOf = (answer: { body: { faults: { path: string }[] } }): string[] => answer.body.faults.map(({ path }) => path);

describe('briefs', () => {
  const id = crypto.randomUUID();
  const path = `/briefs/${id}`;
  it('are kept with their floors, changed, removed and brought back; a stale write is told both', async () => {
    expect((await put(path, { baseVersion: 0, brief })).body).toMatchObject({ id, version: 1, brief });
    const flatter = { ...brief, floors: brief.floors.map((one) => ({ ...one, floor: { ...one.floor, slope: 0 } })) };
    expect((await put(path, { baseVersion: 1, brief: flatter })).body).toMatchObject({ version: 2, brief: flatter });
    const stale = await put(path, { baseVersion: 1, brief });
    expect(stale.status).toBe(409);
    expect(stale.body).toMatchObject({ current: { brief: flatter }, yours: brief });
    await remove(path);
    expect((await get('/briefs')).body).toEqual([]);
    expect((await get('/removed')).body).toMatchObject([{ what: 'brief', id, name: brief.name, carId: null }]);
    await post(`${path}/restore`);
    expect((await get('/briefs')).body).toMatchObject([{ id, version: 2 }]);
  });
  it.each([
    [{ rounds: [] }, 'rounds'],
    [{ rounds: [{ ...brief.rounds[0]!, floor: 'nowhere' }] }, 'rounds[0].floor'],
    [{ rules: { ...brief.rules, mass: -1 } }, 'rules.mass'],
    [{ name: ' ' }, 'name'],
  ])('%o is refused with the key named', async (change, key) => {
    const answer = await put(path, { baseVersion: 0, brief: { ...brief, ...change } });
    expect(answer.status).toBe(422);
    expect(pathsOf(answer)).toContain(key);
  });
  it('are worked to by cars, whether they are here or not', async () => {
    const worksTo = { id: crypto.randomUUID(), round: 3 };
    expect((await saveCar(0, { brief: worksTo })).body).toMatchObject({ design: { brief: worksTo } });
    expect(pathsOf(await saveCar(1, { brief: { id: 'that one', round: 0 } }))).toEqual(['brief.id']);
  });
});

describe('sessions', () => {
  const id = crypto.randomUUID();
  const session = { ...evening, cars: [carId] };
  it('are kept, and runs are found by theirs, in the order that is asked for', async () => {
    expect((await put(`/sessions/${id}`, { baseVersion: 0, session })).body).toMatchObject({ id, version: 1, session });
    await saveCar(0);
    for (const [distance, of] of [
      [8, { session: id }],
      [6, { session: id }],
      [9, {}],
    ] as const)
      await put(`/cars/${carId}/runs/${crypto.randomUUID()}`, {
        baseVersion: 0,
        record: { ...record, ...of, outcome: { kind: 'stopped', distance } },
      });
    const distances = async (query: string) => {
      const { total, runs } = (await get(`/cars/${carId}/runs?${query}`)).body as {
        total: number;
        runs: { record: { outcome: { distance: number } } }[];
      };
      return [total, ...runs.map((run) => run.record.outcome.distance)];
    };
    expect(await distances(`session=${id}&order=furthest`)).toEqual([2, 8, 6]);
    expect(await distances('order=nearest')).toEqual([3, 6, 8, 9]);
    expect(pathsOf(await get(`/cars/${carId}/runs?order=luckiest&session=x`))).toEqual(['session', 'order']);
  });
  it.each([
    [{ begunAt: 'then' }, 'begunAt'],
    [{ tape: -1 }, 'tape'],
    [{ marks: [0] }, 'marks[0]'],
    [{ cars: ['Tern'] }, 'cars[0]'],
  ])('%o is refused with the key named', async (change, key) => {
    const answer = await put(`/sessions/${id}`, { baseVersion: 0, session: { ...session, ...change } });
    expect(answer.status).toBe(422);
    expect(pathsOf(answer)).toContain(key);
  });
});

describe('lines of a device', () => {
  const send = (text: string, type = 'text/plain') => api.post('/api/lines').set('Host', '127.0.0.1').type(type).send(text);
  it('are taken from any program, and handed on to whoever listens', async () => {
    expect((await send('t=1 gate=0')).body).toEqual({ listening: 0 });
    const server = await listen();
    const url = `${server.url}/lines`;
    const heard = new AbortController();
    const reader = (await fetch(url, { signal: heard.signal })).body!.getReader();
    const answer = await fetch(url, { method: 'POST', headers: { 'content-type': 'text/plain' }, body: 't=1 gate=0\nt=2 gate=1' });
    expect(await answer.json()).toEqual({ listening: 1 });
    let told = '';
    while (!told.includes('gate=1')) told += new TextDecoder().decode((await reader.read()).value);
    expect(told).toContain('event:lines');
    heard.abort();
    server.close();
  });
  it('are refused as anything but text, and from another page', async () => {
    expect((await send('{}', 'application/json')).status).toBe(415);
    expect(
      (await api.post('/api/lines').set('Host', '127.0.0.1').set('Origin', 'http://elsewhere.example').type('text/plain').send('t=1'))
        .status,
    ).toBe(403);
  });
});

describe('photos', () => {
  const id = crypto.randomUUID();
  const path = `/photos/${id}`;
  it('are kept, shown as the picture they are, and named by a run', async () => {
    expect((await put(path, { baseVersion: 0, photo })).body).toMatchObject({ id, version: 1, photo });
    const shown = await get(`${path}/picture`);
    expect(shown.headers['content-type']).toBe('image/jpeg');
    expect(Buffer.from(shown.body as Uint8Array).toString('base64')).toBe(photo.jpeg);
    await saveCar(0);
    const run = `/cars/${carId}/runs/${crypto.randomUUID()}`;
    expect((await put(run, { baseVersion: 0, record: { ...record, photo: id.toUpperCase() } })).body).toMatchObject({
      record: { photo: id },
    });
    expect((await get(`/photos/${crypto.randomUUID()}/picture`)).status).toBe(404);
  });
  it.each([
    [{ jpeg: Buffer.from('<svg onload=alert(1)>').toString('base64') }, 'jpeg'],
    [{ jpeg: `/9j/${'A'.repeat(1_000_100)}` }, 'jpeg'],
    [{ name: '' }, 'name'],
  ])('%o is refused with the key named', async (change, key) => {
    const answer = await put(path, { baseVersion: 0, photo: { ...photo, ...change } });
    expect([413, 422]).toContain(answer.status);
    if (answer.status === 422) expect(pathsOf(answer)).toContain(key);
    expect((await get(path)).status).toBe(404);
  });
});

describe('runs of sessions', () => {
  it('are added up by the server: walls apart, the best as what it was', async () => {
    await saveCar(0);
    const [one, other] = [crypto.randomUUID(), crypto.randomUUID()];
    for (const [session, kind, distance] of [
      [one, 'stopped', 8],
      [one, 'stopped', 6],
      [one, 'hit-wall', 9],
      [other, 'stopped', 7],
    ] as const)
      await put(`/cars/${carId}/runs/${crypto.randomUUID()}`, {
        baseVersion: 0,
        record: { ...record, session, outcome: { kind, distance } },
      });
    const sums = (await get(`/cars/${carId}/runs/sessions`)).body as { session: string }[];
    expect(sums.find(({ session }) => session === one)).toEqual({
      session: one,
      stopped: 2,
      walls: 1,
      noStarts: 0,
      sum: 14,
      sumOfSquares: 100,
      best: { kind: 'hit-wall', distance: 9 },
    });
    expect(sums.find(({ session }) => session === other)).toMatchObject({ stopped: 1, walls: 0, best: { kind: 'stopped', distance: 7 } });
  });
});

import { START } from '../core/schema/stored.ts';
import { beforeEach, describe, expect, it } from 'vitest';
import { photo } from './attack/hostile-requests.ts';
import { photoQueries } from './queries/photos.ts';
import { design, record, serve, type Served } from './testing.ts';

let { get, put, post, remove, db }: Served = serve();
beforeEach(() => {
  ({ get, put, post, remove, db } = serve());
});

const carId = crypto.randomUUID();
const saveCar = (baseVersion: number, change: object = {}, id = carId) =>
  put(`/cars/${id}`, { baseVersion, design: { ...design, ...change } });
const pathsOf = (answer: { body: { faults: { path: string }[] } }): string[] => answer.body.faults.map(({ path }) => path);

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
        noStarts: 0,
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
        {
          outcome: { kind: k % 3 === 0 ? 'hit-wall' : 'stopped', distance: k % 5 === 1 ? 0 : 2 + k / 4 },
          wind: k % 2 ? { kind: 'full' } : record.wind,
        },
        id,
      );
    for (const id of ids.slice(0, 4)) await remove(`/cars/${carId}/runs/${id}`);
    await post(`/cars/${carId}/runs/${ids[0]!}/restore`);
    await put(`/cars/${carId}/runs/${ids[5]!}`, { baseVersion: 1, record: { ...record, design: { ...design, wheelbase: 0.2 } } });
    const told = db
      .prepare(
        'SELECT design_id, wind, runs, stopped, walls, no_starts, round(sum, 9) AS sum, round(squares, 9) AS squares FROM run_tallies ORDER BY 1, 2',
      )
      .all();
    const counted = db
      .prepare(
        `SELECT design_id, ifnull(turns, 'full') AS wind, count(*) AS runs, count(*) FILTER (WHERE outcome = 'stopped' AND distance >= ${START}) AS stopped,
           count(*) FILTER (WHERE outcome = 'hit-wall') AS walls, count(*) FILTER (WHERE outcome = 'stopped' AND distance < ${START}) AS no_starts,
           round(total(distance) FILTER (WHERE outcome = 'stopped' AND distance >= ${START}), 9) AS sum,
           round(total(distance * distance) FILTER (WHERE outcome = 'stopped' AND distance >= ${START}), 9) AS squares
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
  it('tell what they were before each change, and a picture that no run names is swept away after a day', async () => {
    await saveCar(0);
    const photoId = crypto.randomUUID();
    await put(path, { baseVersion: 0, record: { ...record, photo: photoId } });
    await put(path, { baseVersion: 1, record: { ...record, outcome: { kind: 'stopped', distance: 9.4 } } });
    await put(path, { baseVersion: 2, record: { ...record, note: 'tape slipped' } });
    expect((await get(`${path}/history`)).body).toMatchObject([
      { version: 2, content: { outcome: { distance: 9.4 }, design } },
      { version: 1, content: { outcome: { distance: 8.4 }, photo: photoId } },
    ]);
    expect((await get(`${path}/history?before=2`)).body).toMatchObject([{ version: 1 }]);
    const { sweep } = photoQueries(db);
    const named = crypto.randomUUID();
    await log({ photo: named });
    for (const id of [photoId, named]) await put(`/photos/${id}`, { baseVersion: 0, photo });
    expect(sweep(new Date())).toBe(0);
    expect(sweep(new Date(Date.now() + 25 * 3600 * 1000))).toBe(1);
    expect((await get(`/photos/${named}`)).status).toBe(200);
  });
  it('belong to a car that is here', async () => expect((await log()).status).toBe(404));
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

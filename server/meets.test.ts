import { beforeEach, describe, expect, it } from 'vitest';
import type { MeetResult } from '../core/meet/meet.ts';
import { newEntry, newMeet, newResult } from '../core/meet/new-meet.ts';
import type { LiveNews, ResultPage, StoredEntry, StoredResult } from '../core/schema/stored.ts';
import { brief, savedArchive, serve, type Served } from './testing.ts';

const meetId = crypto.randomUUID();
const entry = crypto.randomUUID();
const meet = newMeet({
  name: 'Skerrow Lull Trophy',
  date: '2026-11-21',
  brief,
  seed: 7,
  lanes: 2,
  change: 'Nothing between rounds.',
  entries: [newEntry({ id: entry, crew: 'the night watch', car: 'Limpet', showsPrediction: true })],
});
const result = (more: Partial<MeetResult> = {}): MeetResult =>
  newResult({
    meet: meetId,
    entry,
    round: 0,
    run: 0,
    at: '2026-11-21T18:00:00.000Z',
    by: 'the harbour office',
    outcome: { kind: 'ran', distance: 8.4 },
    ...more,
  });

let served: Served;
beforeEach(async () => {
  served = serve();
  expect((await served.put(`/meets/${meetId}`, { baseVersion: 0, meet })).status).toBe(200);
});
const write = (id: string, content: MeetResult) => served.put(`/meets/${meetId}/results/${id}`, { baseVersion: 0, result: content });

describe('meets', () => {
  it('are kept, removed and brought back; a stale write is told both', async () => {
    const bare = { ...meet, entries: [] };
    expect((await served.get('/meets')).body).toMatchObject([{ id: meetId, meet: bare, entryCount: 1 }]);
    const later = { ...bare, lanes: 3 };
    expect((await served.put(`/meets/${meetId}`, { baseVersion: 1, meet: later })).body).toMatchObject({ version: 2 });
    const stale = await served.put(`/meets/${meetId}`, { baseVersion: 1, meet: bare });
    expect([stale.status, stale.body]).toEqual([
      409,
      expect.objectContaining({ current: expect.objectContaining({ meet: later }), yours: bare }),
    ]);
    await served.remove(`/meets/${meetId}`);
    expect((await served.get('/removed')).body).toMatchObject([{ what: 'meet', name: meet.name }]);
    await served.post(`/meets/${meetId}/restore`);
    expect((await served.get(`/meets/${meetId}`)).body).toMatchObject({ version: 2 });
  });
  it.each([
    [{ lanes: 0 }, 'lanes'],
    [{ date: 'soon' }, 'date'],
    [{ brief: { ...brief, rounds: [{ ...brief.rounds[0]!, floor: 'nowhere' }] } }, 'brief.rounds[0].floor'],
    [{ entries: [{ ...meet.entries[0]!, crew: ' ' }] }, 'entries[0].crew'],
  ])('%o is refused with the key named', async (change, key) => {
    const answer = await served.put(`/meets/${crypto.randomUUID()}`, { baseVersion: 0, meet: { ...meet, ...change } });
    expect(answer.status).toBe(422);
    expect((answer.body as { faults: { path: string }[] }).faults.map(({ path }) => path)).toContain(key);
  });
});

describe('entries of a meet', () => {
  const enter = (n: number, baseVersion = 0, more: object = {}) => {
    const id = `00000000-0000-4000-8000-00000000000${n}` as const;
    const content = {
      format: 'nimble-axle/meet-entry',
      version: 1,
      meet: meetId,
      entry: { ...newEntry({ id, crew: `crew ${n}`, car: `car ${n}` }), ...more },
    };
    return served.put(`/meets/${meetId}/entries/${id}`, { baseVersion, entry: content });
  };
  const cars = async (): Promise<string[]> =>
    ((await served.get(`/meets/${meetId}/entries`)).body as StoredEntry[]).map(({ entry: { entry: one } }) => one.car);
  it('of eight officials who enter at once are all there, in the order they came', async () => {
    const answers = await Promise.all(Array.from({ length: 8 }, (_, n) => enter(n)));
    expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(200));
    expect((await cars()).toSorted()).toEqual(['Limpet', ...Array.from({ length: 8 }, (_, n) => `car ${n}`)].toSorted());
  });
  it('are changed over the version they were seen in; what they were is told', async () => {
    await enter(1);
    expect((await enter(1, 1, { isOut: true })).body).toMatchObject({ version: 2 });
    expect((await enter(1, 1, { style: 3 })).status).toBe(409);
    const path = `/meets/${meetId}/entries/00000000-0000-4000-8000-000000000001`;
    expect((await served.get(`${path}/history`)).body).toMatchObject([{ version: 1, content: { entry: { isOut: false } } }]);
  });
  it('are not written with the meet, which keeps none of them within it', async () => {
    const answer = await served.put(`/meets/${meetId}`, { baseVersion: 1, meet });
    expect([answer.status, (answer.body as { faults: { path: string }[] }).faults[0]!.path]).toEqual([422, 'meet.entries']);
    expect(await cars()).toEqual(['Limpet']);
  });
});

describe('results of a meet', () => {
  it('stand one by one in the order they came; sent again they are stored once', async () => {
    const [first, second] = [crypto.randomUUID(), crypto.randomUUID()];
    await write(first, result());
    await write(first, result());
    await write(second, result({ corrects: first, why: 'tape slipped', outcome: { kind: 'ran', distance: 8.9 } }));
    const { body } = await served.get(`/meets/${meetId}/results`);
    const { results, ...page } = body as ResultPage;
    expect(results.map(({ id }) => id)).toEqual([first, second]);
    expect(page).toMatchObject({ isLast: true, count: 2, versions: 2 });
    // A page that has the first asks for what came after it.
    const [{ number }] = results as [StoredResult];
    expect((await served.get(`/meets/${meetId}/results?after=${number}`)).body).toMatchObject({ results: [{ id: second }], isLast: true });
    expect((await served.get(`/meets/${meetId}/results?limit=1`)).body).toMatchObject({ results: [{ id: first }], isLast: false });
  });
  it('belong to the meet in their address, which is there', async () => {
    const other = await write(crypto.randomUUID(), result({ meet: crypto.randomUUID() }));
    expect([other.status, (other.body as { faults: { path: string }[] }).faults[0]!.path]).toEqual([422, 'result.meet']);
    const nowhere = crypto.randomUUID();
    expect(
      (await served.put(`/meets/${nowhere}/results/${crypto.randomUUID()}`, { baseVersion: 0, result: result({ meet: nowhere }) })).status,
    ).toBe(404);
    expect((await served.get(`/meets/${nowhere}/results`)).status).toBe(404);
  });
  it('are never changed in place', async () => {
    const id = crypto.randomUUID();
    await write(id, result());
    const over = await served.put(`/meets/${meetId}/results/${id}`, { baseVersion: 1, result: result({ why: 'another' }) });
    expect([over.status, (over.body as { faults: { path: string }[] }).faults[0]!.path]).toEqual([422, 'baseVersion']);
    expect((await write(id, result({ by: 'somebody else' }))).status).toBe(409);
    expect((await served.get(`/meets/${meetId}/results/${id}`)).body).toMatchObject({ version: 1, result: { by: 'the harbour office' } });
  });
  it('are told to every page that follows', async () => {
    const { url, close } = await served.listen();
    try {
      const heard = await fetch(`${url}/meets/live`);
      const reader = heard.body!.pipeThrough(new TextDecoderStream()).getReader();
      await fetch(`${url}/meets/${meetId}/results/${crypto.randomUUID()}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ baseVersion: 0, result: result() }),
      });
      let text = '';
      while (!/written[^]*\n\n/.test(text)) text += (await reader.read()).value ?? '';
      // The result itself is reported: no page has to ask for it.
      const news = JSON.parse(/data:(.*)/.exec(text.slice(text.indexOf('written')))![1]!) as LiveNews;
      expect(news).toMatchObject({ kind: 'result', meet: meetId, stored: { number: 1, version: 1, result: result() } });
      await reader.cancel();
    } finally {
      close();
    }
  });
  it('go through an archive with their meet', async () => {
    const id = crypto.randomUUID();
    await write(id, result());
    const { bytes } = await savedArchive(served);
    const empty = serve();
    const answer = await empty.api.post('/api/archive?take').set('Host', '127.0.0.1').type('application/zip').send(Buffer.from(bytes));
    expect(answer.body).toMatchObject({ taken: { meet: 1, entry: 1, result: 1 }, faulty: 0 });
    expect((await empty.get(`/meets/${meetId}/results`)).body).toMatchObject({ results: [{ id, result: result() }], isLast: true });
    expect((await empty.get(`/meets/${meetId}/entries`)).body).toMatchObject([{ id: entry, entry: { entry: { car: 'Limpet' } } }]);
  });
});

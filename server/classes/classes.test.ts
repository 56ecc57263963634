import { once } from 'node:events';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { CARD_LENGTH, CARD_SIGNS } from '../../core/schema/card-code.ts';
import type { CrewStanding } from '../../core/schema/crew-standing.ts';
import type { ClassForCrew } from '../../core/schema/class-for-crew.ts';
import type { CrewClass } from '../../core/schema/generated/crew-class.ts';
import { RESOURCE_KINDS, RESOURCES } from '../../core/schema/resources.ts';
import { mayReach, RIGHTS, SURFACES } from '../../core/schema/rights.ts';
import { SPACE_ROLES, type SharingState, type SpaceRole } from '../../core/schema/sharing.ts';
import type { ListedCar, StoredClass } from '../../core/schema/stored.ts';
import { photo } from '../attack/hostile-requests.ts';
import { anew, newClass, newIds, oneOfEach, pathIn, storeEach } from '../attack/one-of-each.ts';
import { openDatabase } from '../database.ts';
import { design, record, savedArchive, serve, version, type Served } from '../testing.ts';
import { idOfCopy } from './copy-car.ts';
import { spaceApi } from './space-api.ts';

let served: Served;
let leader: { readonly url: string; readonly close: () => void };
beforeEach(async () => {
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  process.env.NIMBLE_AXLE_SHARE_PORT = '0';
  served = serve();
  leader = await served.listen();
});
afterEach(async () => {
  await served.remove('/sharing');
  leader.close();
  served.close();
  delete process.env.NIMBLE_AXLE_SHARE_ON;
  delete process.env.NIMBLE_AXLE_SHARE_PORT;
});

const json = { 'content-type': 'application/json' };
type Ask = (method: string, path: string, body?: object) => Promise<Response>;
const asker =
  (base: string, headers: Readonly<Record<string, string>> = {}): Ask =>
  (method, path, body) =>
    fetch(`${base}${path}`, { method, headers: { ...json, ...headers }, ...(body && { body: JSON.stringify(body) }) });
const bodyOf = async <T>(answer: Promise<Response>): Promise<T> => (await (await answer).json()) as T;
const status = async (answer: Promise<Response>): Promise<number> => (await answer).status;

/** A class with these crews, phones let in, and each crew's code. */
async function classOf(...names: readonly string[]) {
  const classId = crypto.randomUUID();
  const crews = names.map((name) => ({ id: crypto.randomUUID() as string, name }));
  expect((await served.put(`/classes/${classId}`, { baseVersion: 0, class: newClass(crews) })).status).toBe(200);
  const cards = (await served.get(`/classes/${classId}/cards`)).body as { crewId: string; code: string }[];
  const state = ((await served.post('/sharing')).body as SharingState).shared!;
  const codeOf = (i: number): string => cards.find(({ crewId }) => crewId === crews[i]!.id)!.code;
  const address = state.addresses[0]!;
  const joinBy = (code: string) => fetch(`${address}/api/join`, { method: 'POST', headers: json, body: JSON.stringify({ code }) });
  const joined = async (code: string) => asker(`${address}/api`, { cookie: cookieOf(await joinBy(code)) });
  const write = async (change: Partial<CrewClass>): Promise<void> => {
    const stored = (await served.get(`/classes/${classId}`)).body as StoredClass;
    const answer = await served.put(`/classes/${classId}`, { baseVersion: stored.version, class: { ...stored.class, ...change } });
    expect(answer.status).toBe(200);
  };
  const standings = async () => ((await served.get(`/classes/${classId}/crews`)).body as { crews: CrewStanding[] }).crews;
  const handIn = (isHandedIn: boolean) => served.put(`/classes/${classId}/hand-in`, { isHandedIn });
  return { classId, crews, codeOf, address, joinBy, joined, write, standings, handIn };
}
const cookieOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0]!)
    .join('; ');
const carsOf = async (ask: Ask): Promise<readonly ListedCar[]> => bodyOf(ask('GET', '/cars'));

/** As each role of a space: how it asks. */
async function asRole(role: SpaceRole) {
  const class_ = await classOf('the lamp room', 'the tea urn');
  const crewId = class_.crews[0]!.id;
  const own = await class_.joined(class_.codeOf(0));
  const ids = newIds();
  const kinds = RESOURCE_KINDS.filter((kind) => kind !== 'class');
  const statuses = await storeEach(ids, kinds, async (path, body) => status(own('PUT', path, body)));
  expect(statuses).toEqual(kinds.map((kind) => [kind, 200]));
  if (role === 'handed-in') await class_.handIn(true);
  const asLeader = asker(`${leader.url}/crews/${crewId}`);
  if (role === 'helper') expect(await status(asLeader('PUT', '/help', { isHelping: true }))).toBe(204);
  return { ...class_, ids, kinds, own, ask: role === 'class-crew' || role === 'handed-in' ? own : asLeader };
}

describe('in the space of a crew', () => {
  it.each(SPACE_ROLES)('%s may do what the list of rights says, for every kind of thing and every method', async (role) => {
    const { ids, ask, own } = await asRole(role);
    expect(await bodyOf(ask('GET', '/joined'))).toMatchObject({ role });
    const contents = oneOfEach(ids);
    const seen = async (): Promise<string> =>
      JSON.stringify(await Promise.all(RESOURCE_KINDS.map(async (kind) => (await own('GET', pathIn(ids, kind))).text())));
    const before = await seen();
    for (const kind of RESOURCE_KINDS) {
      const rights = RIGHTS[kind][role] ?? {};
      const { key, isRemovable } = RESOURCES[kind];
      const isImmutable = 'isImmutable' in RESOURCES[kind];
      const may = async (verb: string, answer: Promise<Response>, isAllowed: boolean): Promise<void> =>
        expect([role, kind, verb, (await answer).status < 300]).toEqual([role, kind, verb, isAllowed]);
      const body = (content: object, baseVersion: number) => ({ baseVersion, [key]: content });
      const id = crypto.randomUUID();
      await may('see', ask('GET', pathIn(ids, kind)), rights.see ?? false);
      await may('add', ask('PUT', pathIn(ids, kind, id), body(anew(kind, contents[kind], id), 0)), rights.add === 'any');
      if (!isImmutable) await may('change', ask('PUT', pathIn(ids, kind), body(contents[kind], 1)), rights.change === 'any');
      if (isRemovable && kind !== 'meet' && kind !== 'car') {
        await may('remove', ask('DELETE', pathIn(ids, kind)), rights.manage ?? false);
        await may('bring back', ask('POST', `${pathIn(ids, kind)}/restore`, {}), rights.manage ?? false);
      }
    }
    if (role === 'onlooker') expect(await seen()).toBe(before);
    for (const surface of SURFACES)
      expect([surface, await status(ask('GET', `/${surface}`))]).toEqual([surface, mayReach(role, surface) ? 200 : 403]);
  });
  it('nothing of another crew is reached: equal ids and names are things apart, and unknown ids are not there', async () => {
    const { crews, codeOf, joined, classId } = await classOf('the lamp room', 'the tea urn');
    const [first, second] = [await joined(codeOf(0)), await joined(codeOf(1))];
    const ids = newIds();
    for (const ask of [first, second])
      await storeEach(ids, ['car', 'version', 'run', 'part', 'session'], async (path, body) => status(ask('PUT', path, body)));
    expect(await status(first('PUT', pathIn(ids, 'car'), { baseVersion: 1, design: { ...design, name: 'Tern' } }))).toBe(200);
    expect(await bodyOf(second('GET', pathIn(ids, 'car')))).toMatchObject({ version: 1, design: { name: 'Limpet' } });
    await first('DELETE', pathIn(ids, 'car'));
    expect(await bodyOf<object[]>(first('GET', '/removed'))).toHaveLength(1);
    expect(await bodyOf(second('GET', '/removed'))).toEqual([]);
    expect(await status(second('GET', pathIn(ids, 'run')))).toBe(200);
    // What is the owner's, or of one crew alone, is not there for another: as if it were nowhere.
    const mine = crypto.randomUUID();
    await served.put(`/cars/${mine}`, { baseVersion: 0, design });
    const theirs = crypto.randomUUID();
    await second('PUT', `/cars/${theirs}`, { baseVersion: 0, design });
    for (const id of [mine, theirs, crypto.randomUUID()])
      for (const [method, path] of [
        ['GET', `/cars/${id}`],
        ['GET', `/cars/${id}/runs`],
        ['DELETE', `/cars/${id}`],
      ] as const)
        expect([id, method, path, await status(first(method, path))]).toEqual([id, method, path, 404]);
    for (const path of [`/classes/${classId}`, `/classes/${classId}/cards`, `/classes/${classId}/crews`])
      expect([path, await status(first('GET', path))]).toEqual([path, 403]);
    for (const path of [`/crews/${crews[1]!.id}/cars`, '/cleared-classes', '/archive'])
      expect([path, await status(first('GET', path))]).toEqual([path, 403]);
    expect((await served.get('/cars')).body).toHaveLength(1);
    expect((await served.get(`/crews/${crypto.randomUUID()}/cars`)).status).toBe(404);
  });
  it('a crew begins with the brief, the kit and the starting car of its class', async () => {
    const { codeOf, joined, classId } = await classOf('the lamp room');
    const ask = await joined(codeOf(0));
    expect(await carsOf(ask)).toMatchObject([{ design: { name: 'Limpet', brief: { id: classId, round: 0 } } }]);
    expect(await bodyOf(ask('GET', `/briefs/${classId}`))).toMatchObject({ brief: newClass().brief });
    expect(await bodyOf(ask('GET', '/parts'))).toMatchObject([{ part: { name: 'moss-green balloon', count: 4 } }]);
  });
  it('what one device saves the others hear, with the tab that saved it', async () => {
    const { codeOf, joined, address, joinBy } = await classOf('the lamp room');
    const cookie = cookieOf(await joinBy(codeOf(0)));
    const stream = (await fetch(`${address}/api/meets/live`, { headers: { cookie } })).body!.getReader();
    const car = crypto.randomUUID();
    const writer = asker(`${address}/api`, { cookie: cookieOf(await joinBy(codeOf(0))), 'x-tab': 'tab-2' });
    await writer('PUT', `/cars/${car}`, { baseVersion: 0, design });
    let text = '';
    while (!text.includes(car)) text += new TextDecoder().decode((await stream.read()).value);
    expect(text).toContain(JSON.stringify({ kind: 'stored', what: 'car', id: car, by: 'tab-2' }));
    // A save over a version that another device replaced is told as such.
    const other = await joined(codeOf(0));
    await other('PUT', `/cars/${car}`, { baseVersion: 1, design: { ...design, name: 'Tern' } });
    expect(await status(writer('PUT', `/cars/${car}`, { baseVersion: 1, design: { ...design, name: 'Eel' } }))).toBe(409);
    await stream.cancel();
  });
  it('what is ticked on one device is on the others, until it is taken back', async () => {
    const { codeOf, joined, crews } = await classOf('the lamp room', 'the tea urn');
    const [ask, again, other] = [await joined(codeOf(0)), await joined(codeOf(0)), await joined(codeOf(1))];
    expect(await status(ask('PUT', '/class/ticks/build-steps-1', { value: '["saw"]' }))).toBe(204);
    expect([await bodyOf(again('GET', '/class/ticks')), await bodyOf(other('GET', '/class/ticks'))]).toEqual([
      { 'build-steps-1': '["saw"]' },
      {},
    ]);
    expect(await status(ask('PUT', '/class/ticks/build-steps-1', { value: 'x'.repeat(30_000) }))).toBe(422);
    expect((await served.put(`/crews/${crews[0]!.id}/class/ticks/build-steps-1`, { value: null })).status).toBe(403);
    await again('PUT', '/class/ticks/build-steps-1', { value: null });
    expect(await bodyOf(ask('GET', '/class/ticks'))).toEqual({});
  });
  it('is bounded: what would make it too large is turned away, and what is there stays', async () => {
    const store = openDatabase(served.folder + '/full');
    const presence = { follow: (_q: unknown, _a: unknown, next: () => void) => next() } as never;
    const size = (store.db.pragma('page_count', { simple: true }) as number) * 4096;
    const { api, live } = spaceApi({ crewId: 'a', store, presence, onCrew: () => {}, most: size + 20_000 });
    const { default: express } = await import('express');
    const server = express().use(api).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const ask = asker(`http://127.0.0.1:${(server.address() as { port: number }).port}`);
    const statuses: number[] = [];
    for (let n = 0; n < 30; n++) statuses.push(await status(ask('PUT', `/cars/${crypto.randomUUID()}`, { baseVersion: 0, design })));
    expect([statuses[0], statuses.at(-1)]).toEqual([200, 507]);
    expect(await carsOf(ask)).toHaveLength(statuses.filter((one) => one === 200).length);
    expect(await status(ask('PUT', `/photos/${crypto.randomUUID()}`, { baseVersion: 0, photo }))).toBe(507);
    live.close();
    server.closeAllConnections();
    server.close();
    store.db.close();
  });
});

describe('a card', () => {
  it('has a code of 8 signs of 32, another for each crew, and lets its crew in, however it is typed', async () => {
    const { codeOf, joinBy, joined } = await classOf('the lamp room', 'the tea urn');
    for (const i of [0, 1]) {
      expect(codeOf(i)).toHaveLength(CARD_LENGTH);
      expect([...codeOf(i)].every((sign) => CARD_SIGNS.includes(sign))).toBe(true);
    }
    expect(codeOf(0)).not.toBe(codeOf(1));
    const typed = ` ${codeOf(0).slice(0, 4).toLowerCase()}-${codeOf(0).slice(4).replaceAll('0', 'o').replaceAll('1', 'l')}`;
    expect(await status(joinBy(typed))).toBe(204);
    expect(await bodyOf((await joined(codeOf(1)))('GET', '/class'))).toMatchObject({ crew: 'the tea urn', crews: 2 });
  });
  it('that was lost is drawn anew: the old one, and who joined by it, is let in no more; the work is still there', async () => {
    const { classId, crews, codeOf, joinBy, joined } = await classOf('the lamp room', 'the tea urn');
    const [lost, other] = [await joined(codeOf(0)), await joined(codeOf(1))];
    const car = crypto.randomUUID();
    await lost('PUT', `/cars/${car}`, { baseVersion: 0, design });
    const cards = (await served.post(`/classes/${classId}/cards/${crews[0]!.id}`)).body as { crewId: string; code: string }[];
    const drawn = cards.find(({ crewId }) => crewId === crews[0]!.id)!.code;
    expect(drawn).not.toBe(codeOf(0));
    expect([await status(lost('GET', '/cars')), await status(joinBy(codeOf(0))), await status(other('GET', '/cars'))]).toEqual([
      401, 403, 200,
    ]);
    expect(await status((await joined(drawn))('GET', `/cars/${car}`))).toBe(200);
    expect((await served.post(`/classes/${classId}/cards/${crypto.randomUUID()}`)).status).toBe(404);
  });
  it('is tried as seldom as any code: after five wrong ones even the right one waits', async () => {
    const { codeOf, joinBy } = await classOf('the lamp room');
    const wrong = codeOf(0) === '00000000' ? '00000001' : '00000000';
    for (let n = 0; n < 5; n++) expect(await status(joinBy(wrong))).toBe(403);
    expect(await status(joinBy(codeOf(0)))).toBe(429);
  });
  it('of a crew that left the class, or of a class that was removed, is good no more, and good again once that is undone', async () => {
    const { classId, crews, codeOf, joined, write } = await classOf('the lamp room', 'the tea urn');
    const [staying, leaving] = [await joined(codeOf(0)), await joined(codeOf(1))];
    await write({ crews: [crews[0]!] });
    expect([await status(staying('GET', '/cars')), await status(leaving('GET', '/cars'))]).toEqual([200, 401]);
    await served.remove(`/classes/${classId}`);
    expect(await status(staying('GET', '/cars'))).toBe(401);
    await served.post(`/classes/${classId}/restore`);
    expect(await status(staying('GET', '/cars'))).toBe(200);
  });
  it('holds through a restart of the program: every device is still joined, with its work', async () => {
    const { codeOf, joinBy } = await classOf('the lamp room');
    const port = String(new URL((await served.get('/sharing')).body.shared.addresses[0] as string).port);
    process.env.NIMBLE_AXLE_SHARE_PORT = port;
    const cookie = cookieOf(await joinBy(codeOf(0)));
    await served.put('/sharing', { isKept: true });
    served.sharing.close();
    served.close();
    const again = serve(served.folder);
    await again.resumeSharing();
    const ask = asker(`http://127.0.0.1:${port}/api`, { cookie });
    // The connection from before may be found closed only now.
    await ask('GET', '/joined').catch(() => null);
    expect(await carsOf(ask)).toHaveLength(1);
    again.sharing.close();
    again.close();
  });
});

describe('the leader', () => {
  it('sees how far each crew has come, live', async () => {
    const { crews, codeOf, joined, standings, classId } = await classOf('the lamp room', 'the tea urn');
    expect(await standings()).toMatchObject([{ crewId: crews[0]!.id, hasJoined: false, cars: 0, runs: 0 }, { hasJoined: false }]);
    const stream = (await fetch(`${leader.url}/meets/live`)).body!.getReader();
    const ask = await joined(codeOf(0));
    const [car] = await carsOf(ask);
    await ask('PUT', `/cars/${car!.id}`, { baseVersion: 1, design: { ...car!.design, name: 'Tern' } });
    for (const [distance, lever] of [
      [8, 0.1],
      [9, 0.1],
      [12, 0.2],
    ] as const)
      await ask('PUT', `/cars/${car!.id}/runs/${crypto.randomUUID()}`, {
        baseVersion: 0,
        record: { ...record, outcome: { kind: 'stopped', distance }, design: { ...design, wheelbase: lever } },
      });
    const report = { carId: car!.id, carVersion: 2, chance: 0.4, round: 'Six metres', broken: ['length'], isBuilt: true, surprise: -2.5 };
    expect(await status(ask('PUT', '/class/report', report))).toBe(204);
    expect(await status(ask('PUT', '/class/report', { ...report, chance: 2 }))).toBe(422);
    // For a crew that is away the leader's page works it out.
    expect((await served.put(`/crews/${crews[0]!.id}/class/report`, report)).status).toBe(204);
    expect((await standings())[0]).toMatchObject({
      hasJoined: true,
      cars: 1,
      edits: 1,
      runs: 3,
      designsRun: 2,
      best: 12,
      car: { id: car!.id, name: 'Tern', version: 2 },
      report,
    });
    let text = '';
    while (!text.includes(classId)) text += new TextDecoder().decode((await stream.read()).value);
    expect(text).toContain(JSON.stringify({ kind: 'class', classId }));
    await stream.cancel();
  });
  it('who looks changes nothing until “help”; both are told to the crew, and end when the leader leaves', async () => {
    const { crews, codeOf, joined } = await classOf('the lamp room');
    const ask = await joined(codeOf(0));
    const look = asker(`${leader.url}/crews/${crews[0]!.id}`);
    const told = async () => (await bodyOf<ClassForCrew>(ask('GET', '/class'))).leader;
    const [car] = await carsOf(look);
    const change = (baseVersion: number, name: string) =>
      look('PUT', `/cars/${car!.id}`, { baseVersion, design: { ...car!.design, name } });
    expect(await told()).toBeNull();
    const abort = new AbortController();
    await fetch(`${leader.url}/crews/${crews[0]!.id}/meets/live`, { signal: abort.signal });
    expect([await told(), await status(change(1, 'Tern'))]).toEqual(['look', 403]);
    await look('PUT', '/help', { isHelping: true });
    expect([await told(), await status(change(1, 'Tern'))]).toEqual(['help', 200]);
    expect(await carsOf(ask)).toMatchObject([{ design: { name: 'Tern' } }]);
    abort.abort();
    while ((await told()) !== null) await new Promise((resolve) => setTimeout(resolve, 5));
    expect(await status(change(2, 'Eel'))).toBe(403);
  });
  it('gives all crews a car, a message and a lesson', async () => {
    const { classId, codeOf, joined, write } = await classOf('the lamp room', 'the tea urn');
    const ask = await joined(codeOf(1));
    expect((await served.post(`/classes/${classId}/cars`, { design: { ...design, name: 'Kelp Runner' } })).body).toEqual({ sent: 2 });
    expect((await served.post(`/classes/${classId}/cars`, { design: { name: 'x' } })).status).toBe(422);
    expect((await carsOf(ask)).map((car) => `${car.design.name} ${car.design.brief?.id}`).toSorted()).toEqual([
      `Kelp Runner ${classId}`,
      `Limpet ${classId}`,
    ]);
    const message = { text: 'Ten minutes left', at: '2026-12-01T10:00:00.000Z' };
    await write({ message, lesson: { topic: 'ideas', at: message.at }, closed: ['meet'] });
    expect(await bodyOf(ask('GET', '/class'))).toMatchObject({ message, lesson: { topic: 'ideas' }, closed: ['meet'] });
  });
  it('opens cars, forecasts and results to all crews, each by itself; before that they are closed', async () => {
    const { codeOf, joined, write, crews } = await classOf('the lamp room', 'the tea urn');
    const [first, second] = [await joined(codeOf(0)), await joined(codeOf(1))];
    await carsOf(second);
    const meet = crypto.randomUUID();
    await served.put(`/meets/${meet}`, { baseVersion: 0, meet: oneOfEach({ ...newIds(), meet }).meet });
    await write({ meet });
    const statuses = () =>
      Promise.all(
        ['/class/cars', '/class/forecasts', `/meets/${meet}`, `/meets/${meet}/results`].map((path) => status(first('GET', path))),
      );
    expect(await statuses()).toEqual([403, 403, 404, 404]);
    await write({ opened: { cars: true, results: true, forecasts: true } });
    expect(await statuses()).toEqual([200, 200, 200, 200]);
    expect(await bodyOf<object[]>(first('GET', '/class/cars'))).toMatchObject([
      { crew: 'the lamp room', design: { name: 'Limpet' } },
      { crew: 'the tea urn' },
    ]);
    expect(await bodyOf<object[]>(first('GET', '/class/forecasts'))).toHaveLength(crews.length);
    // It is shown, as to a board: not changed.
    expect(await status(first('DELETE', `/meets/${meet}`))).toBe(403);
    expect((await bodyOf<ClassForCrew>(first('GET', '/class'))).meet).toBe(meet);
  });
});

describe('handing in', () => {
  it('saves a version of each crew’s car, closes the cars and not the track, and can be undone', async () => {
    const { codeOf, joined, handIn } = await classOf('the lamp room', 'the tea urn');
    const ask = await joined(codeOf(0));
    const [car] = await carsOf(ask);
    const chosen = crypto.randomUUID();
    await ask('PUT', `/cars/${chosen}`, { baseVersion: 0, design: { ...design, name: 'Kelp Runner' } });
    expect(await status(ask('PUT', '/class/car', { carId: chosen }))).toBe(204);
    expect(await status(ask('PUT', '/class/car', { carId: crypto.randomUUID() }))).toBe(404);
    expect((await handIn(true)).body.class.handedInAt).toBeDefined();
    expect(await bodyOf(ask('GET', `/cars/${chosen}/versions`))).toMatchObject([{ record: { name: 'Handed in', parent: null } }]);
    expect(await bodyOf(ask('GET', `/cars/${car!.id}/versions`))).toEqual([]);
    const change = () => ask('PUT', `/cars/${chosen}`, { baseVersion: 1, design });
    const refused = await change();
    expect([refused.status, ((await refused.json()) as { title: string }).title]).toEqual([403, expect.stringContaining('handed in')]);
    expect(await status(ask('PUT', '/class/car', { carId: car!.id }))).toBe(403);
    expect(await status(ask('PUT', `/cars/${chosen}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record }))).toBe(200);
    // Pressed twice it is handed in once.
    await handIn(true);
    expect(await bodyOf<object[]>(ask('GET', `/cars/${chosen}/versions`))).toHaveLength(1);
    await handIn(false);
    expect(await status(change())).toBe(200);
    expect((await served.put(`/classes/${crypto.randomUUID()}/hand-in`, { isHandedIn: true })).status).toBe(404);
  });
  it('the cars come to the owner for a meet, with versions and runs: once, and brought up to date by the next press', async () => {
    const { classId, crews, codeOf, joined } = await classOf('the lamp room', 'the tea urn');
    // Two crews whose cars and runs have equal ids.
    const ids = newIds();
    for (const [i, name] of ['Kelp Runner', 'Tern'].entries()) {
      const ask = await joined(codeOf(i));
      await storeEach(ids, ['car', 'version'], async (path, body) => status(ask('PUT', path, body)));
      await ask('PUT', pathIn(ids, 'car'), { baseVersion: 1, design: { ...design, name } });
      await ask('PUT', pathIn(ids, 'run'), { baseVersion: 0, record: { ...record, carVersion: ids.version, photo: ids.photo } });
    }
    type Copies = readonly { crew: string; carId: string; car: string }[];
    const copies = (await served.post(`/classes/${classId}/meet-cars`)).body as Copies;
    expect(copies).toEqual([
      { crew: 'the lamp room', car: 'Kelp Runner', carId: idOfCopy(crews[0]!.id, ids.car) },
      { crew: 'the tea urn', car: 'Tern', carId: idOfCopy(crews[1]!.id, ids.car) },
    ]);
    for (const { carId, car, crew } of copies) {
      expect((await served.get(`/cars/${carId}`)).body.design.name).toBe(`${car}, ${crew}`);
      const { runs } = (await served.get(`/cars/${carId}/runs`)).body as { runs: { record: { carVersion: string; photo?: string } }[] };
      const [stored] = (await served.get(`/cars/${carId}/versions`)).body as { id: string; record: { name: string } }[];
      expect([runs.length, runs[0]!.record.photo, runs[0]!.record.carVersion]).toEqual([1, undefined, stored!.id]);
      expect(stored!.record.name).toBe(version.name);
    }
    expect((await served.get(`/briefs/${classId}`)).body.brief.name).toBe(newClass().brief.name);
    const ask = await joined(codeOf(0));
    await ask('PUT', pathIn(ids, 'run', crypto.randomUUID()), { baseVersion: 0, record });
    await served.post(`/classes/${classId}/meet-cars`);
    expect((await served.get(`/cars/${copies[0]!.carId}/runs`)).body.total).toBe(2);
    expect((await served.get('/cars')).body).toHaveLength(2);
  });
});

describe('an archive', () => {
  it('of everything holds the work of every crew, each apart, and brings it back elsewhere with new cards', async () => {
    const { codeOf, joined, classId, crews } = await classOf('the lamp room', 'the tea urn');
    const ids = newIds();
    for (const [i, name] of ['Kelp Runner', 'Tern'].entries()) {
      const ask = await joined(codeOf(i));
      await ask('PUT', pathIn(ids, 'car'), { baseVersion: 0, design: { ...design, name } });
    }
    const { bytes } = await savedArchive(served);
    const other = serve();
    const send = (query = '') =>
      other.api.post(`/api/archive${query}`).set('Host', '127.0.0.1').set('content-type', 'application/zip').send(Buffer.from(bytes));
    expect((await send()).body).toMatchObject({ fresh: { class: 1, car: 0, part: 0 }, ofCrews: { fresh: 8, taken: 0 }, faulty: 0 });
    expect((await send('?take')).body).toMatchObject({ taken: { class: 1 }, ofCrews: { taken: 8 } });
    for (const [i, name] of ['Kelp Runner', 'Tern'].entries())
      expect((await other.get(`/crews/${crews[i]!.id}${pathIn(ids, 'car')}`)).body).toMatchObject({ design: { name } });
    expect((await other.get('/cars')).body).toEqual([]);
    expect((await other.get(`/classes/${classId}/cards`)).body).toHaveLength(2);
    expect((await send('?take')).body).toMatchObject({ same: { class: 1 }, ofCrews: { fresh: 0, same: 8, taken: 0 } });
    // A car that is another here is named with its crew: the one of equal id is left alone.
    for (const { id } of crews) {
      await other.put(`/crews/${id}/help`, { isHelping: true });
      await other.put(`/crews/${id}${pathIn(ids, 'car')}`, { baseVersion: 1, design });
    }
    const { different } = (await send()).body as { different: { id: string }[] };
    expect(different.map(({ id }) => id).toSorted()).toEqual(crews.map(({ id }) => `${id}:${ids.car}`).toSorted());
    await send(`?take&replace=${crews[0]!.id}:${ids.car}`);
    const names = await Promise.all(
      crews.map(async ({ id }) => (await other.get(`/crews/${id}${pathIn(ids, 'car')}`)).body.design.name as string),
    );
    expect(names).toEqual(['Kelp Runner', 'Limpet']);
    other.close();
  });
  it('of a class that is cleared holds all of it: nothing of it is left, it comes back by a press, and goes for good by another', async () => {
    const { codeOf, joined, joinBy, classId, crews } = await classOf('the lamp room', 'the tea urn');
    const mine = crypto.randomUUID();
    await served.put(`/cars/${mine}`, { baseVersion: 0, design });
    const ask = await joined(codeOf(0));
    const car = crypto.randomUUID();
    await ask('PUT', `/cars/${car}`, { baseVersion: 0, design: { ...design, name: 'Tern' } });
    const { file } = (await served.post('/cleared-classes', { classId })).body as { file: string };
    expect(file).toMatch(/^Winter-class-2\d{3}-.*\.zip$/);
    expect((await served.get(`/classes/${classId}`)).status).toBe(404);
    expect((await served.get(`/crews/${crews[0]!.id}/cars`)).status).toBe(404);
    expect([await status(ask('GET', '/cars')), await status(joinBy(codeOf(0)))]).toEqual([401, 403]);
    expect((await served.get('/cleared-classes')).body).toMatchObject([{ file }]);
    expect((await served.post(`/cleared-classes/${file}/restore`)).body).toMatchObject({ taken: { class: 1 }, ofCrews: { taken: 4 } });
    expect((await served.get(`/crews/${crews[0]!.id}/cars/${car}`)).body.design.name).toBe('Tern');
    expect((await served.get('/cars')).body).toHaveLength(1);
    expect((await served.remove(`/cleared-classes/${file}`)).status).toBe(204);
    expect((await served.get('/cleared-classes')).body).toEqual([]);
    for (const name of [file, '..%2Fnimble-axle.sqlite', 'x.zip']) expect((await served.get(`/cleared-classes/${name}`)).status).toBe(404);
  });
});

describe('a class that cannot be', () => {
  it.each([
    [
      'two crews of one name',
      {
        crews: [
          { id: crypto.randomUUID(), name: 'Tern' },
          { id: crypto.randomUUID(), name: ' tern' },
        ],
      },
      'crews[1].name',
    ],
    ['a crew without a name', { crews: [{ id: crypto.randomUUID(), name: ' ' }] }, 'crews[0].name'],
    ['a day that is none', { lessons: ['tomorrow'] }, 'lessons[0]'],
    ['a station that is none', { closed: ['pool'] }, 'closed[0]'],
  ] as const)('with %s is refused by its field', async (_what, change, path) => {
    const answer = await served.put(`/classes/${crypto.randomUUID()}`, { baseVersion: 0, class: { ...newClass(), ...change } });
    expect([answer.status, (answer.body as { faults: { path: string }[] }).faults.map((fault) => fault.path)]).toEqual([422, [path]]);
  });
});

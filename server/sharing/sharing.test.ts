import { createServer, request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newMeet } from '../../core/meet/new-meet.ts';
import { RESOURCE_KINDS, RESOURCES, type ResourceKind } from '../../core/schema/resources.ts';
import { RIGHTS } from '../../core/schema/rights.ts';
import { HALL_ROLES, type SharingState } from '../../core/schema/sharing.ts';
import { photo } from '../attack/hostile-requests.ts';
import { anew, newIds, oneOfEach, pathIn, storeEach } from '../attack/one-of-each.ts';
import { brief, design, record, serve, type Served } from '../testing.ts';
import { freePort } from '../../testing/free-port.ts';
import { limitAttempts } from './attempts.ts';
import { trustedProxy } from './proxy.ts';

let served: Served;
beforeEach(() => {
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  process.env.NIMBLE_AXLE_SHARE_PORT = '0';
  served = serve();
});
afterEach(async () => {
  await served.remove('/sharing');
  delete process.env.NIMBLE_AXLE_SHARE_ON;
  delete process.env.NIMBLE_AXLE_SHARE_PORT;
});

type Shared = NonNullable<SharingState['shared']>;
/** Sharing begun: the address, and the code for a crew. */
const begun = async (): Promise<{ readonly address: string; readonly code: string; readonly codes: Shared['codes'] }> => {
  const { addresses, codes } = ((await served.post('/sharing')).body as { shared: Shared }).shared;
  return { address: addresses[0]!, code: codes.crew, codes };
};
const json = { 'content-type': 'application/json' };
const join = (address: string, code: string) =>
  fetch(`${address}/api/join`, { method: 'POST', headers: json, body: JSON.stringify({ code }) });
const cookieOf = (answer: Response): string => answer.headers.get('set-cookie')!.split(';')[0]!;
/** Asks as a phone that joined. */
const asker =
  (address: string, cookie: string) =>
  (method: string, path: string, body?: object): Promise<Response> =>
    fetch(`${address}/api${path}`, { method, headers: { cookie, ...json }, ...(body && { body: JSON.stringify(body) }) });
const joined = async (address: string, code: string) => asker(address, cookieOf(await join(address, code)));
/** Another code than these. */
const other = (codes: Shared['codes']): string =>
  Array.from({ length: 4 }, (_, i) => String(i).padStart(6, '0')).find((one) => !Object.values(codes).includes(one))!;

/** One thing of each kind, stored by the owner: its content, its address, and what it belongs to. */
async function storedByOwner() {
  const ids = newIds();
  const statuses = await storeEach(ids, RESOURCE_KINDS, async (path, body) => (await served.put(path, body)).status);
  expect(statuses).toEqual(RESOURCE_KINDS.map((kind) => [kind, 200]));
  return { ids, contents: oneOfEach(ids), pathOf: (kind: ResourceKind, id?: string) => pathIn(ids, kind, id) };
}

describe('what a phone may do', () => {
  it.each(HALL_ROLES)(
    'as %s is what the list of rights says, for every kind of thing and every method; the rest is refused and changes nothing',
    async (role) => {
      const { ids, contents, pathOf } = await storedByOwner();
      const { address, codes } = await begun();
      const ask = await joined(address, codes[role]);
      if (role === 'crew') expect((await ask('PUT', '/joined', { carId: ids.car })).status).toBe(200);
      const before = JSON.stringify(await Promise.all(RESOURCE_KINDS.map(async (kind) => (await served.get(pathOf(kind))).body as object)));
      for (const kind of RESOURCE_KINDS) {
        const rights = RIGHTS[kind][role] ?? {};
        const { key } = RESOURCES[kind];
        const id = crypto.randomUUID();
        const may = async (name: string, answer: Promise<Response>, isAllowed: boolean): Promise<void> => {
          const { status } = await answer;
          expect([role, kind, name, isAllowed ? status < 300 : [403, 404, 422].includes(status)]).toEqual([role, kind, name, true]);
        };
        await may('see', ask('GET', pathOf(kind)), rights.see ?? false);
        await may(
          'change',
          ask('PUT', pathOf(kind), { baseVersion: 1, [key]: { ...contents[kind], note: 'changed', name: 'changed' } }),
          false,
        );
        await may('remove', ask('DELETE', pathOf(kind)), false);
        await may('restore', ask('POST', `${pathOf(kind)}/restore`, {}), false);
        // A crew's picture is one that a run of its car names: the one that is there already.
        if (kind === 'photo') continue;
        await may('add', ask('PUT', pathOf(kind, id), { baseVersion: 0, [key]: anew(kind, contents[kind], id) }), rights.add !== undefined);
      }
      for (const path of ['/archive', '/sharing', '/removed', '/lines', '/nothing'])
        expect([path, (await ask('GET', path)).status >= 403]).toEqual([path, true]);
      expect(JSON.stringify(await Promise.all(RESOURCE_KINDS.map(async (kind) => (await served.get(pathOf(kind))).body as object)))).toBe(
        before,
      );
    },
  );
  it('as crew is for one car: another’s runs and pictures are not written', async () => {
    const { ids, contents, pathOf } = await storedByOwner();
    const foreign = crypto.randomUUID();
    await served.put(`/cars/${foreign}`, { baseVersion: 0, design });
    const { address, code } = await begun();
    const ask = await joined(address, code);
    const log = (car: string, run: object = contents.run) =>
      ask('PUT', `/cars/${car}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record: run });
    const unchosen = await log(ids.car);
    expect([unchosen.status, ((await unchosen.json()) as { detail: string }).detail]).toEqual([
      403,
      expect.stringContaining('Choose first'),
    ]);
    expect(await (await ask('PUT', '/joined', { meet: ids.meet, entry: ids.entry })).json()).toEqual({
      role: 'crew',
      carId: ids.car,
      entry: { meet: ids.meet, id: ids.entry },
    });
    expect((await ask('PUT', '/joined', { carId: foreign })).status).toBe(403);
    expect((await log(foreign)).status).toBe(403);
    const picture = crypto.randomUUID();
    const send = () => ask('PUT', `/photos/${picture}`, { baseVersion: 0, photo });
    expect((await send()).status).toBe(403);
    expect((await log(ids.car, { ...record, photo: picture })).status).toBe(200);
    expect((await send()).status).toBe(200);
    expect((await ask('PUT', pathOf('photo'), { baseVersion: 0, photo: { ...photo, name: 'another.jpg' } })).status).toBe(409);
    expect((await served.get('/sharing')).body).toMatchObject({ shared: { joined: { crew: 1, official: 0, board: 0 } } });
  });
  it('as official is named field by field: the next heat of a meet, an inspection; not its rules, nor an entry’s car', async () => {
    const { ids, contents, pathOf } = await storedByOwner();
    const { address, codes } = await begun();
    const ask = await joined(address, codes.official);
    const change = async (kind: 'meet' | 'entry', content: object, baseVersion: number) => {
      const answer = await ask('PUT', pathOf(kind), { baseVersion, [kind]: content });
      return [answer.status, ((await answer.json()) as { detail?: string }).detail ?? ''];
    };
    expect(await change('meet', { ...contents.meet, nextAt: '2026-11-21T19:00:00.000Z' }, 1)).toEqual([200, '']);
    expect(await change('meet', { ...contents.meet, lanes: 3 }, 2)).toEqual([403, 'It may not change “lanes”.']);
    const { entry } = contents.entry as { entry: object };
    expect(await change('entry', { ...contents.entry, entry: { ...entry, isOut: true, style: 3 } }, 1)).toEqual([200, '']);
    expect(await change('entry', { ...contents.entry, entry: { ...entry, carId: null, isOut: true, style: 3 } }, 2)).toEqual([
      403,
      'It may not change “carId”.',
    ]);
    // A stale change is reported as one, whoever changed what meanwhile.
    expect((await change('meet', { ...contents.meet, nextAt: '2026-11-21T19:30:00.000Z' }, 1))[0]).toBe(409);
    // A result stays in its meet, and is never overwritten.
    const elsewhere = crypto.randomUUID();
    await served.put(`/meets/${elsewhere}`, { baseVersion: 0, meet: contents.meet });
    const moved = await ask('PUT', `/meets/${elsewhere}/results/${ids.result}`, {
      baseVersion: 0,
      result: { ...contents.result, meet: elsewhere },
    });
    expect(moved.status).toBe(404);
    expect((await served.get(pathOf('result'))).body).toMatchObject({ version: 1, result: { meet: ids.meet } });
    expect((await served.get(`/meets/${elsewhere}/results/${ids.result}`)).status).toBe(404);
  });
});

describe('phones', () => {
  it('cannot join unless it is turned on, and no more once it is turned off or new codes are drawn; the address stays', async () => {
    process.env.NIMBLE_AXLE_SHARE_PORT = String(await freePort());
    expect((await served.get('/sharing')).body).toEqual({ shared: null });
    const { address, code } = await begun();
    expect(code).toMatch(/^\d{6}$/);
    const cookie = cookieOf(await join(address, code));
    expect((await fetch(`${address}/api/cars`, { headers: { cookie } })).status).toBe(200);
    const drawn = await begun();
    expect([drawn.address, drawn.code === code]).toEqual([address, false]);
    expect((await fetch(`${address}/api/cars`, { headers: { cookie } })).status).toBe(401);
    await served.remove('/sharing');
    await expect(fetch(`${address}/api/cars`, { headers: { cookie } })).rejects.toThrow();
    expect((await begun()).address).toBe(address);
  });
  it('are still joined after the program was started again, where its owner wished so, and only then', async () => {
    process.env.NIMBLE_AXLE_SHARE_PORT = String(await freePort());
    const { address, code } = await begun();
    const cookie = cookieOf(await join(address, code));
    expect((await served.put('/sharing', { isKept: 'yes' })).status).toBe(422);
    expect((await served.put('/sharing', { isKept: true })).body).toMatchObject({ shared: { isKept: true } });
    const carId = crypto.randomUUID();
    await served.put(`/cars/${carId}`, { baseVersion: 0, design });
    await asker(address, cookie)('PUT', '/joined', { carId });
    served.sharing.close();
    const again = serve(served.folder);
    await again.resumeSharing();
    expect(await (await asker(address, cookie)('GET', '/joined')).json()).toEqual({ role: 'crew', carId, entry: null });
    expect((await join(address, code)).status).toBe(204);
    await again.put('/sharing', { isKept: false });
    again.sharing.close();
    const third = serve(served.folder);
    await third.resumeSharing();
    expect((await third.get('/sharing')).body).toEqual({ shared: null });
  });
  it('are told which port is taken, and how to choose another', async () => {
    const holder = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => holder.once('listening', resolve));
    const { port } = holder.address() as AddressInfo;
    process.env.NIMBLE_AXLE_SHARE_PORT = String(port);
    const answer = await served.post('/sharing');
    expect([answer.status, answer.body.detail]).toEqual([409, expect.stringMatching(`Port ${port} is taken.*NIMBLE_AXLE_SHARE_PORT`)]);
    holder.close();
  });
  it('with a wrong code are kept out, and after a few must wait, even with the right one; new codes open the door', async () => {
    const { address, code, codes } = await begun();
    expect((await fetch(`${address}/api/cars`)).status).toBe(401);
    for (let n = 0; n < 5; n++) expect((await join(address, other(codes))).status).toBe(403);
    const late = await join(address, code);
    expect([late.status, late.headers.get('content-type')]).toEqual([429, expect.stringContaining('problem+json')]);
    const drawn = await begun();
    expect((await join(drawn.address, drawn.code)).status).toBe(204);
  });
  it('hold three streams each: the oldest gives way, and nobody else’s', async () => {
    const { address, codes } = await begun();
    const board = cookieOf(await join(address, codes.board));
    const listen = async (cookie: string) => (await fetch(`${address}/api/meets/live`, { headers: { cookie } })).body!.getReader();
    const [first, ...rest] = [await listen(board), await listen(board), await listen(board)];
    const crew = await listen(cookieOf(await join(address, codes.crew)));
    const fourth = await listen(board);
    for (let read = await first.read(); !read.done; read = await first.read());
    const meet = crypto.randomUUID();
    await served.put(`/meets/${meet}`, { baseVersion: 0, meet: newMeet({ name: 'Winter evening', date: '2026-11-21', brief, seed: 1 }) });
    for (const reader of [...rest, crew, fourth]) {
      let text = '';
      while (!text.includes(meet)) text += new TextDecoder().decode((await reader.read()).value);
      await reader.cancel();
    }
  });
  it('asking for the head of a stream are answered at once', async () => {
    const { address, codes } = await begun();
    const cookie = cookieOf(await join(address, codes.board));
    const answer = await fetch(`${address}/api/meets/live`, { method: 'HEAD', headers: { cookie } });
    expect([answer.status, await answer.text()]).toEqual([200, '']);
  });
  it('from a foreign page, or by a foreign name, are turned away', async () => {
    const { address, code } = await begun();
    const cookie = cookieOf(await join(address, code));
    expect((await fetch(`${address}/api/cars`, { headers: { cookie, origin: 'http://elsewhere.example' } })).status).toBe(403);
    for (const body of ['{', '[]', '{"code":null}', '{"code":["1"]}'])
      expect((await fetch(`${address}/api/join`, { method: 'POST', headers: json, body })).status).toBeLessThan(500);
  });
  it('behind a proxy that speaks TLS use its address, are told apart by where it says they are, and get a cookie for TLS alone', async () => {
    process.env.NIMBLE_AXLE_TRUST_PROXY = 'https://cars.school.example';
    try {
      const proxied = serve();
      const { addresses, codes } = ((await proxied.post('/sharing')).body as { shared: Shared }).shared;
      expect(addresses).toEqual(['https://cars.school.example']);
      const { port } = proxied.sharing.listensAt()!;
      const ask = (code: string, from: string, origin = 'https://cars.school.example', host = 'cars.school.example') =>
        new Promise<{ status: number; cookies: readonly string[] }>((resolve) => {
          const headers = { ...json, host, origin, 'x-forwarded-for': from };
          const sent = httpRequest({ host: '127.0.0.1', port, path: '/api/join', method: 'POST', headers }, (answer) => {
            answer.resume();
            resolve({ status: answer.statusCode!, cookies: answer.headers['set-cookie'] ?? [] });
          });
          sent.end(JSON.stringify({ code }));
        });
      const wrong = other(codes);
      for (let n = 0; n < 5; n++) expect((await ask(wrong, '192.0.2.7')).status).toBe(403);
      expect([(await ask(codes.crew, '192.0.2.7')).status, (await ask(codes.crew, '192.0.2.8')).status]).toEqual([429, 204]);
      expect((await ask(codes.crew, '192.0.2.8')).cookies.every((cookie) => /; Secure/.test(cookie))).toBe(true);
      expect((await ask(codes.crew, '192.0.2.8', 'http://cars.school.example')).status).toBe(403);
      expect((await ask(codes.crew, '192.0.2.8', undefined, '127.0.0.1')).status).toBe(421);
      proxied.sharing.close();
      process.env.NIMBLE_AXLE_TRUST_PROXY = 'cars.school.example';
      expect(() => trustedProxy()).toThrow(/NIMBLE_AXLE_TRUST_PROXY: "cars.school.example" is not an address/);
    } finally {
      delete process.env.NIMBLE_AXLE_TRUST_PROXY;
    }
  });
  it('cannot be let in by a phone, nor by another machine through this one’s own address', async () => {
    expect((await served.api.post('/api/sharing').set('Host', 'elsewhere.example').send({})).status).toBe(421);
    expect((await served.api.post('/api/join').set('Host', '127.0.0.1').send({ code: '000000' })).status).toBe(404);
  });
});

describe('attempts', () => {
  it('are counted for each sender and for all, and forgotten after a while or when they are reset', () => {
    let now = 0;
    const attempts = limitAttempts({ window: 60, each: 2, all: 3, now: () => now });
    const may = (from: string): boolean => {
      const isAllowed = attempts.mayTry(from);
      if (isAllowed) attempts.count(from);
      return isAllowed;
    };
    expect([may('a'), may('a'), may('a'), may('b'), may('c')]).toEqual([true, true, false, true, false]);
    now = 60;
    expect([may('a'), may('a'), may('a')]).toEqual([true, true, false]);
    attempts.reset();
    expect(may('a')).toBe(true);
  });
});

import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { SharingState } from '../../core/schema/sharing.ts';
import { newEntry, newMeet, newResult } from '../../core/meet/new-meet.ts';
import { brief, design, record, serve, type Served } from '../testing.ts';

let served: Served;
beforeEach(() => {
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  served = serve();
});
afterEach(async () => {
  await served.remove('/sharing');
  delete process.env.NIMBLE_AXLE_SHARE_ON;
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
/** Another code than these. */
const other = (codes: Shared['codes']): string =>
  Array.from({ length: 4 }, (_, i) => String(i).padStart(6, '0')).find((one) => !Object.values(codes).includes(one))!;

describe('phones', () => {
  it('cannot join unless it is turned on, and no more once it is turned off', async () => {
    expect((await served.get('/sharing')).body).toEqual({ shared: null });
    const { address, code } = await begun();
    expect(code).toMatch(/^\d{6}$/);
    const cookie = cookieOf(await join(address, code));
    expect((await fetch(`${address}/api/cars`, { headers: { cookie } })).status).toBe(200);
    await served.remove('/sharing');
    await expect(fetch(`${address}/api/cars`, { headers: { cookie } })).rejects.toThrow();
    const again = await begun();
    expect((await fetch(`${again.address}/api/cars`, { headers: { cookie } })).status).toBe(401);
  });
  it('see cars and log runs, and nothing else', async () => {
    const carId = crypto.randomUUID();
    await served.put(`/cars/${carId}`, { baseVersion: 0, design });
    const { address, code } = await begun();
    const joined = await join(address, code);
    expect(joined.headers.get('set-cookie')).toMatch(/HttpOnly.*SameSite=Strict/i);
    const cookie = cookieOf(joined);
    const ask = async (method: string, path: string, body?: object): Promise<number> =>
      (await fetch(`${address}/api${path}`, { method, headers: { cookie, ...json }, ...(body && { body: JSON.stringify(body) }) })).status;
    const run = `/cars/${carId}/runs/${crypto.randomUUID()}`;
    expect(await ask('PUT', run, { baseVersion: 0, record })).toBe(200);
    expect(await ask('GET', `/cars/${carId}/runs`)).toBe(200);
    expect(await ask('PUT', `/cars/${carId}`, { baseVersion: 1, design })).toBe(403);
    expect(await ask('DELETE', run)).toBe(403);
    for (const path of ['/archive', '/sharing', '/removed']) expect(await ask('GET', path)).toBeGreaterThanOrEqual(403);
    expect((await served.get('/sharing')).body).toMatchObject({ shared: { joined: { crew: 1, official: 0, board: 0 } } });
  });
  it('do what they joined as: a crew follows a meet, an official writes it, a board shows it', async () => {
    const meetId = crypto.randomUUID();
    const entry = newEntry({ id: crypto.randomUUID(), crew: 'the night watch', car: 'Limpet' });
    const meet = newMeet({ name: 'Winter evening', date: '2026-11-21', brief, seed: 1, entries: [entry] });
    await served.put(`/meets/${meetId}`, { baseVersion: 0, meet });
    const { address, codes } = await begun();
    const may = async (role: keyof Shared['codes']): Promise<object> => {
      const cookie = cookieOf(await join(address, codes[role]));
      const ask = async (method: string, path: string, body?: object): Promise<boolean> => {
        const answer = await fetch(`${address}/api${path}`, {
          method,
          headers: { cookie, ...json },
          ...(body && { body: JSON.stringify(body) }),
        });
        expect([200, 403]).toContain(answer.status);
        return answer.status === 200;
      };
      expect(await (await fetch(`${address}/api/joined`, { headers: { cookie } })).json()).toEqual({ role });
      const id = crypto.randomUUID();
      const result = newResult({
        meet: meetId,
        entry: entry.id,
        round: 0,
        run: 0,
        at: '2026-11-21T18:00:00.000Z',
        by: role,
        outcome: { kind: 'ran', distance: 8 },
      });
      const { version } = (await served.get(`/meets/${meetId}`)).body as { version: number };
      return {
        sees: await ask('GET', `/meets/${meetId}`),
        cars: await ask('GET', '/cars'),
        writes: await ask('PUT', `/meets/${meetId}/results/${id}`, { baseVersion: 0, result }),
        changes: await ask('PUT', `/meets/${meetId}`, { baseVersion: version, meet }),
        removes: await ask('DELETE', `/meets/${meetId}`),
      };
    };
    expect(await may('board')).toEqual({ sees: true, cars: false, writes: false, changes: false, removes: false });
    expect(await may('crew')).toEqual({ sees: true, cars: true, writes: false, changes: false, removes: false });
    expect(await may('official')).toEqual({ sees: true, cars: true, writes: true, changes: true, removes: false });
    expect(new Set(Object.values(codes)).size).toBe(3);
    expect((await served.get('/joined')).body).toEqual({ role: 'host' });
  });
  it('with a wrong code are kept out, and after a few must wait, even with the right one', async () => {
    const { address, code, codes } = await begun();
    expect((await fetch(`${address}/api/cars`)).status).toBe(401);
    for (let n = 0; n < 5; n++) expect((await join(address, other(codes))).status).toBe(403);
    const late = await join(address, code);
    expect([late.status, late.headers.get('content-type')]).toEqual([429, expect.stringContaining('problem+json')]);
  });
  it('from a foreign page, or by a foreign name, are turned away', async () => {
    const { address, code } = await begun();
    const cookie = cookieOf(await join(address, code));
    expect((await fetch(`${address}/api/cars`, { headers: { cookie, origin: 'http://elsewhere.example' } })).status).toBe(403);
    for (const body of ['{', '[]', '{"code":null}', '{"code":["1"]}'])
      expect((await fetch(`${address}/api/join`, { method: 'POST', headers: json, body })).status).toBeLessThan(500);
  });
  it('cannot be let in by a phone, nor by another machine through this one’s own address', async () => {
    expect((await served.api.post('/api/sharing').set('Host', 'elsewhere.example').send({})).status).toBe(421);
    expect((await served.api.post('/api/join').set('Host', '127.0.0.1').send({ code: '000000' })).status).toBe(404);
  });
});

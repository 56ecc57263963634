import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { design, record, serve, type Served } from '../testing.ts';

let served: Served;
beforeEach(() => {
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  served = serve();
});
afterEach(async () => {
  await served.remove('/sharing');
  delete process.env.NIMBLE_AXLE_SHARE_ON;
});

interface Shared {
  readonly addresses: readonly [string];
  readonly code: string;
  readonly joined: number;
}
const begun = async (): Promise<Shared> => ((await served.post('/sharing')).body as { shared: Shared }).shared;
const json = { 'content-type': 'application/json' };
const join = (address: string, code: string) =>
  fetch(`${address}/api/join`, { method: 'POST', headers: json, body: JSON.stringify({ code }) });
const cookieOf = (answer: Response): string => answer.headers.get('set-cookie')!.split(';')[0]!;
/** Another code than this. */
const other = (code: string): string => String((Number(code) + 1) % 1e6).padStart(6, '0');

describe('phones', () => {
  it('cannot join unless it is turned on, and no more once it is turned off', async () => {
    expect((await served.get('/sharing')).body).toEqual({ shared: null });
    const { addresses, code } = await begun();
    expect(code).toMatch(/^\d{6}$/);
    const cookie = cookieOf(await join(addresses[0], code));
    expect((await fetch(`${addresses[0]}/api/cars`, { headers: { cookie } })).status).toBe(200);
    await served.remove('/sharing');
    await expect(fetch(`${addresses[0]}/api/cars`, { headers: { cookie } })).rejects.toThrow();
    const again = await begun();
    expect((await fetch(`${again.addresses[0]}/api/cars`, { headers: { cookie } })).status).toBe(401);
  });
  it('see cars and log runs, and nothing else', async () => {
    const carId = crypto.randomUUID();
    await served.put(`/cars/${carId}`, { baseVersion: 0, design });
    const { addresses, code } = await begun();
    const [address] = addresses;
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
    expect((await served.get('/sharing')).body).toMatchObject({ shared: { joined: 1 } });
  });
  it('with a wrong code are kept out, and after a few must wait, even with the right one', async () => {
    const { addresses, code } = await begun();
    const [address] = addresses;
    expect((await fetch(`${address}/api/cars`)).status).toBe(401);
    for (let n = 0; n < 5; n++) expect((await join(address, other(code))).status).toBe(403);
    const late = await join(address, code);
    expect([late.status, late.headers.get('content-type')]).toEqual([429, expect.stringContaining('problem+json')]);
  });
  it('from a foreign page, or by a foreign name, are turned away', async () => {
    const { addresses, code } = await begun();
    const [address] = addresses;
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

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newEntry, newResult } from '../../core/meet/new-meet.ts';
import type { StoredEntry, StoredResult } from '../../core/schema/stored.ts';
import { meetsApi } from '../app/api/meets-api.ts';
import { makeStore } from '../app/store.ts';
import { applyNews, catchUp } from './live-meet.ts';

const result = (number: number, version = 1): StoredResult => ({
  id: `r${number}`,
  version,
  number,
  updatedAt: '',
  result: newResult({
    meet: 'm',
    entry: 'e',
    round: 0,
    run: number,
    at: '2026-11-21T18:00:00.000Z',
    by: '',
    outcome: { kind: 'ran', distance: number },
  }),
});

/** What the server has, and every address it was asked for. */
let results: StoredResult[];
let asked: string[];
let store: ReturnType<typeof makeStore>;
beforeEach(() => {
  results = [result(1), result(2)];
  asked = [];
  vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} });
  const Plain = Request;
  vi.stubGlobal(
    'Request',
    class extends Plain {
      constructor(url: string, init?: RequestInit) {
        super(new URL(url, 'http://127.0.0.1/'), init);
      }
    },
  );
  vi.stubGlobal('fetch', async ({ url }: Request) => {
    asked.push(url.replace('http://127.0.0.1/api', ''));
    const after = Number(new URL(url).searchParams.get('after'));
    const found = results.filter(({ number }) => number > after);
    const page = {
      results: found,
      isLast: true,
      last: found.at(-1)?.number ?? after,
      count: results.length,
      versions: results.reduce((sum, { version }) => sum + version, 0),
    };
    return new Response(JSON.stringify(page), { headers: { 'content-type': 'application/json' } });
  });
  store = makeStore();
});
afterEach(() => vi.unstubAllGlobals());

const read = async () => void (await store.dispatch(meetsApi.endpoints.listResults.initiate('m')));
const known = (): string[] =>
  meetsApi.endpoints.listResults
    .select('m')(store.getState())
    .data!.readable.map(({ id, version }) => `${id} ${version}`);

describe('news of a meet', () => {
  it('are put in where they belong, once, and nothing is read for them', async () => {
    await read();
    asked = [];
    for (const stored of [result(4), result(3), result(4)]) applyNews(store.dispatch, { kind: 'result', meet: 'm', stored });
    expect(known()).toEqual(['r1 1', 'r2 1', 'r3 1', 'r4 1']);
    const entry: StoredEntry = {
      id: 'e',
      version: 2,
      number: 1,
      updatedAt: '',
      entry: { format: 'nimble-axle/meet-entry', version: 1, meet: 'm', entry: newEntry({ id: 'e', crew: 'a', car: 'b' }) },
    };
    applyNews(store.dispatch, { kind: 'entry', meet: 'm', stored: entry });
    expect(asked).toEqual([]);
  });
  it('that were missed are read from the last that is known; all are read again only where one was replaced', async () => {
    await read();
    asked = [];
    results.push(result(3));
    await catchUp(store, 'm');
    expect(known()).toEqual(['r1 1', 'r2 1', 'r3 1']);
    expect(asked).toEqual(['/meets/m/results?after=2&limit=500']);
    results[0] = result(1, 2);
    await catchUp(store, 'm');
    await vi.waitFor(() => expect(known()).toEqual(['r1 2', 'r2 1', 'r3 1']));
  });
});

import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { RunRecord } from '../../core/car/car-design.ts';
import { newCar } from '../../core/car/new-car.ts';
import { newId } from './new-id.ts';
import {
  discardQueuedPhoto,
  discardQueuedRun,
  isMemoryOnly,
  isToBeSent,
  submitPhoto,
  submitRun,
  onQueueChange,
  sendAgain,
  sendQueued,
  queuedPhotos,
  queuedRuns,
} from './run-queue.ts';
import { makeStore } from './store.ts';

const record = (ranAt: string): RunRecord => ({
  format: 'nimble-axle/run-record',
  version: 1,
  ranAt,
  wind: { kind: 'full' },
  outcome: { kind: 'stopped', distance: 8 },
  seen: [],
  note: '',
  design: newCar('Tern', 'band'),
});
const run = (minute: number) => ({
  id: newId(),
  carId: 'a',
  baseVersion: 0,
  content: record(`2026-11-21T18:0${minute}:00.000Z`),
});

/** What the program answers: a status, or nothing at all. */
let answer: number | 'gone';
let sent: string[];
beforeEach(() => {
  answer = 200;
  sent = [];
  const Plain = Request;
  vi.stubGlobal(
    'Request',
    class extends Plain {
      constructor(url: string, init?: RequestInit) {
        super(new URL(url, 'http://127.0.0.1/'), init);
      }
    },
  );
  vi.stubGlobal('fetch', async (request: Request) => {
    if (answer === 'gone') throw new TypeError('Failed to fetch');
    sent.push(request.url.split('/').at(-1)!);
    return new Response(JSON.stringify({ title: 'No' }), { status: answer, headers: { 'content-type': 'application/json' } });
  });
});
afterEach(async () => {
  for (const { id } of await queuedRuns()) await discardQueuedRun(id);
  for (const { id } of await queuedPhotos()) await discardQueuedPhoto(id);
  vi.unstubAllGlobals();
});
const { dispatch } = makeStore();

describe('a run that is logged', () => {
  it('is stored, and waits nowhere', async () => {
    expect(await submitRun(dispatch, run(1))).toEqual({ kind: 'stored' });
    expect(await queuedRuns()).toEqual([]);
  });
  it('waits while the program is gone or cannot write, and is stored under the same id when it can', async () => {
    const [first, second] = [run(2), run(1)];
    answer = 'gone';
    expect(await submitRun(dispatch, first)).toEqual({ kind: 'waiting' });
    answer = 507;
    expect(await submitRun(dispatch, second)).toEqual({ kind: 'waiting' });
    sent = [];
    expect((await queuedRuns()).map(({ id }) => id)).toEqual([second.id, first.id]);
    expect(await sendQueued(dispatch)).toBe(0);
    expect(await queuedRuns()).toHaveLength(2);
    sent = [];
    answer = 200;
    expect(await sendQueued(dispatch)).toBe(2);
    expect(sent).toEqual([second.id, first.id]);
    expect(await queuedRuns()).toEqual([]);
  });
  it('that is refused goes back to whoever logged it; one that waited and is refused stays, with the reason', async () => {
    answer = 422;
    expect(await submitRun(dispatch, run(1))).toMatchObject({ kind: 'refused', error: { status: 422 } });
    expect(await queuedRuns()).toEqual([]);
    answer = 'gone';
    await submitRun(dispatch, run(2));
    answer = 422;
    expect(await sendQueued(dispatch)).toBe(0);
    expect(await queuedRuns()).toMatchObject([{ problem: 'No' }]);
  });
  it.each([401, 403, 404, 408, 421, 425, 429, 500, 507])('answered %i waits, and is stored once that is over', async (status) => {
    answer = status;
    const waiting = run(1);
    expect(await submitRun(dispatch, waiting)).toEqual({ kind: 'waiting' });
    expect(await sendQueued(dispatch)).toBe(0);
    expect(await queuedRuns()).toMatchObject([{ id: waiting.id, problem: null, delay: 'No' }]);
    answer = 200;
    expect(await sendQueued(dispatch)).toBe(1);
    expect(await queuedRuns()).toEqual([]);
  });
  it.each([400, 409, 413, 422])('answered %i is not sent again by itself, only when it is asked for', async (status) => {
    answer = 'gone';
    await submitRun(dispatch, run(1));
    answer = status;
    await sendQueued(dispatch);
    sent = [];
    expect(isToBeSent(await queuedRuns(), [])).toBe(false);
    await sendQueued(dispatch);
    expect(sent).toEqual([]);
    answer = 200;
    expect(await sendAgain(dispatch)).toBe(1);
  });
  it('goes before its picture, which stays until it is stored', async () => {
    const photo = { format: 'nimble-axle/photo' as const, version: 1 as const, name: 'at the wall.jpg', jpeg: '/9j/4AAQ' };
    const [id, logged] = [newId(), run(1)];
    await submitPhoto({ id, content: photo });
    await sendQueued(dispatch);
    expect(sent).toEqual([]);
    answer = 401;
    await submitRun(dispatch, { ...logged, content: { ...logged.content, photo: id } });
    await sendQueued(dispatch);
    expect(new Set(sent)).toEqual(new Set([logged.id]));
    expect(await queuedPhotos()).toMatchObject([{ id, isReady: false }]);
    answer = 200;
    sent = [];
    expect(await sendQueued(dispatch)).toBe(1);
    expect(sent).toEqual([logged.id, id]);
    expect(await queuedPhotos()).toEqual([]);
  });
  it('is kept in memory where the browser stores nothing, says so, and is sent all the same', async () => {
    const working = indexedDB;
    answer = 'gone';
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new Error('no room');
      },
    });
    vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new Error('no room');
    });
    vi.resetModules();
    const queue = await import('./run-queue.ts');
    const waiting = run(3);
    expect(await queue.submitRun(dispatch, waiting)).toEqual({ kind: 'waiting' });
    expect([queue.isMemoryOnly(), (await queue.queuedRuns()).map(({ id }) => id)]).toEqual([true, [waiting.id]]);
    answer = 200;
    expect(await queue.sendQueued(dispatch)).toBe(1);
    expect(await queue.queuedRuns()).toEqual([]);
    vi.restoreAllMocks();
    vi.stubGlobal('indexedDB', working);
    expect(isMemoryOnly()).toBe(false);
  });
  it('tells whoever watches that something waits, and no longer', async () => {
    let told = 0;
    const stop = onQueueChange(() => told++);
    await submitRun(dispatch, run(1));
    stop();
    await submitRun(dispatch, run(2));
    expect(told).toBe(1);
  });
});

describe('an id', () => {
  it('is a UUID of version 4, also where the browser makes none', () => {
    const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;
    expect(newId()).toMatch(UUID);
    const own = crypto;
    vi.stubGlobal('crypto', { getRandomValues: (bytes: Uint8Array<ArrayBuffer>) => own.getRandomValues(bytes) });
    const made = Array.from({ length: 50 }, newId);
    for (const id of made) expect(id).toMatch(UUID);
    expect(new Set(made).size).toBe(50);
  });
});

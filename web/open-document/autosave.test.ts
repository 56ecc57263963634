import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CarDesign } from '../../core/car/car-design.ts';
import { newCar } from '../../core/car/new-car.ts';
import { makeStore } from '../app/store.ts';
import { carAutosave } from '../open-car/car-document.ts';
import { designSlice } from '../open-car/design-slice.ts';

const { opened, edited, mineChosen, undone } = designSlice.actions;

const design = newCar('Kelp Runner');
const heavier = (wheelbase: number): CarDesign => ({ ...design, wheelbase });

/** A server that answers as it is told to, and remembers what was sent. */
let answers: ((body: { baseVersion: number; design: CarDesign }) => { status: number; body: unknown } | 'gone')[];
let sent: { baseVersion: number; wheelbase: number }[];
const kept = (version: number, wheelbase: number) => ({ id: 'a', version, updatedAt: '', design: heavier(wheelbase) });
const accept = ({ baseVersion, design: { wheelbase } }: { baseVersion: number; design: CarDesign }) => ({
  status: 200,
  body: kept(baseVersion + 1, wheelbase),
});

let kitchen: Map<string, string>;
beforeEach(() => {
  vi.useFakeTimers();
  kitchen = new Map();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kitchen.get(key) ?? null,
    setItem: (key: string, value: string) => void kitchen.set(key, value),
    removeItem: (key: string) => void kitchen.delete(key),
  });
  const Plain = Request;
  vi.stubGlobal(
    'Request',
    class extends Plain {
      constructor(url: string, init?: RequestInit) {
        super(new URL(url, 'http://127.0.0.1/'), init);
      }
    },
  );
  answers = [];
  sent = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const body = (await request.clone().json()) as { baseVersion: number; design: CarDesign };
    sent.push({ baseVersion: body.baseVersion, wheelbase: body.design.wheelbase });
    const answer = (answers.shift() ?? accept)(body);
    if (answer === 'gone') throw new TypeError('Failed to fetch');
    return new Response(JSON.stringify(answer.body), { status: answer.status, headers: { 'content-type': 'application/json' } });
  });
});
afterEach(async () => {
  // Saves that are under way end in this test, not in another.
  await vi.runOnlyPendingTimersAsync();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function openedStore() {
  const store = makeStore();
  store.dispatch(opened({ kept: { id: 'a', version: 3, content: heavier(design.wheelbase) }, draft: null }));
  const edit = (wheelbase: number): unknown => store.dispatch(edited({ content: heavier(wheelbase), gesture: null }));
  const state = () => store.getState().design!;
  const drafted = (): number | undefined => {
    const draft = [...kitchen].find(([key]) => key.startsWith('draft:'))?.[1];
    return draft === undefined ? undefined : (JSON.parse(draft) as { content: CarDesign }).content.wheelbase;
  };
  return { store, edit, state, drafted };
}
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

describe('an edit', () => {
  it('is in the browser at once, on the server once it is quiet, and then no draft any more', async () => {
    const { edit, state, drafted } = openedStore();
    edit(0.2);
    await pass(0);
    expect(drafted()).toBe(0.2);
    expect(sent).toEqual([]);
    edit(0.21);
    await pass(300);
    edit(0.22);
    await pass(400);
    expect(sent).toEqual([{ baseVersion: 3, wheelbase: 0.22 }]);
    expect(state()).toMatchObject({ save: 'saved', baseVersion: 4 });
    expect(drafted()).toBeUndefined();
  });
  it('made while another is on its way goes along, on the version that landed', async () => {
    const { store, edit, state } = openedStore();
    answers.push((body) => {
      edit(0.3);
      return accept(body);
    });
    edit(0.2);
    await pass(400);
    await pass(400);
    expect(sent).toEqual([
      { baseVersion: 3, wheelbase: 0.2 },
      { baseVersion: 4, wheelbase: 0.3 },
    ]);
    expect(state()).toMatchObject({ save: 'saved', baseVersion: 5 });
    store.dispatch(undone());
    await pass(400);
    expect(sent.at(-1)).toEqual({ baseVersion: 5, wheelbase: 0.2 });
  });
  it('is tried again, and kept here, while the program cannot be reached', async () => {
    const { edit, state, drafted } = openedStore();
    answers.push(
      () => 'gone',
      () => 'gone',
    );
    edit(0.2);
    await pass(400);
    expect(state().save).toBe('failing');
    expect(state().failure).toContain('cannot be reached');
    expect(drafted()).toBe(0.2);
    await pass(3100);
    expect(state().save).toBe('failing');
    await pass(3100);
    expect(state()).toMatchObject({ save: 'saved', baseVersion: 4 });
    expect(sent).toHaveLength(3);
  });
  it('over a version from elsewhere waits until it is told which stands', async () => {
    const { store, edit, state, drafted } = openedStore();
    answers.push(() => ({ status: 409, body: { title: 'This car was changed elsewhere', current: kept(9, 0.5) } }));
    edit(0.2);
    await pass(400);
    expect(state()).toMatchObject({ save: 'conflict', present: { wheelbase: 0.2 }, other: { version: 9, content: { wheelbase: 0.5 } } });
    edit(0.25);
    await pass(1000);
    expect(sent).toHaveLength(1);
    expect(drafted()).toBe(0.25);
    store.dispatch(mineChosen());
    await pass(400);
    expect(sent.at(-1)).toEqual({ baseVersion: 9, wheelbase: 0.25 });
    expect(state()).toMatchObject({ save: 'saved', baseVersion: 10, other: null });
  });
  it('is sent before another car takes this one’s place', async () => {
    const { store, edit } = openedStore();
    edit(0.2);
    await carAutosave.flush(store.getState, store.dispatch);
    expect(sent).toEqual([{ baseVersion: 3, wheelbase: 0.2 }]);
    await carAutosave.flush(store.getState, store.dispatch);
  });
  it('that is refused for good is not sent again by itself, is said once, and stays in the browser', async () => {
    const { store, edit, state, drafted } = openedStore();
    const refuse = () => ({ status: 403, body: { title: 'A crew may not' } });
    answers = [refuse, refuse];
    edit(0.2);
    await pass(20_000);
    expect([sent.length, state().save, drafted()]).toEqual([1, 'refused', 0.2]);
    edit(0.21);
    await pass(20_000);
    expect([sent.length, state().save, drafted()]).toEqual([2, 'refused', 0.21]);
    expect(store.getState().toasts.map(({ message }) => message)).toEqual([expect.stringContaining('A crew may not')]);
    edit(0.22);
    await pass(400);
    expect(state()).toMatchObject({ save: 'saved' });
  });
});

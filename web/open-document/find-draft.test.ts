import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CarDesign } from '../../core/car/car-design.ts';
import { readCarDesign } from '../../core/files/read.ts';
import { newCar } from '../../core/car/new-car.ts';
import { claimTab, tabId } from '../app/tab.ts';
import { removeDraft, saveDraft, keyOf } from './drafts.ts';
import { findDraft } from './find-draft.ts';

/** A browser's storage, its locks, and a tab's own storage. */
let shelf: Map<string, string>;
let tabs: Set<string>;
let own: Map<string, string>;

const storage = (): Record<string, unknown> =>
  new Proxy({} as Record<string, unknown>, {
    get: (_target, key) =>
      ({
        getItem: (name: string) => shelf.get(name) ?? null,
        setItem: (name: string, value: string) => void shelf.set(name, value),
        removeItem: (name: string) => void shelf.delete(name),
      })[key as 'getItem'],
    ownKeys: () => [...shelf.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  });

beforeEach(async () => {
  shelf = new Map();
  tabs = new Set();
  own = new Map();
  vi.stubGlobal('localStorage', storage());
  vi.stubGlobal('sessionStorage', {
    getItem: (key: string) => own.get(key) ?? null,
    setItem: (key: string, value: string) => void own.set(key, value),
  });
  vi.stubGlobal('navigator', {
    locks: {
      request: async (name: string, _options: object, held: (lock: object | null) => unknown) => {
        if (tabs.has(name)) return held(null);
        tabs.add(name);
        return held({});
      },
      query: async () => ({ held: [...tabs].map((name) => ({ name })) }),
    },
  });
  await claimTab();
});
afterEach(() => vi.unstubAllGlobals());

const heavier = (wheelbase: number): CarDesign => ({ ...newCar('Tern', 'band'), wheelbase });
const draftOf = (wheelbase: number) => ({ baseVersion: 4, content: heavier(wheelbase) });
const reader = async () => readCarDesign;
const leaveBehind = (tab: string, text: string): void => void shelf.set(keyOf('a', tab), text);

describe('a tab', () => {
  it('keeps its name through a reload, and a duplicate of it gets a new one', async () => {
    const name = tabId();
    tabs.clear();
    await claimTab();
    expect(tabId()).toBe(name);
    // The duplicate comes with the same storage while the first lives.
    await claimTab();
    expect(tabId()).not.toBe(name);
    expect(own.get('tab')).toBe(tabId());
  });
});

describe('a draft', () => {
  it('is found again by the tab that left it, and is gone once dropped', async () => {
    expect(await findDraft('a', reader)).toBeNull();
    saveDraft('a', draftOf(0.2));
    expect(await findDraft('a', reader)).toEqual(draftOf(0.2));
    expect(await findDraft('b', reader)).toBeNull();
    removeDraft('a');
    expect(await findDraft('a', reader)).toBeNull();
  });
  it('of a tab that is gone is taken over by the next one; of a tab that lives it is left alone', async () => {
    leaveBehind('gone', JSON.stringify(draftOf(0.21)));
    leaveBehind('alive', JSON.stringify(draftOf(0.22)));
    tabs.add('tab:alive');
    expect(await findDraft('a', reader)).toEqual(draftOf(0.21));
    expect([...shelf.keys()].sort()).toEqual([keyOf('a', tabId()), keyOf('a', 'alive')].sort());
    removeDraft('a');
    expect(await findDraft('a', reader)).toBeNull();
    expect(shelf.has(keyOf('a', 'alive'))).toBe(true);
  });
  it('of an earlier program, under the name it was kept then, is found too', async () => {
    leaveBehind('gone', JSON.stringify({ baseVersion: 4, design: heavier(0.21) }));
    expect(await findDraft('a', reader)).toEqual(draftOf(0.21));
  });
  it('before one that was left behind goes the tab’s own', async () => {
    leaveBehind('gone', JSON.stringify(draftOf(0.21)));
    saveDraft('a', draftOf(0.2));
    expect(await findDraft('a', reader)).toEqual(draftOf(0.2));
  });
  it.each([
    ['no JSON', '{'],
    ['nothing', 'null'],
    ['no design', JSON.stringify({ baseVersion: 4, content: { name: 'x' } })],
    ['a design of no version', JSON.stringify({ content: heavier(0.2) })],
    ['a size below nothing', JSON.stringify({ baseVersion: 4, content: heavier(-1) })],
  ])('that cannot be read (%s) is passed over and cleared away, and a good one behind it found', async (_what, text) => {
    leaveBehind('broken', text);
    leaveBehind('gone', JSON.stringify(draftOf(0.23)));
    expect(await findDraft('a', reader)).toEqual(draftOf(0.23));
    expect([...shelf.keys()]).toEqual([keyOf('a', tabId())]);
  });
});

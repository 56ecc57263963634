import { afterEach, describe, expect, it, vi } from 'vitest';
import { problemLine, problemOf } from './api/problem.ts';
import { carVisited, storePreferences, preferencesReducer, unitsChosen } from './preferences-slice.ts';
import { toastClosed, toasted, toastsReducer } from './toasts-slice.ts';

afterEach(() => vi.unstubAllGlobals());

describe('an answer that is no good', () => {
  it('is told in the server’s words, each fault with its field', () => {
    const data = {
      title: 'Not a car',
      faults: [
        { path: 'mass', message: 'must be above 0' },
        { path: 'name', message: 'is missing' },
      ],
    };
    expect(problemLine({ status: 422, data })).toBe('Not a car: mass must be above 0; name is missing');
    expect(problemLine({ status: 507, data: { title: 'The disk is full', detail: 'Free some.' } })).toBe('The disk is full: Free some.');
  });
  it('is no answer at all where the program is gone: what was typed is kept', () => {
    for (const error of [{ status: 'FETCH_ERROR', error: 'Failed to fetch' }, {}, { status: 502, data: '<html>' }])
      expect(problemOf(error)).toMatchObject({
        title: 'The program cannot be reached',
        detail: expect.stringContaining('saved in this browser'),
      });
  });
});

describe('messages', () => {
  it('come and go, the same one once', () => {
    const two = [toasted('Run logged'), toasted('Gone', { tone: 'stop', undoing: { kind: 'car', id: 'a' } }), toasted('Run logged')].reduce(
      toastsReducer,
      [],
    );
    expect(two.map(({ message }) => message)).toEqual(['Gone', 'Run logged']);
    expect(two[0]).toMatchObject({ tone: 'stop', undoing: { kind: 'car', id: 'a' } });
    expect(toastsReducer(two, toastClosed(two[1]!.id)).map(({ message }) => message)).toEqual(['Gone']);
  });
});

describe('preferences', () => {
  const kept = (text: string | null) => {
    vi.stubGlobal('localStorage', { getItem: () => text, setItem: () => {} });
    return preferencesReducer(undefined, { type: 'begun' });
  };
  it('are what was kept, or the usual ones where that cannot be read', () => {
    expect(kept('{"units":"inch","lastCar":"a"}')).toEqual({ units: 'inch', lastCar: 'a', session: null, asksBefore: true });
    for (const text of [null, '{', '[]', '{"units":"furlong","lastCar":7}'])
      expect(kept(text)).toEqual({ units: 'metric', lastCar: null, session: null, asksBefore: true });
  });
  it('are kept as they are chosen', () => {
    const stored: string[] = [];
    const usual = kept(null);
    vi.stubGlobal('localStorage', { setItem: (_key: string, text: string) => stored.push(text) });
    storePreferences([unitsChosen('inch'), carVisited('b')].reduce(preferencesReducer, usual));
    expect(JSON.parse(stored[0]!)).toMatchObject({ units: 'inch', lastCar: 'b', asksBefore: true });
  });
});

import { beforeEach, describe, expect, it, vi } from 'vitest';
import { readLocalStorage } from './use-local-storage.ts';

describe('what a browser keeps under a name', () => {
  const kept = new Map<string, string>();
  beforeEach(() => {
    kept.clear();
    vi.stubGlobal('localStorage', { getItem: (key: string) => kept.get(key) ?? null });
  });
  it('is given back as it was put in', () => {
    for (const value of ['the lamp room', 7, true, ['templates', 'axles'], { grip: 0.6 }]) {
      kept.set('k', JSON.stringify(value));
      expect(readLocalStorage('k', structuredClone(value))).toEqual(value);
    }
  });
  it('is as if nothing were kept where there is none, or it is broken or of another kind', () => {
    expect(readLocalStorage('k', ['none'])).toEqual(['none']);
    for (const text of ['{', '"a"', 'null', '7', '{}']) {
      kept.set('k', text);
      expect([text, readLocalStorage('k', ['none'])]).toEqual([text, ['none']]);
    }
    kept.set('k', '[1]');
    expect(readLocalStorage('k', { a: 1 })).toEqual({ a: 1 });
  });
  it('takes words that were kept without quotation marks as they are', () => {
    kept.set('k', 'letter');
    expect(readLocalStorage('k', 'a4')).toBe('letter');
  });
});

import { describe, expect, it } from 'vitest';
import { nextKeys } from './stable-keys.ts';

describe('keys of a list', () => {
  const [a, b, c] = [{ from: 1 }, { from: 2 }, { from: 3 }];
  const before = { items: [a, b, c], keys: ['a', 'b', 'c'] };
  const keys = (...items: { from: number }[]) => nextKeys(before, items, () => 'new');
  it('go with what is moved', () => expect(keys(c, a, b)).toEqual(['c', 'a', 'b']));
  it('stay where something is changed, also as it passes another', () => {
    expect(keys(a, { from: 2.5 }, c)).toEqual(['a', 'b', 'c']);
    expect(keys(b, { from: 2.5 }, c)).toEqual(['b', 'a', 'c']);
  });
  it('are new for what is new, and gone with what is taken away', () => {
    expect(keys(a, b, c, { from: 4 })).toEqual(['a', 'b', 'c', 'new']);
    expect(keys(a, c)).toEqual(['a', 'c']);
  });
});

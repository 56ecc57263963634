import { useState } from 'react';

interface Keyed<T> {
  readonly items: readonly T[];
  readonly keys: readonly string[];
}

/**
 * Keys that stay with the things of a list that is changed by copying: what is moved keeps its key, what is changed where it stands too, and
 * what is changed and moved at once where it is the only such. New things get new keys.
 *
 * `nextKeys({ items: [a, b], keys: ['0', '1'] }, [b, a], newKey) // ['1', '0']`
 */
export function nextKeys<T>(before: Keyed<T>, items: readonly T[], newKey: () => string): readonly string[] {
  const left = new Map(before.items.map((item, i) => [item, before.keys[i]!]));
  const keys: (string | undefined)[] = items.map((item) => {
    const key = left.get(item);
    left.delete(item);
    return key;
  });
  const unclaimed = new Set(left.values());
  const claim = (i: number, key: string | undefined): void => {
    if (keys[i] !== undefined || key === undefined || !unclaimed.delete(key)) return;
    keys[i] = key;
  };
  // What was changed where it stands; then, with as many left on both sides, the others in their order.
  if (items.length >= before.items.length) items.forEach((_item, i) => claim(i, before.keys[i]));
  const rest = items.flatMap((_item, i) => (keys[i] === undefined ? [i] : []));
  if (rest.length === unclaimed.size) rest.forEach((i) => claim(i, [...unclaimed][0]));
  return keys.map((key) => key ?? newKey());
}

let count = 0;
const newKey = (): string => String(++count);

/** Keys of a list's things that stay with them, whatever place they come to. */
export function useStableKeys<T>(items: readonly T[]): readonly string[] {
  const [known, setKnown] = useState<Keyed<T>>(() => ({ items, keys: items.map(newKey) }));
  if (known.items === items) return known.keys;
  const keys = nextKeys(known, items, newKey);
  setKnown({ items, keys });
  return keys;
}

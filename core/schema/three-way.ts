/** A change applied to what it was not made from. */
export interface ThreeWay<T> {
  /** `latest` with what was changed from `before` to `after`. */
  readonly merged: T;
  /** Paths of values that both changed, and not alike: `merged` has those of `after`. */
  readonly conflicts: readonly string[];
}

type Plain = Readonly<Record<string, unknown>>;
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether two JSON values are alike; the order of keys does not matter, and what is undefined is not there. */
export function isSameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((item, i) => isSameValue(item, b[i]));
  if (!isPlain(a) || !isPlain(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => isSameValue(a[key], b[key]));
}

/**
 * Applies a change, not the document that it came to: whatever differs between `before` and `after` is put into `latest`, key by key; the rest
 * stays as it is there. A list is one value.
 *
 * `threeWay({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 5 }) // { merged: { a: 2, b: 5 }, conflicts: [] }`
 */
export function threeWay<T>(before: T, after: T, latest: T): ThreeWay<T> {
  const conflicts: string[] = [];
  const merge = (was: unknown, mine: unknown, now: unknown, path: string): unknown => {
    if (isSameValue(was, mine)) return now;
    if (isSameValue(was, now) || isSameValue(mine, now)) return mine;
    if (isPlain(was) && isPlain(mine) && isPlain(now)) {
      const keys = new Set([...Object.keys(now), ...Object.keys(mine)]);
      const entries = [...keys].flatMap((key): [string, unknown][] => {
        const value = merge(was[key], mine[key], now[key], path === '' ? key : `${path}.${key}`);
        return value === undefined ? [] : [[key, value]];
      });
      return Object.fromEntries(entries);
    }
    conflicts.push(path);
    return mine;
  };
  return { merged: merge(before, after, latest, '') as T, conflicts };
}

import type { Fault } from '../fault.ts';

/** Items of one list or keys of one object: a spool of 400 steps is the longest list of any format. */
const MOST_ENTRIES = 400;
/** Values of one document, lists and objects counted: the fullest run setup has some 1,400. */
const MOST_VALUES = 2500;
/** Characters of one text: a note may have 2,000. */
const MOST_CHARACTERS = 4000;

/** What a format may hold, where that is more than others. */
export interface SizeLimits {
  readonly characters?: number;
  readonly values?: number;
  readonly entries?: number;
}

/**
 * What is too large about a value for any format here, before a validator that tells every fault spends minutes on it;
 * null when nothing is. Takes time in proportion to the limits, not to the value.
 */
export function tooLarge(
  value: unknown,
  { characters: mostCharacters = MOST_CHARACTERS, values: mostValues = MOST_VALUES, entries: mostEntries = MOST_ENTRIES }: SizeLimits = {},
): Fault | null {
  let seen = 0;
  const waiting: { readonly path: string; readonly value: unknown }[] = [{ path: '', value }];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { path, value: here } = next;
    if (++seen > mostValues) return { path: '', code: 'too-large', of: 'values', count: seen, most: mostValues };
    if (typeof here === 'string' && here.length > mostCharacters)
      return { path, code: 'too-large', of: 'characters', count: here.length, most: mostCharacters };
    if (typeof here !== 'object' || here === null) continue;
    const isList = Array.isArray(here);
    const keys = isList ? null : Object.keys(here);
    const count = keys ? keys.length : (here as unknown[]).length;
    if (count > mostEntries) return { path, code: 'too-large', of: isList ? 'items' : 'keys', count, most: mostEntries };
    if (keys)
      for (const key of keys) waiting.push({ path: path === '' ? key : `${path}.${key}`, value: (here as Record<string, unknown>)[key] });
    else (here as unknown[]).forEach((item, i) => waiting.push({ path: `${path}[${i}]`, value: item }));
  }
  return null;
}

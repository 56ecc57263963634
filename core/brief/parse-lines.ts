import type { Rules } from './brief.ts';

/** What was written as a list, or what is wrong with it, as a sentence. */
export type ParsedText<T> = { readonly kind: 'read'; readonly value: T } | { readonly kind: 'unclear'; readonly message: string };

const MOST_PLACES = 50;
const MOST_POINTS = 1000;

/** Points by place from `10, 7, 5` or `10 7 5`; none of an empty text. `readPoints('10, 7') // [10, 7]` */
export function readPoints(text: string): ParsedText<number[]> {
  const words = text.split(/[\s,;]+/).filter(Boolean);
  const value = words.map(Number);
  if (value.length > MOST_PLACES || value.some((points) => !(points >= 0 && points <= MOST_POINTS)))
    return { kind: 'unclear', message: `Write points as 10, 7, 5: at most ${MOST_PLACES} numbers from 0 to ${MOST_POINTS}.` };
  return { kind: 'read', value };
}

const MOST_ITEMS = 60;
const MOST_COUNT = 1000;
const LONGEST = 80;

/** A kit from lines such as `8 luggage labels`; a line without a number is one of it. `readKit('2 straws') // [{ count: 2, name: 'straws' }]` */
export function readKit(text: string): ParsedText<Rules['kit']> {
  const lines = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const value = lines.map((line) => {
    const [, count = '1', name = line] = /^(\d+)\s*[×x]?\s+(.+)$/.exec(line) ?? [];
    return { count: Number(count), name };
  });
  const wrong = value.findIndex(({ count, name }) => count < 1 || count > MOST_COUNT || name.length > LONGEST);
  if (wrong >= 0)
    return { kind: 'unclear', message: `Line ${wrong + 1}: write 1 to ${MOST_COUNT}, then a name of at most ${LONGEST} letters.` };
  if (value.length > MOST_ITEMS) return { kind: 'unclear', message: `At most ${MOST_ITEMS} lines.` };
  return { kind: 'read', value };
}

/** A kit as it is typed, a line each. */
export const kitText = (kit: Rules['kit']): string => kit.map(({ count, name }) => `${count} ${name}`).join('\n');

const MOST_LINES = 20;

/** A list of a line each, empty ones left out. `readLines('a\\n\\nb', 80) // ['a', 'b']` */
export function readLines(text: string, longest: number): ParsedText<string[]> {
  const value = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const wrong = value.findIndex((line) => line.length > longest);
  if (wrong >= 0) return { kind: 'unclear', message: `Line ${wrong + 1}: write at most ${longest} letters.` };
  return value.length > MOST_LINES ? { kind: 'unclear', message: `At most ${MOST_LINES} lines.` } : { kind: 'read', value };
}

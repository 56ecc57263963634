import type { CarDesign } from '../car/car-design.ts';
import type { Rules } from '../brief/brief.ts';
import type { Format } from '../units/quantity.ts';
import { partsList, type PartLine } from './parts-list.ts';
import { buildSteps, minutesLeft } from './steps.ts';

/** How a car stands to a rule about what it is made of, and how: what the program cannot tell is settled by hand. */
export interface JudgedMakingRule {
  readonly key: string;
  readonly name: string;
  readonly verdict: 'met' | 'close' | 'broken' | 'by-hand';
  readonly words: string;
}

/** Words that tell one part from another: short ones and colours of speech do not. */
const SHORTEST = 3;
const COMMON: ReadonlySet<string> = new Set([
  'the',
  'and',
  'for',
  'with',
  'that',
  'not',
  'does',
  'one',
  'two',
  'own',
  'size',
  'drive',
  'other',
  'axle',
]);
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .map((word) => word.replace(/(?<=..)s$/, ''))
    .filter((word) => word.length >= SHORTEST && !COMMON.has(word));

/** Whether a name that somebody wrote means a part of the list: all of the words that tell it stand there. */
function means(name: string, { name: part }: Pick<PartLine, 'name'>): boolean {
  const has = new Set(wordsOf(part));
  const wanted = wordsOf(name);
  return wanted.length > 0 && wanted.every((word) => has.has(word));
}

/** Fraction of a time to build by which our estimate may be off. */
const UNSURE = 0.3;

/** The parts of a car against a kit: each named part with its count; what the kit does not name is looked at by hand. */
function byKit(kit: Rules['kit'], parts: readonly PartLine[]): JudgedMakingRule {
  const needed = new Map<string, number>();
  const unnamed: string[] = [];
  for (const part of parts) {
    const item = kit.find(({ name }) => means(name, part));
    if (item) needed.set(item.name, (needed.get(item.name) ?? 0) + part.count);
    else unnamed.push(part.name);
  }
  const over = kit.filter(({ name, count }) => (needed.get(name) ?? 0) > count);
  if (over.length > 0)
    return {
      key: 'kit',
      name: 'kit',
      verdict: 'broken',
      words: over.map(({ name, count }) => `${needed.get(name)} ${name}, ${count} in the kit`).join('; '),
    };
  return unnamed.length === 0
    ? { key: 'kit', name: 'kit', verdict: 'met', words: 'every part is in the kit' }
    : { key: 'kit', name: 'kit', verdict: 'by-hand', words: `not named in the kit: ${unnamed.join(', ')}` };
}

/** Every rule about kit, cost, time, forbidden parts and the rest that is written in words, against a car as it is drawn. */
export function judgeMaking(
  design: CarDesign,
  { kit, budget, minutes, forbidden = [], more = [] }: Rules,
  format: Format,
): JudgedMakingRule[] {
  const parts = kit.length + forbidden.length > 0 ? partsList(design) : [];
  const rules: JudgedMakingRule[] = [];
  if (kit.length > 0) rules.push(byKit(kit, parts));
  if (budget !== '')
    rules.push({
      key: 'budget',
      name: 'it may cost {1:budget}: add up what you paid',
      verdict: 'by-hand',
      words: `it may cost ${budget}: add up what you bought`,
    });
  if (minutes !== null) {
    const { work, wait } = minutesLeft(buildSteps(design, format), new Set());
    const verdict = work > minutes * (1 + UNSURE) ? 'broken' : work > minutes * (1 - UNSURE) ? 'close' : 'met';
    const waiting = wait > 0 ? `, plus ${wait} for glue to set` : '';
    rules.push({
      key: 'minutes',
      name: 'time to build',
      verdict,
      words: `about ${work} minutes of work (our estimate)${waiting}; ${minutes} allowed`,
    });
  }
  for (const [i, name] of forbidden.entries()) {
    const found = parts.filter((part) => means(name, part));
    rules.push(
      found.length > 0
        ? {
            key: `forbidden.${i}`,
            name: `no ${name}`,
            verdict: 'broken',
            words: `on the parts list: ${found.map((part) => part.name).join(', ')}`,
          }
        : { key: `forbidden.${i}`, name: `no ${name}`, verdict: 'met', words: 'none on the parts list' },
    );
  }
  more.forEach((words, i) => rules.push({ key: `more.${i}`, name: 'other rule', verdict: 'by-hand', words }));
  return rules;
}

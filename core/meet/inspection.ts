import { limitsOf, type Rules } from '../brief/brief.ts';
import { carRules } from '../brief/rule-sheet.ts';
import { judgeRules } from '../brief/rules.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Format, Quantity } from '../units/quantity.ts';
import type { Entry } from './meet.ts';

/** What an inspection measures, and how it is called. */
export const MEASURED: Readonly<Record<keyof Entry['measured'], { readonly name: string; readonly quantity: Quantity }>> = {
  length: { name: 'length', quantity: 'size' },
  width: { name: 'width', quantity: 'size' },
  height: { name: 'height', quantity: 'size' },
  mass: { name: 'weight', quantity: 'weight' },
  bands: { name: 'bands', quantity: 'count' },
};
export const MEASURED_KEYS = Object.keys(MEASURED) as readonly (keyof Entry['measured'])[];

/** A rule against an entry: kept, broken, or still to be measured or looked at. */
export interface InspectedRule {
  readonly key: string;
  readonly verdict: 'kept' | 'broken' | 'open';
  readonly words: string;
  /** Settled by looking, and a tick. */
  readonly byHand: boolean;
}

/**
 * Every rule against an entry, in the order of the rule sheet: sizes by what was measured, with what would pass; kinds of parts and wheels by
 * the design where it is known (`design`); the rest by hand, from what was ticked (`entry.seen`).
 */
export function inspectionOf(entry: Entry, rules: Rules, design: CarDesign | null, format: Format): readonly InspectedRule[] {
  const drawn = new Map((design ? judgeRules(design, limitsOf(rules)) : []).map((rule) => [rule.key as string, rule]));
  return carRules(rules, format).map(({ key, words }): InspectedRule => {
    if (key in MEASURED) {
      const { name, quantity } = MEASURED[key as keyof Entry['measured']];
      const limit = rules[key as keyof Entry['measured']]!;
      const value = entry.measured[key as keyof Entry['measured']];
      const line = drawn.get(key);
      if (value === null)
        return {
          key,
          verdict: 'open',
          words: `${name}: at most ${format(limit, quantity)}${line ? `, ${format(line.value, quantity)} as drawn` : ''}; measure it`,
          byHand: false,
        };
      const isOver = value > limit * (1 + 1e-9);
      return {
        key,
        verdict: isOver ? 'broken' : 'kept',
        words: `${name} ${format(value, quantity)}: ${isOver ? `at most ${format(limit, quantity)} would pass` : `${format(limit, quantity)} allowed`}`,
        byHand: false,
      };
    }
    const least = /^least\.(.+)$/.exec(key)?.[1] as (keyof Entry['measured'] & keyof NonNullable<Rules['least']>) | undefined;
    if (least) {
      const { name, quantity } = MEASURED[least];
      const [limit, value] = [rules.least![least]!, entry.measured[least]];
      if (value === null) return { key, verdict: 'open', words: `${name}: at least ${format(limit, quantity)}; measure it`, byHand: false };
      const isUnder = value < limit * (1 - 1e-9);
      return {
        key,
        verdict: isUnder ? 'broken' : 'kept',
        words: `${name} ${format(value, quantity)}: at least ${format(limit, quantity)} ${isUnder ? 'would pass' : 'asked'}`,
        byHand: false,
      };
    }
    const isSeen = entry.seen?.includes(key) ?? false;
    const judged = drawn.get(key);
    if (judged && !isSeen) {
      const isBroken = judged.verdict === 'broken';
      return {
        key,
        verdict: isBroken ? 'broken' : 'kept',
        words: `as drawn, ${judged.name} ${judged.words(format)}${isBroken ? `; this would pass: ${words}` : ''}`,
        byHand: isBroken,
      };
    }
    return { key, verdict: isSeen ? 'kept' : 'open', words, byHand: true };
  });
}

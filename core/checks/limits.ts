import { judgeRules, type JudgedRule } from '../brief/rules.ts';
import type { Check, CheckVerdict, Situation } from './check.ts';

const VERDICTS: Readonly<Record<JudgedRule['verdict'], CheckVerdict>> = { met: 'good', close: 'warning', broken: 'stop' };
const WORDS: Readonly<Record<JudgedRule['verdict'], string>> = {
  met: '',
  close: ': close to the limit',
  broken: ': not allowed',
};

/** Each rule that the limits set, against the car. */
export function limitChecks({ design }: Situation): Check[] {
  const { limits } = design;
  if (Object.values(limits).every((limit) => limit === null)) return [];
  return judgeRules(design, limits).map(({ key, name, verdict, value, limit, quantity, words }) => ({
    id: `limit-${key}`,
    title: `${name} allowed`,
    value,
    limit,
    limitIs: 'most',
    quantity,
    verdict: VERDICTS[verdict],
    sure: 'sizes',
    sentence: (format) => `${words(format)}${WORDS[verdict]}.`,
    remedies: () => [],
  }));
}

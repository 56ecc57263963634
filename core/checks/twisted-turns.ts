import { twistTurns } from '../car/winding-limits.ts';
import { fewerTurns, longerChain } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** From so much more on it knots and breaks. */
const BREAKS = 0.2;

/** Turns of a twisted band against what it takes before it knots and breaks. */
export function twistedTurns({ design, setup }: Situation): Check | null {
  if (setup.motor.kind !== 'twist') return null;
  const { turns } = setup.motor;
  const limit = twistTurns(setup.motor);
  const verdict = grade(turns, limit, 'most', BREAKS);
  return {
    id: 'twisted-turns',
    title: 'turns that the band takes',
    value: turns,
    limit,
    limitIs: 'most',
    quantity: 'count',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      verdict === 'good'
        ? `The band can take about ${format(Math.round(limit), 'count')} turns; it is wound ${format(turns, 'count')}.`
        : `The band can take about ${format(Math.round(limit), 'count')} turns. Wound ${format(turns, 'count')} turns, it knots${verdict === 'stop' ? ' and breaks. Wear glasses' : ''}.`,
    remedies: (format) => (verdict === 'good' ? [] : [...fewerTurns(design, format), ...longerChain(design)]),
  };
}

import { rubberOf } from '../motor/rubber.ts';
import { fewerTurns, longerChain } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/**
 * Turns that a twisted bundle takes for its length over the root of its section: strands that lie at one slope have gone round so often.
 * Common practice: a band of 3 × 1/8 in takes 40 to 60 turns (50 · √5.04 mm² / 76.2 mm).
 */
const SLOPE = 1.47;
/** From so much more on it knots and breaks. */
const BREAKS = 0.2;

/** Turns of a twisted band against what it takes before it knots and breaks. */
export function twistedTurns({ design, setup }: Situation): Check | null {
  const { motor } = design;
  if (motor.kind !== 'twist' || setup.motor.kind !== 'twist') return null;
  const rubber = rubberOf(setup.motor);
  const limit = (SLOPE * rubber.length) / Math.sqrt(rubber.section);
  const verdict = grade(motor.turns, limit, 'most', BREAKS);
  return {
    id: 'twisted-turns',
    title: 'turns that the band takes',
    value: motor.turns,
    limit,
    limitIs: 'most',
    quantity: 'count',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      verdict === 'good'
        ? `The band can take about ${format(Math.round(limit), 'count')} turns; it is wound ${format(motor.turns, 'count')}.`
        : `The band can take about ${format(Math.round(limit), 'count')} turns. Wound ${format(motor.turns, 'count')} turns, it knots${verdict === 'stop' ? ' and breaks. Wear glasses' : ''}.`,
    remedies: (format) => (verdict === 'good' ? [] : [...fewerTurns(design, format), ...longerChain(design)]),
  };
}

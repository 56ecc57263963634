import { modelOf } from '../motor/motors.ts';
import { stretchOfChain } from '../car/band-chain.ts';
import { safeStretch } from '../car/winding-limits.ts';
import { hasBands } from '../car/motors/motors.ts';
import { fewerTurns, longerChain } from './motor-remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Largest stretch ratio of the rubber against what it stands. Safe stretch: common practice, from memory. */
export function bandStretch({ design, setup }: Situation): Check | null {
  const { motor } = setup;
  const value = modelOf(motor).stretch(motor);
  if (value === null || !hasBands(design.motor)) return null;
  const limit = stretchOfChain(design.motor, safeStretch);
  const verdict = grade(value, limit, 'most', 0.25);
  return {
    id: 'band-stretch',
    title: 'stretch of the band',
    value,
    limit,
    limitIs: 'most',
    quantity: 'count',
    verdict,
    sure: 'rough',
    sentence: (format) =>
      `Fully wound the band is ${format(value, 'count')} times its length${verdict === 'good' ? '' : '; it tires and may break. Wear glasses'}.`,
    remedies: (format) => (verdict === 'good' ? [] : [...fewerTurns(design, format), ...longerChain(design)]),
  };
}

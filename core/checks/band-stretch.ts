import { modelOf } from '../motor/motors.ts';
import { RUBBER } from '../car/catalogue.ts';
import { fewerTurns, longerChain } from './remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Largest stretch ratio of the rubber against what it stands. Safe stretch: common practice, from memory. */
export function bandStretch({ design, setup }: Situation): Check | null {
  const { motor } = setup;
  const value = modelOf(motor).stretch(motor);
  if (value === null) return null;
  const verdict = grade(value, RUBBER.safeStretch, 'most', 0.25);
  return {
    id: 'band-stretch',
    title: 'stretch of the band',
    value,
    limit: RUBBER.safeStretch,
    limitIs: 'most',
    quantity: 'count',
    verdict,
    sure: 'rough',
    sentence: (print) =>
      `Fully wound the band is ${print(value, 'count')} times its length${verdict === 'good' ? '' : '; it tires and may break: glasses on'}.`,
    remedies: () => (verdict === 'good' ? [] : [...fewerTurns(design, 0.15), ...longerChain(design)]),
  };
}

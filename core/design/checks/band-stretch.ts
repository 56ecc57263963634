import { bandAtFullWind } from '../../motor/band.ts';
import { twistStretch } from '../../motor/twist.ts';
import { RUBBER } from '../catalogue.ts';
import { fewerTurns, longerChain } from '../remedies.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Largest stretch ratio of the rubber against what it stands. Safe stretch: common practice, from memory. */
export function bandStretch({ design, setup }: Situation): Check | null {
  const { motor } = setup;
  if (motor.kind === 'lever') return null;
  const value = motor.kind === 'band' ? Math.max(bandAtFullWind(motor).stretch, motor.windingStretch) : twistStretch(motor);
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

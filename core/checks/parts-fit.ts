import { capitalized } from '../capitalized.ts';
import { conflictsOf, fittingAround, misfitOf, nearestAxle } from '../car/fit.ts';
import { CATALOGUE, fitCatalogue } from '../car/parts.ts';
import { SLOTS } from '../car/part-slots.ts';
import { onAxle } from '../car/tape.ts';
import { remedyOf, type Remedy } from './remedy.ts';
import type { Check, Situation } from './check.ts';

/** Parts that do not go together, or a wheel in a size it does not come in. */
export function partsFit({ design }: Situation): Check {
  const conflicts = conflictsOf(design);
  return {
    id: 'parts-fit',
    title: 'parts that go together',
    value: conflicts.length,
    limit: 0,
    limitIs: 'most',
    quantity: 'count',
    verdict: conflicts.length > 0 ? 'warning' : 'good',
    sure: 'sizes',
    sentence: () =>
      conflicts.length === 0
        ? 'Tyres go with wheels, bearings with axles, and wheels and axles come in these sizes.'
        : `${conflicts.map(({ words }) => capitalized(words)).join('. ')}.`,
    remedies: () =>
      conflicts.flatMap(({ slot }): Remedy[] => {
        if (slot === 'driveWheels' || slot === 'otherWheels')
          return [remedyOf('parts', `fit-${slot}`, 'The nearest wheel that is sold', fittingAround(design, slot))];
        if (slot === 'axle') return [remedyOf('parts', 'fit-axle', 'The nearest axle that is sold', onAxle(design, nearestAxle(design)))];
        const key = Object.keys(CATALOGUE[SLOTS[slot].kind]).find((candidate) => misfitOf(design, slot, candidate) === null)!;
        return [remedyOf('parts', `fit-${slot}`, `${CATALOGUE[SLOTS[slot].kind][key]!.label} instead`, fitCatalogue(design, slot, key))];
      }),
  };
}

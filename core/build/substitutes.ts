import type { CarDesign } from '../car/car-design.ts';
import { CATALOGUE, fitCatalogue, fittedKey } from '../car/parts.ts';
import { misfitOf } from '../car/fit.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { predictRun } from '../predict/predict-run.ts';

/** Another part of the catalogue that will do at a place, and what that changes: where the likely run stops before and after, m. */
export interface Substitute {
  readonly slot: PartSlot;
  readonly key: string;
  readonly label: string;
  readonly before: number;
  readonly after: number;
}

const distanceOf = (design: CarDesign): number | null => {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' && !prediction.result.stalled ? prediction.result.distance : null;
};

/**
 * What will do instead at a place of the car, by the model, the furthest first; none that does not fit, that does not run, or that this car
 * has already.
 */
export function substitutesFor(design: CarDesign, slot: PartSlot): readonly Substitute[] {
  const before = distanceOf(design);
  const present = fittedKey(design, slot);
  if (before === null || present === null) return [];
  return Object.entries(CATALOGUE[SLOTS[slot].kind])
    .filter(([key]) => key !== present && misfitOf(design, slot, key) === null)
    .flatMap(([key, { label }]): Substitute[] => {
      const after = distanceOf(fitCatalogue(design, slot, key));
      return after === null ? [] : [{ slot, key, label, before, after }];
    })
    .toSorted((a, b) => b.after - a.after);
}

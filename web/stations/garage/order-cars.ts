import { designForBrief } from '../../../core/brief/brief.ts';
import type { ListedCar, StoredBrief } from '../../../core/schema/stored.ts';
import { attentionRank } from '../../../core/trials/attention.ts';
import { briefOf } from '../../open-car/design-with-brief.ts';
import { knownOfCar } from '../../open-car/known-of-car.ts';

/** The cars with those first that need their builder most; cars alike in that stay in their order. */
export function orderCars(cars: readonly ListedCar[], briefs: readonly StoredBrief[]): readonly ListedCar[] {
  const rankOf = ({ design, runCount }: ListedCar): number => {
    const brief = briefOf(design, briefs)?.brief ?? null;
    return attentionRank(knownOfCar(brief ? designForBrief(design, brief) : design, brief, runCount));
  };
  const ranks = new Map(cars.map((car) => [car.id, rankOf(car)]));
  return cars.toSorted((a, b) => ranks.get(a.id)! - ranks.get(b.id)!);
}

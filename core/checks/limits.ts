import type { Limits } from '../car/car-design.ts';
import { measuresOf } from '../geometry/measures.ts';
import { grade, type Check, type Situation } from './check.ts';

const NAMES = { length: 'length', width: 'width', height: 'height', mass: 'weight', bands: 'bands' } as const;

/** Each limit that the rules set, against the car. */
export function limitChecks({ design }: Situation): Check[] {
  if (Object.values(design.limits).every((limit) => limit === null)) return [];
  const measures = measuresOf(design);
  return (Object.keys(NAMES) as (keyof Limits)[]).flatMap((key) => {
    const limit = design.limits[key];
    if (limit === null) return [];
    const quantity = key === 'mass' ? 'weight' : key === 'bands' ? 'count' : 'size';
    const value = measures[key];
    return [
      {
        id: `limit-${key}`,
        title: `${NAMES[key]} allowed`,
        value,
        limit,
        limitIs: 'most',
        quantity,
        verdict: grade(value, limit, 'most', 0),
        sure: 'sizes',
        sentence: (print) =>
          `${print(value, quantity)} of ${print(limit, quantity)} that the rules allow${value > limit ? ': not allowed to start' : ''}.`,
        remedies: () => [],
      } satisfies Check,
    ];
  });
}

import { useEffect, useState } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Outlook } from '../../core/explore/outlook.ts';
import type { UnitSystem } from '../../core/units/quantity.ts';
import { runTask } from '../workers/explore.ts';
import { QUIET } from '../workers/use-job.ts';

/** Each car is looked at once. */
const known = new WeakMap<CarDesign, Map<UnitSystem, Outlook | null>>();

/** What is to be expected of a car, worked out beside the page once nothing is changed; undefined until it is there. Not asked where it `isWanted` not. */
export function useOutlook(design: CarDesign, units: UnitSystem, isWanted: boolean): Outlook | null | undefined {
  const [, setMade] = useState<unknown>();
  useEffect(() => {
    if (!isWanted || known.get(design)?.has(units)) return undefined;
    let isGone = false;
    const timer = setTimeout(() => {
      const keep = (outlook: Outlook | null): void => {
        known.set(design, (known.get(design) ?? new Map<UnitSystem, Outlook | null>()).set(units, outlook));
        if (!isGone) setMade(outlook ?? design);
      };
      // One that broke down tells nothing: the next thing is reported without it.
      runTask('rounds', (work) => work.outlook(design, units)).then(keep, () => keep(null));
    }, QUIET);
    return () => {
      isGone = true;
      clearTimeout(timer);
    };
  }, [design, units, isWanted]);
  return known.get(design)?.get(units);
}

import { useCallback, useMemo } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { distinguish } from '../../../core/car/distinguish.ts';
import { describeFloor } from '../../../core/car/floors.ts';
import { isSameBuild, isSameContent } from '../../../core/car/same-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import type { useVersions } from '../../open-car/use-versions.ts';
import { useUnits } from '../../ui/use-units.ts';

/** How a design that ran is called: by its version, and by its floor where the car ran on several; without a version by what tells it from the others. */
export function useNameOfDesign(
  runs: readonly RunOfCar[],
  versions: ReturnType<typeof useVersions>['versions'],
): (ran: CarDesign) => string {
  const units = useUnits();
  const isOnFloors = useMemo(() => runs.some(({ design }) => !isSameContent(design.floor, runs[0]!.design.floor)), [runs]);
  const apart = useMemo(() => {
    const ran = new Set(runs.map(({ design }) => design));
    const designs = [...new Map([...ran].map((design) => [JSON.stringify(design), design])).values()];
    const words = distinguish(designs, units);
    return new Map(designs.map((design, i) => [JSON.stringify(design), words[i]!]));
  }, [runs, units]);
  return useCallback(
    (ran) => {
      const version = versions.find(({ record }) => !record.putRight && isSameBuild(record.design, ran))?.record.name;
      if (!version) return apart.get(JSON.stringify(ran)) ?? '';
      return [`“${version}”`, isOnFloors ? describeFloor(ran.floor, formatIn(units)) : ''].filter(Boolean).join(' on ');
    },
    [versions, apart, isOnFloors, units],
  );
}

import { useCallback, useMemo } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeFloor } from '../../../core/car/floors.ts';
import { isSameBuild, isSameContent } from '../../../core/car/same-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import type { useVersions } from '../../open-car/use-versions.ts';
import { useUnits } from '../../ui/use-units.ts';

/** How a design that ran is called: by its version, and by its floor where the car ran on several. */
export function useNameOfDesign(
  runs: readonly RunOfCar[],
  versions: ReturnType<typeof useVersions>['versions'],
): (ran: CarDesign) => string {
  const units = useUnits();
  const isOnFloors = useMemo(() => runs.some(({ design }) => !isSameContent(design.floor, runs[0]!.design.floor)), [runs]);
  return useCallback(
    (ran) => {
      const version = versions.find(({ record }) => !record.putRight && isSameBuild(record.design, ran))?.record.name;
      return [version ? `“${version}”` : '', isOnFloors ? describeFloor(ran.floor, formatIn(units)) : ''].filter(Boolean).join(' on ');
    },
    [versions, isOnFloors, units],
  );
}

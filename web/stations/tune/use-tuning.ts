import { proxy } from 'comlink';
import { useCallback } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import type { ConfirmedCause } from '../../../core/trials/causes.ts';
import type { Repair } from '../../../core/trials/trial-groups.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { useOwnParts } from '../../open-car/use-own-parts.ts';
import { useUnits } from '../../ui/use-units.ts';
import { pooled } from '../../workers/explore.ts';
import { useJob, useWhenQuiet } from '../../workers/use-job.ts';

/** What the runs of a car tell, worked out beside the page whenever car or runs have changed. `design`: null until its aim is known. */
export function useTuning(
  design: CarDesign | null,
  runs: readonly RunOfCar[],
  putRight: readonly Repair[],
  given: readonly ConfirmedCause[],
) {
  const units = useUnits();
  const { parts } = useOwnParts();
  const job = useJob<Tuning>();
  const { run } = job;
  const begin = useCallback(() => {
    if (!design || runs.length === 0) return;
    const own = parts.map(({ part }) => part);
    run((report) =>
      pooled(0).work.tuneCar(
        design,
        runs,
        { own, units, putRight, given },
        proxy((fraction: number) => void report(null, fraction)),
      ),
    );
  }, [run, design, runs, parts, units, putRight, given]);
  useWhenQuiet(begin);
  return job;
}

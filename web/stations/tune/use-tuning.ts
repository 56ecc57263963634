import { proxy } from 'comlink';
import { useCallback, useMemo, useRef } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import type { ConfirmedCause } from '../../../core/trials/causes.ts';
import type { Repair } from '../../../core/trials/trial-groups.ts';
import { measuredRuns, type Tuning } from '../../../core/trials/tuning.ts';
import { useOwnParts } from '../../open-car/use-own-parts.ts';
import { useUnits } from '../../ui/use-units.ts';
import { pooled } from '../../workers/explore.ts';
import { useJob, useWhenQuiet } from '../../workers/use-job.ts';

/**
 * What the runs of a car tell: as they were measured at once, then each part when it is worked out beside the page; whenever car or runs have
 * changed the last that is known stays until all of the new is there.
 * @param aimed the car with its aim; null until that is known
 */
export function useTuning(
  design: CarDesign,
  aimed: CarDesign | null,
  runs: readonly RunOfCar[],
  putRight: readonly Repair[],
  given: readonly ConfirmedCause[],
) {
  const units = useUnits();
  const { parts } = useOwnParts();
  const job = useJob<Tuning>();
  const { run } = job;
  /** Whether all was worked out once: a part would then tell less than what is shown. */
  const isWhole = useRef(false);
  const begin = useCallback(() => {
    if (!aimed || runs.length === 0) return;
    const own = parts.map(({ part }) => part);
    let done = 0;
    run(async (report) => {
      const tuning = await pooled(0).work.tuneCar(
        aimed,
        runs,
        { own, units, putRight, given },
        proxy((fraction: number) => void report(null, (done = fraction))),
        proxy((part: Tuning) => void (isWhole.current || report(part, done))),
      );
      isWhole.current = true;
      return tuning;
    });
  }, [run, aimed, runs, parts, units, putRight, given]);
  useWhenQuiet(begin);
  const measured = useMemo(() => measuredRuns(design, runs, putRight), [design, runs, putRight]);
  return { job, tuning: job.result ?? measured };
}

import { useEffect } from 'react';
import { useStore } from 'react-redux';
import { useReportCarMutation } from '../app/api/classes-api.ts';
import { comparedRunsOf } from '../app/all-runs.ts';
import { useAppSelector, type AppStore } from '../app/store.ts';
import { useListCarsQuery } from '../app/api/cars-api.ts';
import { useBriefOf } from '../open-car/design-with-brief.ts';
import { useIsBuilt } from '../open-car/use-is-built.ts';
import { runTask } from '../workers/explore.ts';

/** ms that a car must be left alone before it is reported: the leader need not follow every drag. */
const QUIET = 4000;

/** Tells the leader of the class what is expected of the car that is open, worked out on this device once it is saved and left alone. */
export function useCrewReports(): void {
  const store = useStore() as AppStore;
  const [report] = useReportCarMutation();
  const open = useAppSelector((state) => (state.design?.save === 'saved' ? state.design : null));
  const { data: cars } = useListCarsQuery();
  const runCount = cars?.readable.find(({ id }) => id === open?.id)?.runCount ?? 0;
  const brief = useBriefOf(open?.base ?? {})?.brief ?? null;
  const isBuilt = useIsBuilt(open?.id ?? '') || runCount > 0;
  const [carId, carVersion, design] = [open?.id, open?.baseVersion, open?.base];
  useEffect(() => {
    if (carId === undefined || carVersion === undefined || !design || !brief) return;
    let isLeft = false;
    const work = async (): Promise<void> => {
      const runs = await comparedRunsOf(store.dispatch, carId);
      const made = await runTask('rounds', (worker) => worker.crewReport({ carId, carVersion, design, brief, runs, isBuilt }));
      if (!isLeft) await report(made);
    };
    // Nobody waits for it: what cannot be told now is told with the next change.
    const timer = setTimeout(() => void work().catch((reason: unknown) => console.error(reason)), QUIET);
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
  }, [store, report, carId, carVersion, design, brief, runCount, isBuilt]);
}

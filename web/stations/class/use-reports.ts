import { useEffect, useRef } from 'react';
import type { CrewReport } from '../../../core/schema/generated/crew-report.ts';
import type { CrewStanding } from '../../../core/schema/crew-standing.ts';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { classesApi, useReportForCrewMutation } from '../../app/api/classes-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { runTask } from '../../workers/explore.ts';
import { runsOfCrew } from './use-class-actions.ts';

/** What was reported of the car that a crew works on; of another car it tells nothing. */
export const reportOf = ({ report, car }: CrewStanding): CrewReport | null => (report && report.carId === car?.id ? report : null);

/**
 * Works out what is expected of the cars of crews that no device works for just now, where that was not reported of the car as it is: one after
 * the other, each once.
 */
export function useReportsOfAbsent({ class: { brief } }: StoredClass, crews: readonly CrewStanding[]): void {
  const dispatch = useAppDispatch();
  const [send] = useReportForCrewMutation();
  const tried = useRef(new Set<string>());
  const absent = crews.find((crew) => crew.car !== null && crew.devices === 0 && reportOf(crew)?.carVersion !== crew.car.version);
  const [crewId, carId, carVersion, hasRuns] = [absent?.crewId, absent?.car?.id, absent?.car?.version, (absent?.runs ?? 0) > 0];
  useEffect(() => {
    if (crewId === undefined || carId === undefined || carVersion === undefined) return;
    const key = `${crewId} ${carId} ${carVersion}`;
    if (tried.current.has(key)) return;
    tried.current.add(key);
    const work = async (): Promise<void> => {
      const asked = classesApi.endpoints.getCrewCar.initiate({ crewId, carId }, { subscribe: false, forceRefetch: true });
      const { design } = await dispatch(asked).unwrap();
      const runs = (await runsOfCrew(dispatch, crewId, carId)).map(({ run: { record }, design: ran }) => ({ record, design: ran }));
      const report = await runTask('field', (worker) => worker.crewReport({ carId, carVersion, design, brief, runs, isBuilt: hasRuns }));
      await send({ crewId, report });
    };
    // One that cannot be told stays without figures until it changes.
    void work().catch((reason: unknown) => console.error(reason));
  }, [dispatch, send, brief, crewId, carId, carVersion, hasRuns]);
}

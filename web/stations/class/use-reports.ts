import { useEffect, useMemo, useState } from 'react';
import type { CrewReport } from '../../../core/schema/generated/crew-report.ts';
import type { CrewStanding } from '../../../core/schema/crew-standing.ts';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { classesApi } from '../../app/api/classes-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { runTask } from '../../workers/explore.ts';
import { runsOfCrew } from './use-class-actions.ts';

const keyOf = ({ car, runs }: CrewStanding): string => `${car?.id} ${car?.version} ${runs}`;

/**
 * Crews with what is expected of their cars: as their own devices reported it; of a crew that no device works for just now, and whose report
 * is missing or old, worked out here, one after the other.
 */
export function useReports({ class: { brief } }: StoredClass, crews: readonly CrewStanding[] | null): readonly CrewStanding[] | null {
  const dispatch = useAppDispatch();
  const [made, setMade] = useState<ReadonlyMap<string, CrewReport>>(new Map());
  const next = crews?.find((crew) => {
    const { car, report, devices } = crew;
    const isReported = report !== null && report.carId === car?.id && (devices > 0 || report.carVersion === car.version);
    return car !== null && !isReported && !made.has(keyOf(crew));
  });
  const wanted = next?.car ? keyOf(next) : null;
  const [crewId, carId, carVersion, hasRuns] = [next?.crewId, next?.car?.id, next?.car?.version, (next?.runs ?? 0) > 0];
  useEffect(() => {
    if (wanted === null || crewId === undefined || carId === undefined || carVersion === undefined) return;
    let isLeft = false;
    const work = async (): Promise<void> => {
      const { design } = await dispatch(
        classesApi.endpoints.getCrewCar.initiate({ crewId, carId }, { subscribe: false, forceRefetch: true }),
      ).unwrap();
      const runs = (await runsOfCrew(dispatch, crewId, carId)).map(({ run: { record }, design: ran }) => ({ record, design: ran }));
      const report = await runTask('field', (worker) => worker.crewReport({ carId, carVersion, design, brief, runs, isBuilt: hasRuns }));
      if (!isLeft) setMade((before) => new Map(before).set(wanted, report));
    };
    // One that cannot be told stays without figures until it changes.
    void work().catch((reason: unknown) => console.error(reason));
    return () => void (isLeft = true);
  }, [dispatch, brief, wanted, crewId, carId, carVersion, hasRuns]);
  return useMemo(() => crews && crews.map((crew) => ({ ...crew, report: made.get(keyOf(crew)) ?? reportOf(crew) })), [crews, made]);
}

/** What was reported of the car that a crew works on; of another car it tells nothing. */
const reportOf = ({ report, car }: CrewStanding): CrewReport | null => (report && report.carId === car?.id ? report : null);

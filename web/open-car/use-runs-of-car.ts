import { useMemo } from 'react';
import { isReadable, type ListedRun } from '../../core/schema/stored.ts';
import type { RunOfCar } from '../../core/trials/compared-runs.ts';
import { useListRunsQuery } from '../app/api/runs-api.ts';

/** The newest runs of a car, a page of the list or two, with the car as it ran; null until they are there. */
export function useRunsOfCar(carId: string): {
  readonly runs: readonly RunOfCar[] | null;
  readonly total: number;
  readonly error: unknown;
} {
  const first = useListRunsQuery({ carId, filter: null, page: 0 });
  const hasMore = (first.data?.total ?? 0) > (first.data?.runs.length ?? 0);
  const second = useListRunsQuery({ carId, filter: null, page: 1 }, { skip: !hasMore });
  const runs = useMemo((): readonly RunOfCar[] | null => {
    if (!first.data || (hasMore && !second.data)) return null;
    return [first.data, ...(hasMore && second.data ? [second.data] : [])].flatMap((page) =>
      page.runs
        .filter((run): run is ListedRun => isReadable<ListedRun>(run))
        .flatMap(({ id, version, record, designId }) => {
          const design = page.designs[designId];
          return design ? [{ id, version, record, design }] : [];
        }),
    );
  }, [first.data, second.data, hasMore]);
  return { runs, total: first.data?.total ?? 0, error: first.error ?? second.error };
}

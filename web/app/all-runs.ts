import type { RunRecord } from '../../core/car/car-design.ts';
import type { RunOfCar } from '../../core/trials/compared-runs.ts';
import { isReadable, type ListedRun } from '../../core/schema/stored.ts';
import { problemLine } from './api/problem.ts';
import { RUNS_ON_A_PAGE, runsApi } from './api/runs-api.ts';
import type { AppDispatch } from './store.ts';
import { toasted } from './toasts-slice.ts';

/** Every readable run of a car with the design it was made with, the oldest first, page by page; null where one cannot be fetched, which is reported. */
export async function allRunsOf(dispatch: AppDispatch, carId: string): Promise<readonly RunRecord[] | null> {
  const runs: RunRecord[] = [];
  for (let page = 0; ; page++) {
    const { data, error } = await dispatch(
      runsApi.endpoints.listRuns.initiate({ carId, filter: { order: 'oldest' }, page }, { subscribe: false, forceRefetch: true }),
    );
    if (!data) {
      dispatch(toasted(problemLine(error), { tone: 'stop' }));
      return null;
    }
    for (const run of data.runs.filter((one): one is ListedRun => isReadable<ListedRun>(one)))
      runs.push({ ...run.record, design: data.designs[run.designId]! });
    if ((page + 1) * RUNS_ON_A_PAGE >= data.total) return runs;
  }
}

/** The same as the core compares them: each record beside the design it was made with; none where one cannot be fetched. */
export const comparedRunsOf = async (dispatch: AppDispatch, carId: string): Promise<readonly RunOfCar[]> =>
  ((await allRunsOf(dispatch, carId)) ?? []).map(({ design, ...record }) => ({ record, design }));

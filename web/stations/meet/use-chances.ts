import { useCallback, useEffect, useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { ChancesOverEvening, EveningForecast, KnownCar } from '../../../core/meet/evening.ts';
import type { Meet, StandingResult } from '../../../core/meet/meet.ts';
import { comparedRunsOf } from '../../app/all-runs.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { pooled } from '../../workers/explore.ts';
import { useJob, useWhenQuiet } from '../../workers/use-job.ts';

/** The cars of a meet's entries as they are known here, with their runs; null until they are read. */
function useKnownCars({ entries }: Meet): ReadonlyMap<string, KnownCar | null> | null {
  const dispatch = useAppDispatch();
  const { data: cars } = useListCarsQuery();
  const [known, setKnown] = useState<ReadonlyMap<string, KnownCar | null> | null>(null);
  // Of the entries only which cars they are: runs are read again when that changes, not with every result.
  const listed = JSON.stringify(entries.map(({ id, carId }) => [id, carId]));
  const wanted = useMemo(
    () =>
      cars &&
      (JSON.parse(listed) as [id: string, carId: string | null][]).map(
        ([id, carId]): readonly [string, string | null, CarDesign | null] => [
          id,
          carId,
          cars.readable.find((car) => car.id === carId)?.design ?? null,
        ],
      ),
    [cars, listed],
  );
  useEffect(() => {
    let isLeft = false;
    if (!wanted) return;
    void Promise.all(
      wanted.map(async ([id, carId, design]): Promise<readonly [string, KnownCar | null]> => {
        if (!carId || !design) return [id, null];
        return [id, { design, runs: await comparedRunsOf(dispatch, carId) }];
      }),
    ).then((read) => !isLeft && setKnown(new Map(read)));
    return () => void (isLeft = true);
  }, [dispatch, wanted]);
  return known;
}

/** What the evening, or what is left of it, may come to; worked out beside the page whenever a result comes in. */
export function useChances(meet: Meet, results: readonly StandingResult[]) {
  const known = useKnownCars(meet);
  const job = useJob<Chances>();
  const { run } = job;
  const begin = useCallback(() => {
    if (!known || meet.entries.length === 0) return;
    run(async (report) => {
      const { work } = pooled(0);
      const now = await work.forecastEvening(meet, results, known);
      report({ now, over: null }, SHARE_OF_NOW);
      return { now, over: results.length > 0 ? await work.chancesOverEvening(meet, results, known) : null };
    });
  }, [run, known, meet, results]);
  useWhenQuiet(begin);
  return job;
}

/** What a meet may come to, and how the chances moved so far; null until that is known, or before the first result. */
export interface Chances {
  readonly now: EveningForecast;
  readonly over: ChancesOverEvening | null;
}
/** Of the work for both. */
const SHARE_OF_NOW = 0.3;

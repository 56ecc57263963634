import { useEffect, useState } from 'react';
import { firstCar } from '../../../core/brief/new-brief.ts';
import { designForRound } from '../../../core/brief/brief.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { timedRun, type Entrant } from '../../../core/explore/race.ts';
import { distanceOf } from '../../../core/meet/meet.ts';
import { isReadable, type StoredCar } from '../../../core/schema/stored.ts';
import { meetsApi } from '../../app/api/meets-api.ts';
import { runsApi } from '../../app/api/runs-api.ts';
import { versionsApi } from '../../app/api/versions-api.ts';
import { useAppDispatch, type AppDispatch } from '../../app/store.ts';
import { readSource, writeSource, type RaceSource } from '../../app/race-address.ts';

const named = (design: CarDesign, name: string): CarDesign => ({ ...design, name });
const day = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' });
const ONCE = { subscribe: false } as const;

/** A result of a meet as it was timed; null where no time was taken. */
async function ofResult(
  dispatch: AppDispatch,
  { meetId, id }: Extract<RaceSource, { kind: 'result' }>,
  cars: readonly StoredCar[],
): Promise<Entrant | null> {
  const [{ data: meet }, { data: entries }, { data: results }] = await Promise.all([
    dispatch(meetsApi.endpoints.getMeet.initiate(meetId, ONCE)),
    dispatch(meetsApi.endpoints.listEntries.initiate(meetId, ONCE)),
    dispatch(meetsApi.endpoints.listResults.initiate(meetId, ONCE)),
  ]);
  const stored = results?.readable.find((one) => one.id === id);
  const result = stored?.result;
  const entry = entries?.readable.find((one) => one.id === result?.entry)?.entry.entry;
  if (!meet || !result || !entry || result.outcome.kind !== 'ran') return null;
  const { brief } = meet.meet;
  const round = brief.rounds[result.round]!;
  const { goal } = round;
  const { time, splits = [] } = result.outcome;
  const marks = [...splits, ...(time !== undefined && 'distance' in goal ? [{ at: goal.distance, time }] : [])];
  const timed = timedRun(distanceOf(result.outcome) ?? 0, undefined, marks);
  if (!timed) return null;
  const design = cars.find((car) => car.id === entry.carId)?.design ?? firstCar(entry.car, null, { id: '', brief });
  return {
    id: writeSource({ kind: 'result', meetId, id }),
    design: named(designForRound(design, brief, round), `${entry.car}, as timed`),
    timed,
  };
}

async function entrantOf(dispatch: AppDispatch, source: RaceSource, cars: readonly StoredCar[]): Promise<Entrant | null> {
  const id = writeSource(source);
  if (source.kind === 'result') return ofResult(dispatch, source, cars);
  const car = cars.find((one) => one.id === source.carId);
  if (!car) return null;
  if (source.kind === 'car') return { id, design: car.design };
  if (source.kind === 'version') {
    const { data } = await dispatch(versionsApi.endpoints.listVersions.initiate(source.carId, ONCE));
    const version = data?.readable.find((one) => one.id === source.id)?.record;
    return version ? { id, design: named(version.design, `${car.design.name}, “${version.name}”`) } : null;
  }
  const { data: run } = await dispatch(runsApi.endpoints.getRun.initiate({ carId: source.carId, id: source.id }, ONCE));
  if (!run || !isReadable(run)) return null;
  const { design, wind, outcome, time, splits, ranAt } = run.record;
  const when = `${car.design.name}, ${day.format(new Date(ranAt))}`;
  if (source.kind === 'model') return { id, design: named(design, `${when}, its model`), wind };
  const timed = timedRun(outcome.distance, outcome.kind === 'stopped' ? time : undefined, splits);
  return timed && { id, design: named(design, `${when}, as timed`), timed };
}

/** What an address asks to race, looked up; what is not there, or was not timed, is left out. Null until it is read. */
export function useEntrants(written: readonly string[], cars: readonly StoredCar[] | undefined): readonly Entrant[] | null {
  const dispatch = useAppDispatch();
  const [known, setKnown] = useState<{
    readonly key: string;
    readonly cars: readonly StoredCar[];
    readonly list: readonly Entrant[];
  } | null>(null);
  const key = written.join();
  useEffect(() => {
    if (!cars) return;
    let isLeft = false;
    const sources = key === '' ? [] : key.split(',').flatMap((one) => readSource(one) ?? []);
    void Promise.all(sources.map((source) => entrantOf(dispatch, source, cars))).then((list) => {
      if (!isLeft) setKnown({ key, cars, list: list.flatMap((one) => one ?? []) });
    });
    return () => void (isLeft = true);
  }, [dispatch, key, cars]);
  return known && known.key === key && known.cars === cars ? known.list : null;
}

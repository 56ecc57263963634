import { useState } from 'react';
import { useNavigate } from 'react-router';
import { newEntry, newMeet } from '../../../core/meet/new-meet.ts';
import { classData, type ClassRun } from '../../../core/learn/class-data.ts';
import { isReadable, type ListedCar, type ListedRun, type StoredClass } from '../../../core/schema/stored.ts';
import { classesApi, useCopyHandedInMutation, useHandInMutation } from '../../app/api/classes-api.ts';
import { useSaveMeetMutation } from '../../app/api/meets-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { newId } from '../../app/new-id.ts';
import { useAppDispatch, type AppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { downloadCsv, fileName } from '../../ui/file-exchange.ts';
import type { ChangeClass } from './use-class.ts';

/** Every run of a car of a crew, the oldest first. Throws what could not be read. */
export async function runsOfCrew(dispatch: AppDispatch, crewId: string, carId: string) {
  const runs: { readonly run: ListedRun; readonly design: ClassRun['record']['design'] }[] = [];
  for (let offset = 0; ;) {
    const page = await dispatch(
      classesApi.endpoints.listCrewRuns.initiate({ crewId, carId, offset }, { subscribe: false, forceRefetch: true }),
    ).unwrap();
    for (const run of page.runs) if (isReadable<ListedRun>(run)) runs.push({ run, design: page.designs[run.designId]! });
    offset += page.runs.length;
    if (offset >= page.total || page.runs.length === 0) return runs;
  }
}

/** What is done with a class as a whole. */
export function useClassActions(stored: StoredClass | null, change: ChangeClass) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [handIn, handing] = useHandInMutation();
  const [copyHandedIn, copying] = useCopyHandedInMutation();
  const [saveMeet] = useSaveMeetMutation();
  const [isClearing, setClearing] = useState(false);
  const fail = (error: unknown): void => void dispatch(toasted(problemLine(error), { tone: 'stop' }));
  return {
    isBusy: handing.isLoading || copying.isLoading,
    handIn: async (isHandedIn: boolean): Promise<void> => {
      if (!stored) return;
      const { error } = await handIn({ classId: stored.id, isHandedIn });
      if (error) return fail(error);
      dispatch(toasted(isHandedIn ? 'Each crew’s car is saved as a version. Cars can no longer be changed' : 'Cars can be changed again'));
    },
    makeMeet: async (): Promise<void> => {
      if (!stored) return;
      const { data: cars, error } = await copyHandedIn(stored.id);
      if (!cars) return fail(error);
      if (cars.length === 0) return void dispatch(toasted('No crew has a car yet', { tone: 'stop' }));
      const id = newId();
      const meet = newMeet({
        name: stored.class.name,
        date: new Date().toISOString().slice(0, 10),
        brief: stored.class.brief,
        seed: Math.floor(Math.random() * 1_000_000),
        entries: cars.map(({ crew, car, carId }) => newEntry({ id: newId(), crew, car, carId })),
      });
      const answer = await saveMeet({ id, baseVersion: 0, content: meet });
      if (answer.error) return fail(answer.error);
      if (await change((present) => ({ ...present, meet: id }))) await navigate(`/meets/${id}`);
    },
    /** Every run of every crew, with the car as it ran. */
    exportRuns: async (): Promise<void> => {
      if (!stored) return;
      try {
        const all: ClassRun[] = [];
        for (const crew of stored.class.crews) {
          const cars = await dispatch(
            classesApi.endpoints.listCarsOfCrew.initiate(crew.id, { subscribe: false, forceRefetch: true }),
          ).unwrap();
          for (const car of cars.filter((one): one is ListedCar => isReadable<ListedCar>(one)))
            for (const { run, design } of await runsOfCrew(dispatch, crew.id, car.id))
              all.push({ car: `${crew.name}: ${car.design.name}`, record: { ...run.record, design } });
        }
        await downloadCsv(`${fileName(stored.class.name)}.csv`, classData(all));
      } catch (error) {
        fail(error);
      }
    },
    isClearing,
    askToClear: () => setClearing(true),
    keep: () => setClearing(false),
  };
}

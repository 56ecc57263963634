import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { hasPart, refreshOwnPart } from '../../core/bench/apply-to-part.ts';
import type { OwnPart } from '../../core/car/part-slots.ts';
import { isSameDesign } from '../../core/car/same-design.ts';
import { carsApi, useSaveCarMutation } from '../app/api/cars-api.ts';
import { problemLine } from '../app/api/problem.ts';
import { useAppDispatch, type AppStore } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { useEditCar } from '../open-car/use-open-car.ts';

/** Every car that has a part of the builder's own comes to know it as it is known now; the one that is open as an edit of its own. */
export function useUpdateCarsWithPart() {
  const dispatch = useAppDispatch();
  const [save] = useSaveCarMutation();
  const store = useStore() as AppStore;
  const edit = useEditCar();
  return useCallback(
    async (part: OwnPart): Promise<void> => {
      const openCar = store.getState().design?.id;
      const { data: cars } = await dispatch(carsApi.endpoints.listCars.initiate(undefined, { subscribe: false, forceRefetch: true }));
      const problems: string[] = [];
      for (const { id, version, design } of cars?.readable ?? []) {
        if (hasPart(design, part).length === 0) continue;
        if (id === openCar) {
          edit((car) => refreshOwnPart(car, part));
          continue;
        }
        const known = refreshOwnPart(design, part);
        if (isSameDesign(known, design)) continue;
        const answer = await save({ id, baseVersion: version, content: known });
        if (answer.error) dispatch(toasted(`${design.name}: ${problemLine(answer.error)}`, { tone: 'stop' }));
        else problems.push(design.name);
      }
      dispatch(toasted(problems.length > 0 ? `“${part.name}” is updated in ${problems.join(', ')} too` : `“${part.name}” is in My parts`));
    },
    [dispatch, save, store, edit],
  );
}

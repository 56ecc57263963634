import { useNavigate } from 'react-router';
import type { CarDesign, MotorKind } from '../../core/car/car-design.ts';
import { freeName } from '../../core/brief/free-name.ts';
import { newCar, woundByFeel } from '../../core/car/new-car.ts';
import { formatFault } from '../../core/fault-words.ts';
import type { ListedCar } from '../../core/schema/stored.ts';
import { carsApi, useRemoveCarMutation, useSaveCarMutation } from './api/cars-api.ts';
import { problemLine } from './api/problem.ts';
import { useSaveBrief } from './use-briefs.ts';
import { carVisited } from './preferences-slice.ts';
import { useAppDispatch, useAppSelector } from './store.ts';
import { toasted } from './toasts-slice.ts';
import { newId } from './new-id.ts';

/** What can be done with cars in the Garage. */
export function useCars() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const lastCar = useAppSelector((state) => state.preferences.lastCar);
  const { add: addBrief } = useSaveBrief();
  const [save] = useSaveCarMutation();
  const [remove] = useRemoveCarMutation();
  const fail = (error: unknown): void => void dispatch(toasted(problemLine(error), { tone: 'stop' }));

  const add = async (design: CarDesign): Promise<void> => {
    const id = newId();
    const { data: cars } = await dispatch(carsApi.endpoints.listCars.initiate(undefined, { subscribe: false }));
    const answer = await save({
      id,
      baseVersion: 0,
      content: {
        ...design,
        name: freeName(
          design.name,
          (cars?.readable ?? []).map((car) => car.design.name),
        ),
      },
    });
    if (answer.error) fail(answer.error);
    else await navigate(`/cars/${id}/design`);
  };
  return {
    add,
    addNew: (kind: MotorKind) => add(woundByFeel(newCar('New car', kind))),
    duplicate: (car: ListedCar) => add(car.design),
    /** Opens a car or brief file; an archive is handed on, to be looked into first. */
    openFile: async (file: File, onArchive: (file: File) => void) => {
      if (/\.zip$/i.test(file.name) || file.type === 'application/zip') return onArchive(file);
      // Reading files takes a fair piece of program: it is fetched when a file is opened.
      const { formatOf, readBrief, readCarDesign, readJson } = await import('../../core/files/read.ts');
      const text = await file.text();
      const isBrief = formatOf(text) === 'nimble-axle/brief';
      const read = isBrief ? readJson(text, readBrief) : readJson(text, readCarDesign);
      if (read.kind === 'read') return 'rounds' in read.value ? addBrief(read.value) : add(read.value);
      const [first, ...more] = read.faults;
      const rest = more.length > 0 ? ` (and ${more.length} more)` : '';
      const what = isBrief ? 'brief' : 'car';
      dispatch(toasted(`${file.name} is not a ${what} file this app can open: ${formatFault(first!)}${rest}`, { tone: 'stop' }));
    },
    remove: async (id: string, name: string) => {
      const answer = await remove(id);
      if (answer.error) return fail(answer.error);
      if (lastCar === id) dispatch(carVisited(null));
      dispatch(toasted(`${name} was removed`, { undoing: { kind: 'car', id } }));
    },
  };
}

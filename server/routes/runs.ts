import { Router, type Request } from 'express';
import type { RunRecord } from '../../core/car/car-design.ts';
import type { Fault } from '../../core/fault.ts';
import { readRunRecord } from '../../core/files/read.ts';
import type { StoredRun } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { faulty } from '../problem.ts';
import type { CarQueries } from '../queries/cars.ts';
import type { RunChoice, RunQueries } from '../queries/runs.ts';
import { carOf, ofCarHere } from './car-of.ts';
import { keepRoutes } from './keep.ts';
import { pageOf } from './page-of.ts';

/** Groups of like runs that are told, the newest first. */
const MOST_TALLIES = 200;
/** Designs that may be asked for at once: one car under so many names. */
const MOST_DESIGNS = 50;

/** Which runs are asked for: `?designs=ID,ID&wind=full` or `&wind=12.5` (turns). */
function choiceOf({ query: { designs, wind } }: Request): RunChoice & { readonly faults: readonly Fault[] } {
  const faults: Fault[] = [];
  const ids = designs === undefined ? [] : String(designs).split(',');
  if (ids.length > MOST_DESIGNS || ids.some((id) => !/^[0-9a-f]{64}$/.test(id)))
    faults.push({ path: 'designs', code: 'expected', what: `ids of designs, at most ${MOST_DESIGNS}, with commas between` });
  const turns = wind === undefined ? undefined : wind === 'full' ? null : typeof wind === 'string' && wind !== '' ? Number(wind) : NaN;
  if (typeof turns === 'number' && !Number.isFinite(turns))
    faults.push({ path: 'wind', code: 'expected', what: '"full" or a number of turns' });
  return { designs: ids, turns, faults };
}

/** Measured runs of a car: pages of the list, like runs added up, one run; mounted below /cars/:carId. */
export function runRoutes(store: Store, runs: RunQueries, cars: CarQueries): Router {
  const router = Router({ mergeParams: true });
  router.use(ofCarHere(cars));
  router.get('/', (request, response) => {
    const page = pageOf(request);
    const { faults, ...choice } = choiceOf(request);
    const wrong = [...page.faults, ...faults];
    if (wrong.length > 0) return faulty(response, wrong);
    response.json(runs.page(carOf(request), choice, page.offset, page.limit));
  });
  router.get('/tallies', (request, response) => void response.json(runs.tallies(carOf(request), MOST_TALLIES)));
  router.use(
    keepRoutes<StoredRun, RunRecord>({
      store,
      what: 'run',
      key: 'record',
      read: readRunRecord,
      placeOf: (request) => {
        const carId = carOf(request);
        return {
          get: (id) => runs.get(id, carId),
          write: (id, base, record, now) => runs.write(id, carId, base, record, now),
          remove: (id, at) => runs.remove(id, carId, at),
          restore: (id) => runs.restore(id, carId),
        };
      },
    }),
  );
  return router;
}

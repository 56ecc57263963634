import { Router, type Request } from 'express';
import type { RunRecord } from '../../core/car/car-design.ts';
import type { Fault } from '../../core/fault.ts';
import { readCarDesign, readRunRecord } from '../../core/files/read.ts';
import type { StoredRun } from '../../core/schema/stored.ts';
import { commit } from '../commit.ts';
import type { Store } from '../database.ts';
import { faulty } from '../problem.ts';
import type { CarQueries } from '../queries/cars.ts';
import { RUN_ORDERS, type RunChoice, type RunOrder } from '../queries/run-pages.ts';
import type { NewRun, RunQueries } from '../queries/runs.ts';
import { historyQueries } from '../queries/documents.ts';
import { repositoryOf } from '../queries/repository.ts';
import { allowed } from '../rights.ts';
import { carOf, ofCarHere } from './car-of.ts';
import { resourceRoutes, UUID } from './resource-routes.ts';
import { parsePagination } from './pagination.ts';

/** Groups of like runs that are reported, the newest first. */
const MOST_TALLIES = 200;
/** Designs that may be asked for at once: one car under so many names. */
const MOST_DESIGNS = 50;

/** Which runs are asked for: `?designs=ID,ID&wind=full` or `&wind=12.5` (turns), `&session=ID`, `&order=furthest`. */
function choiceOf({ query: { designs, wind, session, order = 'newest' } }: Request): RunChoice & { readonly faults: readonly Fault[] } {
  const faults: Fault[] = [];
  const ids = designs === undefined ? [] : String(designs).split(',');
  if (ids.length > MOST_DESIGNS || ids.some((id) => !/^[0-9a-f]{64}$/.test(id)))
    faults.push({ path: 'designs', code: 'expected', what: `ids of designs, at most ${MOST_DESIGNS}, with commas between` });
  const turns = wind === undefined ? undefined : wind === 'full' ? null : typeof wind === 'string' && wind !== '' ? Number(wind) : NaN;
  if (typeof turns === 'number' && !Number.isFinite(turns))
    faults.push({ path: 'wind', code: 'expected', what: '"full" or a number of turns' });
  if (session !== undefined && !/^[0-9a-f-]{36}$/.test(String(session)))
    faults.push({ path: 'session', code: 'expected', what: 'the id of a session' });
  if (!Object.hasOwn(RUN_ORDERS, String(order))) faults.push({ path: 'order', code: 'choice', among: Object.keys(RUN_ORDERS) });
  return {
    designs: ids,
    turns,
    session: session === undefined ? undefined : String(session),
    order: order as RunOrder,
    faults,
  };
}

/** Runs that may be added at once. */
const MOST_ADDED = 200;

/** Runs to be added, made with one design: `{ design, runs: [{ id, record }] }`, each record without its design. */
function addedIn(body: unknown): { readonly runs: readonly NewRun[]; readonly faults: readonly Fault[] } {
  const { design, runs } = (body ?? {}) as { design?: unknown; runs?: unknown };
  if (!Array.isArray(runs) || runs.length === 0 || runs.length > MOST_ADDED)
    return { runs: [], faults: [{ path: 'runs', code: 'expected', what: `a list of 1 to ${MOST_ADDED} runs` }] };
  const car = readCarDesign(design);
  if (car.kind === 'faulty')
    return { runs: [], faults: car.faults.map((fault) => ({ ...fault, path: `design${fault.path && '.'}${fault.path}` })) };
  const read = (runs as unknown[]).map((item, i) => {
    const { id, record } = (item ?? {}) as { id?: unknown; record?: unknown };
    const lowercaseId = typeof id === 'string' ? id.toLowerCase() : '';
    const run = readRunRecord(typeof record === 'object' ? { ...record, design: car.value } : record);
    const faults: Fault[] = [
      ...(UUID.test(lowercaseId) ? [] : [{ path: `runs[${i}].id`, code: 'expected', what: 'a UUID' } as const]),
      ...(run.kind === 'faulty' ? run.faults.map((fault) => ({ ...fault, path: `runs[${i}].record.${fault.path}` })) : []),
    ];
    return { run: run.kind === 'read' ? { id: lowercaseId, record: run.value } : null, faults };
  });
  return { runs: read.flatMap(({ run }) => run ?? []), faults: read.flatMap(({ faults }) => faults) };
}

/** Measured runs of a car: pages of the list, like runs added up, one run; mounted below /cars/:carId. */
export function runRoutes(store: Store, runs: RunQueries, cars: CarQueries): Router {
  const router = Router({ mergeParams: true });
  router.use(allowed('run'), ofCarHere(cars));
  router.get('/', (request, response) => {
    const page = parsePagination(request);
    const { faults, ...choice } = choiceOf(request);
    const wrong = [...page.faults, ...faults];
    if (wrong.length > 0) return faulty(response, wrong);
    response.json(runs.page(carOf(request), choice, page.offset, page.limit));
  });
  router.get('/tallies', (request, response) => void response.json(runs.tallies(carOf(request), MOST_TALLIES)));
  router.get('/sessions', (request, response) => void response.json(runs.sessionSums(carOf(request))));
  router.post('/', async (request, response) => {
    const { runs: added, faults } = addedIn(request.body);
    if (faults.length > 0) return faulty(response, faults);
    const stored = await commit(store, () => runs.addAll(carOf(request), added, new Date().toISOString()));
    response.json({ stored, known: added.length - stored });
  });
  router.use(
    resourceRoutes<StoredRun, RunRecord>({
      store,
      kind: 'run',
      read: readRunRecord,
      placeOf: (request) => repositoryOf(runs, carOf(request)),
      isOwn: (request, _record, carId) => carOf(request) === carId,
      earlier: historyQueries(store.db, 'run'),
    }),
  );
  return router;
}

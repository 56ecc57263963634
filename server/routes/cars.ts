import { Router } from 'express';
import { readCarDesign } from '../../core/files/read.ts';
import type { StoredCar } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { faulty } from '../problem.ts';
import type { CarQueries } from '../queries/cars.ts';
import { allowed } from '../rights.ts';
import { parsePagination } from './pagination.ts';
import { resourceRoutes } from './resource-routes.ts';

/** Cars: the list with its results, one car, and the designs it had before. */
export function carRoutes(store: Store, cars: CarQueries): Router {
  const router = Router();
  router.use(allowed('car'));
  router.get('/', (_request, response) => void response.json(cars.list()));
  router.get('/:id/history', (request, response) => {
    const { before } = request.query;
    const { limit, faults } = parsePagination(request);
    const version = before === undefined ? Number.MAX_SAFE_INTEGER : Number(before);
    if (!Number.isSafeInteger(version)) return faulty(response, [{ path: 'before', code: 'expected', what: 'a version of the car' }]);
    if (faults.length > 0) return faulty(response, faults);
    response.json(cars.earlier(request.params.id, version, limit));
  });
  router.use(resourceRoutes<StoredCar, StoredCar['design']>({ store, kind: 'car', read: readCarDesign, placeOf: () => cars }));
  return router;
}

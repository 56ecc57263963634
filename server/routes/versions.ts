import { Router } from 'express';
import type { CarVersion } from '../../core/car/car-design.ts';
import type { Fault } from '../../core/fault.ts';
import { readCarVersion } from '../../core/files/read.ts';
import type { StoredVersion } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import type { CarQueries } from '../queries/cars.ts';
import type { VersionQueries } from '../queries/versions.ts';
import { repositoryOf } from '../queries/repository.ts';
import { allowed } from '../rights.ts';
import { carOf, ofCarHere } from './car-of.ts';
import { resourceRoutes } from './resource-routes.ts';

/** Versions of a car, saved by name; mounted below /cars/:carId. */
export function versionRoutes(store: Store, versions: VersionQueries, cars: CarQueries): Router {
  const router = Router({ mergeParams: true });
  router.use(allowed('version'), ofCarHere(cars));
  router.get('/', (request, response) => void response.json(versions.ofCar(carOf(request))));
  const parentFaults = (id: string, carId: string, parent: string | null): Fault[] => {
    if (parent === null) return [];
    const line = versions.lineOf(parent, carId);
    if (line.length === 0 && parent !== id) return [{ path: 'parent', code: 'not-of-this-car' }];
    return parent === id || line.includes(id) ? [{ path: 'parent', code: 'own-ancestor' }] : [];
  };
  router.use(
    resourceRoutes<StoredVersion, CarVersion>({
      store,
      kind: 'version',
      read: readCarVersion,
      placeOf: (request) => {
        const carId = carOf(request);
        return {
          ...repositoryOf(versions, carId),
          faults: (id, { parent }) => parentFaults(id, carId, parent),
        };
      },
    }),
  );
  return router;
}

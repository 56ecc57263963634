import { Router } from 'express';
import type { CarVersion } from '../../core/car/car-design.ts';
import type { Fault } from '../../core/fault.ts';
import { readCarVersion } from '../../core/files/read.ts';
import type { StoredVersion } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import type { CarQueries } from '../queries/cars.ts';
import type { VersionQueries } from '../queries/versions.ts';
import { placeOfCar } from '../queries/place.ts';
import { carOf, ofCarHere } from './car-of.ts';
import { keepRoutes } from './keep.ts';

/** Versions of a car, kept by name; mounted below /cars/:carId. */
export function versionRoutes(store: Store, versions: VersionQueries, cars: CarQueries): Router {
  const router = Router({ mergeParams: true });
  router.use(ofCarHere(cars));
  router.get('/', (request, response) => void response.json(versions.ofCar(carOf(request))));
  const parentFaults = (id: string, carId: string, parent: string | null): Fault[] => {
    if (parent === null) return [];
    const line = versions.lineOf(parent, carId);
    if (line.length === 0 && parent !== id) return [{ path: 'parent', code: 'not-of-this-car' }];
    return parent === id || line.includes(id) ? [{ path: 'parent', code: 'own-ancestor' }] : [];
  };
  router.use(
    keepRoutes<StoredVersion, CarVersion>({
      store,
      what: 'version',
      key: 'record',
      read: readCarVersion,
      placeOf: (request) => {
        const carId = carOf(request);
        return {
          ...placeOfCar(versions, carId),
          faults: (id, { parent }) => parentFaults(id, carId, parent),
        };
      },
    }),
  );
  return router;
}

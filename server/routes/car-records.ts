import { Router } from 'express';
import type { Read } from '../../core/files/read.ts';
import type { CarQueries } from '../queries/cars.ts';
import type { CarRecords } from '../queries/car-records.ts';
import { notFound } from '../problem.ts';
import { answerMark, answerWrite, faulty, writeFaults } from './keep.ts';

/** What belongs to one car, such as its runs; mounted below /cars/:carId. `what` is its name in messages. */
export function carRecordRoutes<T>(what: string, records: CarRecords<T>, read: (value: unknown) => Read<T>, cars: CarQueries): Router {
  const router = Router({ mergeParams: true });
  const carOf = (params: unknown): string => (params as { carId: string }).carId;
  router.use((request, response, next) => {
    if (cars.get(carOf(request.params))) next();
    else notFound(response, 'car');
  });
  router.get('/', (request, response) => void response.json(records.ofCar(carOf(request.params))));
  router.put('/:id', (request, response) => {
    const { id } = request.params;
    const record = read(request.body?.record);
    const faults = [...writeFaults(request), ...(record.kind === 'faulty' ? record.faults : [])];
    if (record.kind === 'faulty' || faults.length > 0) return faulty(response, faults);
    answerWrite({
      response,
      what,
      write: () => records.write(id, carOf(request.params), request.body.baseVersion, record.value, new Date().toISOString()),
      get: () => records.get(id),
      contentOf: (stored) => stored.record,
      shown: (stored) => stored,
      yours: record.value,
    });
  });
  router.delete('/:id', (request, response) => answerMark(response, what, records.remove(request.params.id, new Date().toISOString())));
  router.post('/:id/restore', (request, response) => answerMark(response, what, records.restore(request.params.id)));
  return router;
}

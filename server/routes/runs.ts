import { Router } from 'express';
import { readRunRecord } from '../../core/files/read.ts';
import type { CarQueries } from '../queries/cars.ts';
import type { RunQueries } from '../queries/runs.ts';
import { notFound } from '../problem.ts';
import { answerMark, answerWrite, faulty, writeFaults } from './keep.ts';

/** Runs of one car; mounted below /cars/:carId/runs. */
export function runRoutes(runs: RunQueries, cars: CarQueries): Router {
  const router = Router({ mergeParams: true });
  const carOf = (params: unknown): string => (params as { carId: string }).carId;
  router.use((request, response, next) => {
    if (cars.get(carOf(request.params))) next();
    else notFound(response, 'car');
  });
  router.get('/', (request, response) => void response.json(runs.ofCar(carOf(request.params))));
  router.put('/:id', (request, response) => {
    const { id } = request.params;
    const record = readRunRecord(request.body?.record);
    const faults = [...writeFaults(request), ...(record.kind === 'faulty' ? record.faults : [])];
    if (record.kind === 'faulty' || faults.length > 0) return faulty(response, faults);
    const write = () => runs.write(id, carOf(request.params), request.body.baseVersion, record.value, new Date().toISOString());
    answerWrite(
      response,
      'run',
      write,
      () => runs.get(id),
      (run) => run.record,
      record.value,
    );
  });
  router.delete('/:id', (request, response) => answerMark(response, 'run', runs.remove(request.params.id, new Date().toISOString())));
  router.post('/:id/restore', (request, response) => answerMark(response, 'run', runs.restore(request.params.id)));
  return router;
}

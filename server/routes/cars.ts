import { Router } from 'express';
import { readCarDesign } from '../../core/files/read.ts';
import type { CarQueries } from '../queries/cars.ts';
import { notFound } from '../problem.ts';
import { answerMark, answerWrite, faulty, writeFaults } from './keep.ts';

export function carRoutes(cars: CarQueries): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(cars.list()));
  router.get('/:id', (request, response) => {
    const car = cars.get(request.params.id);
    if (car) response.json(car);
    else notFound(response, 'car');
  });
  router.put('/:id', (request, response) => {
    const { id } = request.params;
    const design = readCarDesign(request.body?.design);
    const faults = [...writeFaults(request), ...(design.kind === 'faulty' ? design.faults : [])];
    if (design.kind === 'faulty' || faults.length > 0) return faulty(response, faults);
    const write = () => cars.write(id, request.body.baseVersion, design.value, new Date().toISOString());
    answerWrite(
      response,
      'car',
      write,
      () => cars.get(id),
      (car) => car.design,
      design.value,
    );
  });
  router.delete('/:id', (request, response) => answerMark(response, 'car', cars.remove(request.params.id, new Date().toISOString())));
  router.post('/:id/restore', (request, response) => answerMark(response, 'car', cars.restore(request.params.id)));
  return router;
}

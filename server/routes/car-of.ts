import type { Request, RequestHandler } from 'express';
import type { CarQueries } from '../queries/cars.ts';
import { notFound } from '../problem.ts';

/** The car in the address of what belongs to it. */
export const carOf = (request: Request): string => (request.params as { carId: string }).carId;

/** What belongs to a car is reached only while the car is here. */
export const ofCarHere =
  (cars: CarQueries): RequestHandler =>
  (request, response, next) => {
    if (cars.has(carOf(request))) next();
    else notFound(response, 'car');
  };

import express, { type Express } from 'express';
import type { Db } from './database.ts';
import { jsonOnly, localOnly } from './guards.ts';
import { headers, pageRoutes } from './page.ts';
import { problemHandler, sendProblem } from './problem.ts';
import { carQueries } from './queries/cars.ts';
import { runQueries } from './queries/runs.ts';
import { carRoutes } from './routes/cars.ts';
import { runRoutes } from './routes/runs.ts';

/** The whole server, without listening. `webRoot` is the built page; without one only the API answers. */
export function createApp(db: Db, webRoot?: string): Express {
  const cars = carQueries(db);
  const runs = runQueries(db);
  const app = express();
  app.disable('x-powered-by');
  app.use(localOnly, headers);
  const api = express.Router();
  api.use(jsonOnly, express.json({ limit: '256kb' }));
  api.use((_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  api.use('/cars/:carId/runs', runRoutes(runs, cars));
  api.use('/cars', carRoutes(cars));
  api.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use(problemHandler);
  return app;
}

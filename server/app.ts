import express, { type Express } from 'express';
import type { Store } from './database.ts';
import { jsonOnly, localOnly, smallIds } from './guards.ts';
import { headers, pageRoutes } from './page.ts';
import { faulty, problemHandler, sendProblem } from './problem.ts';
import { carQueries } from './queries/cars.ts';
import { partQueries } from './queries/parts.ts';
import { removedQueries } from './queries/removed.ts';
import { runQueries } from './queries/runs.ts';
import { versionQueries } from './queries/versions.ts';
import { archiveRoutes } from './routes/archive.ts';
import { carRoutes } from './routes/cars.ts';
import { pageOf } from './routes/page-of.ts';
import { partRoutes } from './routes/parts.ts';
import { runRoutes } from './routes/runs.ts';
import { versionRoutes } from './routes/versions.ts';

/** The whole server, without listening. `webRoot` is the built page; without one only the API answers. */
export function createApp(store: Store, webRoot?: string): Express {
  const { db } = store;
  const cars = carQueries(db);
  const removed = removedQueries(db);
  const app = express();
  app.disable('x-powered-by');
  app.use(headers, localOnly, smallIds);
  app.use('/api/archive', archiveRoutes(store));
  const api = express.Router();
  api.use(jsonOnly, express.json({ limit: '256kb' }));
  api.use((_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  api.use('/cars/:carId/runs', runRoutes(store, runQueries(db), cars));
  api.use('/cars/:carId/versions', versionRoutes(store, versionQueries(db), cars));
  api.use('/cars', carRoutes(store, cars));
  api.use('/parts', partRoutes(store, partQueries(db)));
  api.get('/removed', (request, response) => {
    const { limit, offset, faults } = pageOf(request);
    if (faults.length > 0) return faulty(response, faults);
    response.json(removed(limit, offset));
  });
  api.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return app;
}

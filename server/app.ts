import express, { type Express } from 'express';
import { readCarVersion, readRunRecord } from '../core/files/read.ts';
import type { Db } from './database.ts';
import { jsonOnly, localOnly } from './guards.ts';
import { headers, pageRoutes } from './page.ts';
import { problemHandler, sendProblem } from './problem.ts';
import { carQueries } from './queries/cars.ts';
import { runQueries, versionQueries } from './queries/car-records.ts';
import { carRoutes } from './routes/cars.ts';
import { carRecordRoutes } from './routes/car-records.ts';

/** The whole server, without listening. `webRoot` is the built page; without one only the API answers. */
export function createApp(db: Db, webRoot?: string): Express {
  const cars = carQueries(db);
  const app = express();
  app.disable('x-powered-by');
  app.use(localOnly, headers);
  const api = express.Router();
  api.use(jsonOnly, express.json({ limit: '256kb' }));
  api.use((_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  api.use('/cars/:carId/runs', carRecordRoutes('run', runQueries(db), readRunRecord, cars));
  api.use('/cars/:carId/versions', carRecordRoutes('version', versionQueries(db), readCarVersion, cars));
  api.use('/cars', carRoutes(cars));
  api.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use(problemHandler);
  return app;
}

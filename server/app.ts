import express, { type Express } from 'express';
import { readCarDesign, readCarVersion, readOwnPart, readRunRecord } from '../core/files/read.ts';
import type { Db } from './database.ts';
import { jsonOnly, localOnly } from './guards.ts';
import { headers, pageRoutes } from './page.ts';
import { problemHandler, sendProblem } from './problem.ts';
import { carQueries } from './queries/cars.ts';
import { partQueries } from './queries/parts.ts';
import { runQueries, versionQueries } from './queries/car-records.ts';
import { carRecordRoutes } from './routes/car-records.ts';
import { documentRoutes } from './routes/documents.ts';

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
  api.use('/cars', documentRoutes({ what: 'car', key: 'design', documents: cars, list: cars.list, read: readCarDesign }));
  api.use('/parts', documentRoutes({ what: 'part', key: 'part', documents: partQueries(db), read: readOwnPart }));
  api.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use(problemHandler);
  return app;
}

import express, { type Express } from 'express';
import { readBrief, readOwnPart, readSession } from '../core/files/read.ts';
import type { Store } from './database.ts';
import { jsonOnly, localOnly, smallIds } from './guards.ts';
import { headers, pageRoutes } from './page.ts';
import { faulty, problemHandler, sendProblem } from './problem.ts';
import { briefQueries } from './queries/briefs.ts';
import { carQueries } from './queries/cars.ts';
import { partQueries } from './queries/parts.ts';
import { removedQueries } from './queries/removed.ts';
import { runQueries } from './queries/runs.ts';
import { sessionQueries } from './queries/sessions.ts';
import { versionQueries } from './queries/versions.ts';
import { archiveRoutes } from './routes/archive.ts';
import { documentRoutes } from './routes/documents.ts';
import { carRoutes } from './routes/cars.ts';
import { meetQueries } from './queries/meets.ts';
import { resultQueries } from './queries/results.ts';
import { lineRoutes } from './routes/lines.ts';
import { meetRoutes } from './routes/meets.ts';
import { pageOf } from './routes/page-of.ts';
import { photoRoutes } from './routes/photos.ts';
import { runRoutes } from './routes/runs.ts';
import { sharingRoutes } from './routes/sharing.ts';
import { versionRoutes } from './routes/versions.ts';
import { phoneApp } from './sharing/phone-app.ts';
import { makeSharing } from './sharing/sharing.ts';

/** What is kept, below /api: cars and what belongs to them, parts, briefs, sessions, photos. */
function keptRoutes(store: Store): express.Router {
  const { db } = store;
  const cars = carQueries(db);
  const removed = removedQueries(db);
  const api = express.Router();
  api.use(jsonOnly, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  api.use('/photos', photoRoutes(store));
  api.use(express.json({ limit: '256kb' }));
  api.use('/cars/:carId/runs', runRoutes(store, runQueries(db), cars));
  api.use('/cars/:carId/versions', versionRoutes(store, versionQueries(db), cars));
  api.use('/cars', carRoutes(store, cars));
  api.use('/parts', documentRoutes(store, 'part', partQueries(db), readOwnPart));
  api.use('/briefs', documentRoutes(store, 'brief', briefQueries(db), readBrief));
  api.use('/sessions', documentRoutes(store, 'session', sessionQueries(db), readSession));
  api.use('/meets', meetRoutes(store, meetQueries(db), resultQueries(db)));
  api.get('/removed', (request, response) => {
    const { limit, offset, faults } = pageOf(request);
    if (faults.length > 0) return faulty(response, faults);
    response.json(removed(limit, offset));
  });
  return api;
}

/** The whole server, without listening. `webRoot` is the built page; without one only the API answers. */
export function createApp(store: Store, webRoot?: string, sharing = makeSharing()): Express {
  const kept = keptRoutes(store);
  const phones = phoneApp(sharing, kept, webRoot);
  const app = express();
  app.disable('x-powered-by');
  app.use(headers, localOnly, smallIds);
  app.use('/api/archive', archiveRoutes(store));
  app.use('/api/lines', lineRoutes());
  app.get('/api/joined', (_request, response) => void response.json({ role: 'host' }));
  app.use('/api/sharing', jsonOnly, sharingRoutes(sharing, phones));
  app.use('/api', kept);
  app.use('/api', (_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return app;
}

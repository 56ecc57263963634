import compression from 'compression';
import express, { type Express } from 'express';
import { readBrief, readOwnPart, readSession } from '../core/files/read.ts';
import { isReadable, type StoredEntry } from '../core/schema/stored.ts';
import type { Store } from './database.ts';
import { jsonOnly, localOnly, lowercaseIds } from './guards.ts';
import type { Live } from './live.ts';
import { headers, pageRoutes } from './page.ts';
import { faulty, problemHandler, sendProblem } from './problem.ts';
import { briefQueries } from './queries/briefs.ts';
import { carQueries } from './queries/cars.ts';
import { entryQueries, meetQueries, resultQueries } from './queries/meets.ts';
import { partQueries } from './queries/parts.ts';
import { removedQueries } from './queries/removed.ts';
import { runQueries } from './queries/runs.ts';
import { sessionQueries } from './queries/sessions.ts';
import { versionQueries } from './queries/versions.ts';
import { requestLog } from './request-log.ts';
import { allowed, ownerOnly } from './rights.ts';
import { archiveRoutes } from './routes/archive.ts';
import { carRoutes } from './routes/cars.ts';
import { documentRoutes } from './routes/documents.ts';
import { lineRoutes } from './routes/lines.ts';
import { meetChannel, meetRoutes } from './routes/meets.ts';
import { parsePagination } from './routes/pagination.ts';
import { photoRoutes } from './routes/photos.ts';
import { runRoutes } from './routes/runs.ts';
import { sharingRoutes } from './routes/sharing.ts';
import { versionRoutes } from './routes/versions.ts';
import { phoneApp } from './sharing/phone-app.ts';
import { makeSharing, type Sharing } from './sharing/sharing.ts';

/** Streams are sent as they come; the rest as the library thinks fit. */
const isPacked: compression.CompressionFilter = (request, response) =>
  !/event-stream/.test(`${request.headers.accept} ${String(response.getHeader('Content-Type'))}`) && compression.filter(request, response);

/** Everything that is stored, below /api, for the owner and for phones by their rights (resources.ts). */
function storedRoutes(store: Store, live: Live): express.Router {
  const { db } = store;
  const cars = carQueries(db);
  const removed = removedQueries(db);
  const api = express.Router();
  api.use(compression({ filter: isPacked }), jsonOnly, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  api.use('/photos', photoRoutes(store));
  api.use(express.json({ limit: '256kb' }));
  api.use('/cars/:carId/runs', runRoutes(store, runQueries(db), cars));
  api.use('/cars/:carId/versions', versionRoutes(store, versionQueries(db), cars));
  api.use('/cars', carRoutes(store, cars));
  api.use('/parts', allowed('part'), documentRoutes(store, 'part', partQueries(db), readOwnPart));
  api.use('/briefs', allowed('brief'), documentRoutes(store, 'brief', briefQueries(db), readBrief));
  api.use('/sessions', allowed('session'), documentRoutes(store, 'session', sessionQueries(db), readSession));
  api.use('/meets', meetRoutes({ store, live, meets: meetQueries(db), entries: entryQueries(db), results: resultQueries(db) }));
  api.get('/removed', ownerOnly, (request, response) => {
    const { limit, offset, faults } = parsePagination(request);
    if (faults.length > 0) return faulty(response, faults);
    response.json(removed(limit, offset));
  });
  api.use(ownerOnly);
  return api;
}

/** The app without listening, and what else goes with it. */
export interface Served {
  readonly app: Express;
  readonly sharing: Sharing;
  /** Phones that were joined before a restart join again, where the owner wished so. */
  readonly resumeSharing: () => Promise<void>;
}

/** The whole server. `webRoot` is the built page; without one only the API answers. */
export function createApp(store: Store, webRoot?: string): Served {
  const live = meetChannel();
  const stored = storedRoutes(store, live);
  const sharing = makeSharing(store.db);
  const [cars, entries] = [carQueries(store.db), entryQueries(store.db)];
  const phones = phoneApp({
    sharing,
    api: stored,
    webRoot,
    chosen: (choice) => {
      if ('carId' in choice) return cars.has(choice.carId) ? { carId: choice.carId, entry: null } : null;
      const found = entries.get(choice.entry, choice.meet);
      if (!found || !isReadable<StoredEntry>(found)) return null;
      return { carId: found.entry.entry.carId, entry: { meet: choice.meet, id: choice.entry } };
    },
  });
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog, headers, localOnly, lowercaseIds);
  app.use(
    '/api/archive',
    archiveRoutes(store, () => live.tell({ kind: 'changed', meet: '' }, 'written')),
  );
  app.use('/api/lines', lineRoutes());
  app.get('/api/joined', (_request, response) => void response.json({ role: 'host' }));
  app.use('/api/sharing', jsonOnly, express.json({ limit: '1kb' }), sharingRoutes(sharing, phones));
  app.use('/api', stored);
  app.use('/api', (_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return { app, sharing, resumeSharing: () => sharing.resume(phones) };
}

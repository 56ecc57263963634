import compression from 'compression';
import express from 'express';
import { readBrief, readOwnPart, readSession } from '../core/files/read.ts';
import { RESOURCE_KINDS, RESOURCES, type ResourceKind } from '../core/schema/resources.ts';
import type { Store } from './database.ts';
import { jsonOnly } from './guards.ts';
import type { Live } from './live.ts';
import { faulty } from './problem.ts';
import { briefQueries } from './queries/briefs.ts';
import { carQueries } from './queries/cars.ts';
import { entryQueries, meetQueries, resultQueries } from './queries/meets.ts';
import { partQueries } from './queries/parts.ts';
import { removedQueries } from './queries/removed.ts';
import { runQueries } from './queries/runs.ts';
import { sessionQueries } from './queries/sessions.ts';
import { versionQueries } from './queries/versions.ts';
import { allowed, onlyFor, ownerOnly } from './rights.ts';
import { carRoutes } from './routes/cars.ts';
import { documentRoutes } from './routes/documents.ts';
import { meetRoutes } from './routes/meets.ts';
import { parsePagination } from './routes/pagination.ts';
import { photoRoutes } from './routes/photos.ts';
import { runRoutes } from './routes/runs.ts';
import { versionRoutes } from './routes/versions.ts';

/** Streams are sent as they come; the rest as the library thinks fit. */
const isPacked: compression.CompressionFilter = (request, response) =>
  !/event-stream/.test(`${request.headers.accept} ${String(response.getHeader('Content-Type'))}`) && compression.filter(request, response);

/** A thing that was written: its kind, its id where one was named, and the tab that wrote it. */
export interface Written {
  readonly what: ResourceKind;
  readonly id: string | null;
  readonly by: string | null;
}

/** What an address below the API is about: `writtenAt('/cars/CAR/runs/RUN') // { what: 'run', id: 'RUN' }`; null for no kind of thing. */
export function writtenAt(path: string): Pick<Written, 'what' | 'id'> | null {
  const segments = path.split('/').slice(1);
  const at = segments.findLastIndex((segment) => RESOURCE_KINDS.some((kind) => RESOURCES[kind].plural === segment));
  const what = RESOURCE_KINDS.find((kind) => RESOURCES[kind].plural === segments[at]);
  return what === undefined ? null : { what, id: segments[at + 1] || null };
}

interface StoredApi {
  readonly store: Store;
  readonly live: Live;
  /** Told of each thing that was written. */
  readonly onWritten?: (written: Written) => void;
}

/** Everything that one database stores, asked for by the owner and by others by their rights (core/schema/rights.ts). */
export function storedApi({ store, live, onWritten }: StoredApi): express.Router {
  const { db } = store;
  const cars = carQueries(db);
  const removed = removedQueries(db);
  const api = express.Router();
  api.use(compression({ filter: isPacked }), jsonOnly, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  if (onWritten)
    api.use(({ method, path, headers }, response, next) => {
      const written = method === 'GET' || method === 'HEAD' ? null : writtenAt(path);
      const by = headers['x-tab'];
      if (written)
        response.once('finish', () => response.statusCode < 300 && onWritten({ ...written, by: typeof by === 'string' ? by : null }));
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
  api.use('/classes', allowed('class'));
  api.get('/removed', onlyFor('removed'), (request, response) => {
    const { limit, offset, faults } = parsePagination(request);
    if (faults.length > 0) return faulty(response, faults);
    response.json(removed(limit, offset));
  });
  api.use(ownerOnly);
  return api;
}

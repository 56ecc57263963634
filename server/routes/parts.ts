import { Router } from 'express';
import { readOwnPart } from '../../core/files/read.ts';
import type { StoredPart } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import type { PartQueries } from '../queries/parts.ts';
import { keepRoutes } from './keep.ts';

/** The builder's own parts. */
export function partRoutes(store: Store, parts: PartQueries): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(parts.all()));
  router.use(keepRoutes<StoredPart, StoredPart['part']>({ store, what: 'part', key: 'part', read: readOwnPart, placeOf: () => parts }));
  return router;
}

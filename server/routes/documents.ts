import { Router } from 'express';
import type { Kept } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import type { Documents } from '../queries/documents.ts';
import type { Reader } from '../queries/rows.ts';
import { keepRoutes } from './keep.ts';

/** Things that stand for themselves, for all cars: the list of all, and each by its id, sent and answered under their name. */
export function documentRoutes<T, S extends Kept & { readonly updatedAt: string }>(
  store: Store,
  what: 'part' | 'brief' | 'session' | 'meet',
  kept: Documents<T, S>,
  read: Reader<T>,
): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(kept.all()));
  router.use(keepRoutes<S, T>({ store, what, key: what, read, placeOf: () => kept }));
  return router;
}

import { Router } from 'express';
import type { DocumentKind, OfMeetKind } from '../../core/schema/resources.ts';
import type { StoredItem } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { faulty } from '../problem.ts';
import type { Documents } from '../queries/documents.ts';
import type { Reader } from '../queries/rows.ts';
import { parsePagination } from './pagination.ts';
import { resourceRoutes } from './resource-routes.ts';

/** Things of a list that one answer holds at most. */
export const MOST_DOCUMENTS = 500;

/** Things that stand alone, for all cars: the list, in pages (`?limit=500&offset=0`), and each by its id. */
export function documentRoutes<T extends object, S extends StoredItem & { readonly updatedAt: string }>(
  store: Store,
  kind: Exclude<DocumentKind, OfMeetKind | 'photo' | 'meet'>,
  stored: Documents<T, S>,
  read: Reader<T>,
  onWritten?: (stored: S) => void,
): Router {
  const router = Router();
  router.get('/', (request, response) => {
    const { limit, offset, faults } = parsePagination(request, MOST_DOCUMENTS);
    if (faults.length > 0) return faulty(response, faults);
    response.json(stored.page(limit, offset));
  });
  router.use(resourceRoutes<S, T>({ store, kind, read, placeOf: () => stored, ...(onWritten && { onWritten }) }));
  return router;
}

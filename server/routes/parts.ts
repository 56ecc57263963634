import { Router } from 'express';
import { readOwnPart } from '../../core/files/read.ts';
import { isReadable, type Listed, type StoredPart } from '../../core/files/stored.ts';
import type { Store } from '../database.ts';
import type { Document, Documents } from '../queries/documents.ts';
import { keepRoutes } from './keep.ts';

type Part = StoredPart['part'];

function shown(kept: Listed<Document<Part>>): Listed<StoredPart> {
  if (!isReadable(kept)) return kept;
  const { content: part, ...rest } = kept;
  return { ...rest, part };
}

/** The builder's own parts. */
export function partRoutes(store: Store, parts: Documents<Part>): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(parts.all().map(shown)));
  router.use(
    keepRoutes<StoredPart, Part>({
      store,
      what: 'part',
      key: 'part',
      read: readOwnPart,
      placeOf: () => ({
        ...parts,
        get: (id) => {
          const kept = parts.get(id);
          return kept && shown(kept);
        },
      }),
    }),
  );
  return router;
}

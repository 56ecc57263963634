import express, { Router } from 'express';
import { readPhoto } from '../../core/files/read.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import { isReadable, type StoredPhoto } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { notFound } from '../problem.ts';
import { photoQueries } from '../queries/photos.ts';
import { keepRoutes } from './keep.ts';

/** Pictures of runs: each kept by its id, and shown as the picture it is at `/:id/picture`. */
export function photoRoutes(store: Store): Router {
  const photos = photoQueries(store.db);
  const router = Router();
  router.use(express.json({ limit: '1mb' }));
  router.get('/:id/picture', (request, response) => {
    const kept = photos.get(request.params.id);
    if (!kept || !isReadable<StoredPhoto>(kept)) return notFound(response, 'photo');
    response.type('image/jpeg').send(Buffer.from(kept.photo.jpeg, 'base64'));
  });
  router.use(keepRoutes<StoredPhoto, Photo>({ store, what: 'photo', key: 'photo', read: readPhoto, placeOf: () => photos }));
  return router;
}

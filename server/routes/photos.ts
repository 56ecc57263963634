import express, { Router } from 'express';
import { readPhoto } from '../../core/files/read.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import { isReadable, type StoredPhoto } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { notFound } from '../problem.ts';
import { photoQueries } from '../queries/photos.ts';
import { allowed } from '../rights.ts';
import { resourceRoutes } from './resource-routes.ts';

/** Pictures of runs: each stored once by its id, and shown as the picture it is at `/:id/picture`. */
export function photoRoutes(store: Store): Router {
  const photos = photoQueries(store.db);
  const router = Router();
  router.use(express.json({ limit: '1mb' }), allowed('photo'));
  router.get('/:id/picture', (request, response) => {
    const stored = photos.get(request.params.id);
    if (!stored || !isReadable<StoredPhoto>(stored)) return notFound(response, 'photo');
    // It never changes: a browser asks for it once.
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type('image/jpeg').send(Buffer.from(stored.photo.jpeg, 'base64'));
  });
  router.use(
    resourceRoutes<StoredPhoto, Photo>({
      store,
      kind: 'photo',
      read: readPhoto,
      placeOf: () => photos,
      isOwn: (request, _photo, carId) => photos.isOfCar(String(request.params.id), carId),
    }),
  );
  return router;
}

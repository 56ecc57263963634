import express, { Router } from 'express';
import { rmSync } from 'node:fs';
import type { Classes } from '../classes/classes.ts';
import { clearedClasses, clearedFile, writeCleared } from '../classes/cleared.ts';
import type { Spaces } from '../classes/spaces.ts';
import { openBesideServer } from '../archive/open-beside.ts';
import type { Store } from '../database.ts';
import { notFound } from '../problem.ts';
import { classQueries } from '../queries/classes.ts';
import { UUID } from './resource-routes.ts';

interface ClearedParts {
  readonly store: Store;
  readonly classes: Classes;
  readonly spaces: Spaces;
  /** Told that something was brought back. */
  readonly onTaken: () => void;
}

/** Classes that were cleared: each as an archive beside the data, from which it is brought back. */
export function clearedRoutes({ store, classes, spaces, onTaken }: ClearedParts): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(clearedClasses(store)));
  router.get('/:file', (request, response) => {
    const path = clearedFile(store, request.params.file);
    if (path === null) return notFound(response, 'archive');
    response.type('application/zip').attachment(request.params.file);
    response.sendFile(path, { dotfiles: 'allow' });
  });
  // Archives a class, and then clears it: its crews' work, cards and devices are in the archive alone.
  router.post('/', express.json({ limit: '1kb' }), async (request, response) => {
    const { classId } = (request.body ?? {}) as { classId?: unknown };
    const stored = typeof classId === 'string' && UUID.test(classId) ? classes.get(classId) : null;
    if (!stored) return notFound(response, 'class');
    const file = await writeCleared(store, stored, new Date());
    classQueries(store.db).destroy(stored.id);
    for (const { id } of stored.class.crews) {
      classes.forget(id);
      spaces.destroy(id);
    }
    response.json({ file });
  });
  router.post('/:file/restore', async (request, response) => {
    const path = clearedFile(store, request.params.file);
    if (path === null) return notFound(response, 'archive');
    const taking = { kind: 'take', replace: new Set<string>(), restore: new Set<string>() } as const;
    const report = await openBesideServer({ database: store.db.name, file: path, taking });
    onTaken();
    response.json(report);
  });
  router.delete('/:file', (request, response) => {
    const path = clearedFile(store, request.params.file);
    if (path === null) return notFound(response, 'archive');
    rmSync(path);
    response.status(204).end();
  });
  return router;
}

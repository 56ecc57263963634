import { Router } from 'express';
import type { Read } from '../../core/files/read.ts';
import type { Documents, Kept } from '../queries/documents.ts';
import { notFound } from '../problem.ts';
import { answerMark, answerWrite, faulty, writeFaults } from './keep.ts';

interface Resource<T> {
  /** Its name in messages. */
  readonly what: string;
  /** The key under which the document itself is sent and answered. */
  readonly key: 'design' | 'part';
  readonly documents: Documents<T>;
  /** What the list shows, where that is more than the documents. */
  readonly list?: () => readonly unknown[];
  readonly read: (value: unknown) => Read<T>;
}

/** Documents that stand for themselves, such as cars: list, get, put, remove, restore. */
export function documentRoutes<T>({ what, key, documents, list, read }: Resource<T>): Router {
  const router = Router();
  const shown = ({ content, ...kept }: Kept<T>) => ({ ...kept, [key]: content });
  router.get('/', (_request, response) => void response.json(list ? list() : documents.all().map(shown)));
  router.get('/:id', (request, response) => {
    const kept = documents.get(request.params.id);
    if (kept) response.json(shown(kept));
    else notFound(response, what);
  });
  router.put('/:id', (request, response) => {
    const { id } = request.params;
    const content = read(request.body?.[key]);
    const faults = [...writeFaults(request), ...(content.kind === 'faulty' ? content.faults : [])];
    if (content.kind === 'faulty' || faults.length > 0) return faulty(response, faults);
    answerWrite({
      response,
      what,
      write: () => documents.write(id, request.body.baseVersion, content.value, new Date().toISOString()),
      get: () => documents.get(id),
      contentOf: (kept) => kept.content,
      shown,
      yours: content.value,
    });
  });
  router.delete('/:id', (request, response) => answerMark(response, what, documents.remove(request.params.id, new Date().toISOString())));
  router.post('/:id/restore', (request, response) => answerMark(response, what, documents.restore(request.params.id)));
  return router;
}

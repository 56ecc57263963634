import type { RequestListener } from 'node:http';
import { Router } from 'express';
import { faulty, sendProblem } from '../problem.ts';
import { CannotShare, type Sharing } from '../sharing/sharing.ts';

/** Whether phones may join: told, begun and ended from this machine alone. */
export function sharingRoutes(sharing: Sharing, phones: RequestListener): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(sharing.state()));
  router.post('/', async (_request, response) => {
    try {
      response.json(await sharing.begin(phones));
    } catch (error) {
      if (!(error instanceof CannotShare)) throw error;
      sendProblem(response, { status: 409, title: 'No phone can join now', detail: `${error.message}.` });
    }
  });
  router.put('/', (request, response) => {
    const { isKept } = (request.body ?? {}) as { isKept?: unknown };
    if (typeof isKept !== 'boolean') return faulty(response, [{ path: 'isKept', code: 'expected', what: 'true or false' }]);
    response.json(sharing.keep(isKept));
  });
  router.delete('/', (_request, response) => {
    sharing.end();
    response.json(sharing.state());
  });
  return router;
}

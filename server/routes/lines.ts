import { Router, text } from 'express';
import { liveChannel } from '../live.ts';
import { sendProblem } from '../problem.ts';

/** Bytes of lines that are taken at once. */
const MOST = '64kb';

/** Lines that any program posts, handed on to every page that listens, as they came: nothing is stored. */
export function lineRoutes(): Router {
  const router = Router();
  const live = liveChannel({ most: 0, senderOf: () => null });
  router.post('/', text({ type: 'text/plain', limit: MOST }), (request, response) => {
    if (!request.is('text/plain')) return sendProblem(response, { status: 415, title: 'Send lines as text (content-type text/plain)' });
    live.tell(String(request.body ?? ''), 'lines');
    response.status(202).json({ listening: live.count() });
  });
  router.get('/', live.listen);
  return router;
}

import { createChannel, createSession } from 'better-sse';
import { Router, text } from 'express';
import { sendProblem } from '../problem.ts';

/** Bytes of lines that are taken at once. */
const MOST = '64kb';
/** Pages that may listen at once. */
const MOST_LISTENERS = 50;

/** Lines that any program posts, handed on to every page that listens, as they came: nothing is kept. */
export function lineRoutes(): Router {
  const router = Router();
  const channel = createChannel();
  router.post('/', text({ type: 'text/plain', limit: MOST }), (request, response) => {
    if (!request.is('text/plain')) return sendProblem(response, { status: 415, title: 'Send lines as text (content-type text/plain)' });
    channel.broadcast(String(request.body ?? ''), 'lines');
    response.status(202).json({ listening: channel.sessionCount });
  });
  router.get('/', async (request, response) => {
    if (channel.sessionCount >= MOST_LISTENERS)
      return sendProblem(response, { status: 503, title: `At most ${MOST_LISTENERS} pages may listen at once` });
    channel.register(await createSession(request, response));
  });
  return router;
}

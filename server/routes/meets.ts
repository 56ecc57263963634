import { createChannel, createSession } from 'better-sse';
import { Router, type Request } from 'express';
import type { MeetResult } from '../../core/schema/generated/meet-result.ts';
import type { StoredResult } from '../../core/schema/stored.ts';
import { readMeet, readMeetResult } from '../../core/files/read.ts';
import type { Store } from '../database.ts';
import { notFound, sendProblem } from '../problem.ts';
import type { MeetQueries } from '../queries/meets.ts';
import type { ResultQueries } from '../queries/results.ts';
import { documentRoutes } from './documents.ts';
import { keepRoutes } from './keep.ts';

/** Pages that may follow meets at once: a hall of phones, and boards. */
const MOST_LISTENERS = 200;

/** Meets by their id, the results of each, and word to every page that follows when something of one was written. */
export function meetRoutes(store: Store, meets: MeetQueries, results: ResultQueries): Router {
  const router = Router();
  const channel = createChannel();
  const meetOf = (request: Request): string => String((request.params as { meetId?: string }).meetId);
  router.get('/live', async (request, response) => {
    if (channel.sessionCount >= MOST_LISTENERS)
      return sendProblem(response, { status: 503, title: `At most ${MOST_LISTENERS} pages may follow at once` });
    channel.register(await createSession(request, response));
  });
  router.use((request, response, next) => {
    // Told by the address as it was asked: routers within change it.
    const id = /^\/([0-9a-f-]{36})/.exec(request.path)?.[1];
    response.on('finish', () => {
      if (id && request.method !== 'GET' && response.statusCode < 300) channel.broadcast(id, 'written');
    });
    next();
  });
  router.get('/:meetId/results', (request, response) => {
    if (!meets.has(request.params.meetId)) return notFound(response, 'meet');
    response.json(results.ofMeet(request.params.meetId));
  });
  router.use(
    '/:meetId/results',
    (request, response, next) => {
      if (meets.has(meetOf(request))) next();
      else notFound(response, 'meet');
    },
    keepRoutes<StoredResult, MeetResult>({
      store,
      what: 'result',
      key: 'result',
      read: readMeetResult,
      placeOf: (request) => ({
        ...results,
        faults: (_id, { meet }) =>
          meet === meetOf(request) ? [] : [{ path: 'result.meet', code: 'expected', what: 'the meet in the address' }],
      }),
    }),
  );
  router.use(documentRoutes(store, 'meet', meets, readMeet));
  return router;
}

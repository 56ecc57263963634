import { Router, type Request, type RequestHandler } from 'express';
import type { Meet } from '../../core/schema/generated/meet.ts';
import type { MeetEntry } from '../../core/schema/generated/meet-entry.ts';
import type { MeetResult } from '../../core/schema/generated/meet-result.ts';
import type { LiveNews, StoredEntry, StoredMeet, StoredResult } from '../../core/schema/stored.ts';
import { readMeet, readMeetEntry, readMeetResult } from '../../core/files/read.ts';
import type { Store } from '../database.ts';
import { liveChannel, type Live } from '../live.ts';
import { faulty, notFound } from '../problem.ts';
import { historyQueries } from '../queries/documents.ts';
import type { EntryQueries, MeetQueries, ResultQueries } from '../queries/meets.ts';
import { repositoryOf } from '../queries/repository.ts';
import { allowed } from '../rights.ts';
import { parsePagination } from './pagination.ts';
import { resourceRoutes } from './resource-routes.ts';

/** Streams that phones may hold at once: a hall of phones, and boards. */
const MOST_LISTENERS = 200;
/** Entries of a meet, as its schema has it. */
const MOST_ENTRIES = 200;

export const meetChannel = (): Live =>
  liveChannel({ most: MOST_LISTENERS, senderOf: ({ locals }) => (locals.sender as string | undefined) ?? null });

interface MeetParts {
  readonly store: Store;
  readonly meets: MeetQueries;
  readonly entries: EntryQueries;
  readonly results: ResultQueries;
  readonly live: Live;
}

/** Meets by their id, entries and results of each, and what was written told to every page that follows. */
export function meetRoutes({ store, meets, entries, results, live }: MeetParts): Router {
  const router = Router();
  const meetOf = (request: Request): string => String((request.params as { meetId?: string }).meetId);
  const tell = (news: LiveNews): void => live.tell(news, 'written');
  const hasMeet: RequestHandler = (request, response, next) => {
    if (meets.has(meetOf(request))) next();
    else notFound(response, 'meet');
  };
  const ofThisMeet = (request: Request, { meet }: { readonly meet: string }, key: string) =>
    meet === meetOf(request) ? [] : [{ path: `${key}.meet`, code: 'expected', what: 'the meet in the address' } as const];
  router.get('/live', allowed('meet'), live.listen);
  router.use('/:meetId/entries', allowed('entry'), hasMeet);
  router.get('/:meetId/entries', (request, response) => void response.json(entries.after(request.params.meetId, 0, MOST_ENTRIES)));
  router.use(
    '/:meetId/entries',
    resourceRoutes<StoredEntry, MeetEntry>({
      store,
      kind: 'entry',
      read: readMeetEntry,
      placeOf: (request) => ({
        ...repositoryOf(entries, meetOf(request)),
        faults: (id, content, baseVersion) => [
          ...ofThisMeet(request, content, 'entry'),
          ...(content.entry.id === id ? [] : [{ path: 'entry.entry.id', code: 'expected', what: 'the id in the address' } as const]),
          ...(baseVersion === 0 && entries.sums(meetOf(request)).count >= MOST_ENTRIES
            ? [{ path: 'entry', code: 'too-large', of: 'items', count: MOST_ENTRIES + 1, most: MOST_ENTRIES } as const]
            : []),
        ],
      }),
      fieldsOf: ({ entry }) => entry,
      onWritten: (stored) => tell({ kind: 'entry', meet: stored.entry.meet, stored }),
      earlier: historyQueries(store.db, 'entry'),
    }),
  );
  router.use('/:meetId/results', allowed('result'), hasMeet);
  router.get('/:meetId/results', (request, response) => {
    const { limit, faults } = parsePagination(request);
    const after = request.query.after === undefined ? 0 : Number(request.query.after);
    if (!Number.isSafeInteger(after)) return faulty(response, [{ path: 'after', code: 'expected', what: 'the number of a result' }]);
    if (faults.length > 0) return faulty(response, faults);
    response.json(results.page(request.params.meetId, after, limit));
  });
  router.use(
    '/:meetId/results',
    resourceRoutes<StoredResult, MeetResult>({
      store,
      kind: 'result',
      read: readMeetResult,
      placeOf: (request) => ({
        ...repositoryOf(results, meetOf(request)),
        faults: (_id, content) => ofThisMeet(request, content, 'result'),
      }),
      onWritten: (stored) => tell({ kind: 'result', meet: stored.result.meet, stored }),
      earlier: historyQueries(store.db, 'result'),
    }),
  );
  router.use(allowed('meet'));
  router.get('/', (_request, response) => void response.json(meets.list()));
  router.use((request, response, next) => {
    // What comes and goes as a whole: removed, or brought back.
    const id = /^\/([0-9a-f-]{36})/.exec(request.path)?.[1];
    response.on('finish', () => {
      if (id && (request.method === 'DELETE' || request.method === 'POST') && response.statusCode < 300)
        tell({ kind: 'changed', meet: id });
    });
    next();
  });
  router.use(
    resourceRoutes<StoredMeet, Meet>({
      store,
      kind: 'meet',
      read: readMeet,
      placeOf: () => ({
        ...meets,
        faults: (_id, { entries: brought }, baseVersion) =>
          brought.length > 0 && baseVersion !== 0
            ? [{ path: 'meet.entries', code: 'expected', what: 'empty: entries are saved one by one, below the meet' } as const]
            : [],
      }),
      storedAs: (meet) => ({ ...meet, entries: [] }),
      onWritten: (stored) => tell({ kind: 'meet', meet: stored.id, stored }),
    }),
  );
  return router;
}

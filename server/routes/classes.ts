import { Router, type Request, type RequestHandler, type Response } from 'express';
import type { CrewStanding } from '../../core/schema/crew-standing.ts';
import { readCarDesign, readClass } from '../../core/files/read.ts';
import type { CrewClass } from '../../core/schema/generated/crew-class.ts';
import type { StoredClass } from '../../core/schema/stored.ts';
import type { Classes } from '../classes/classes.ts';
import { copyHandedIn, handIn, sendCar } from '../classes/hand-in.ts';
import { archiveOf } from '../archive/save.ts';
import type { Store } from '../database.ts';
import { faulty, notFound, sendProblem } from '../problem.ts';
import { classQueries } from '../queries/classes.ts';
import { sendStream } from './archive.ts';
import { documentRoutes } from './documents.ts';

interface ClassRouteParts {
  readonly store: Store;
  readonly classes: Classes;
  /** Told of a class that was written, so that its crews hear of it. */
  readonly onChange: (classId: string) => void;
}

/** A class as its leader’s table shows it. */
export interface ClassOverview {
  readonly crews: readonly CrewStanding[];
}

/** Classes, for their leader: each by its id, its cards and its table; what is sent to all crews, handed in, and made a meet of. */
export function classRoutes({ store, classes, onChange }: ClassRouteParts): Router {
  const router = Router();
  const withClass =
    (answer: (stored: StoredClass, request: Request, response: Response) => unknown): RequestHandler =>
    (request, response) => {
      const stored = classes.get(String(request.params.classId));
      return stored ? answer(stored, request, response) : notFound(response, 'class');
    };
  const withCrew = (stored: StoredClass, { params: { crewId } }: Request): CrewClass['crews'][number] | null =>
    stored.class.crews.find(({ id }) => id === crewId) ?? null;
  router.get(
    '/:classId/cards',
    withClass(({ id }, _request, response) => {
      // One that came by an archive has none yet.
      classes.dealCards(id);
      response.json(classes.cards(id));
    }),
  );
  router.post(
    '/:classId/cards/:crewId',
    withClass((stored, request, response) => {
      const crew = withCrew(stored, request);
      if (!crew) return notFound(response, 'crew');
      classes.redraw(crew.id);
      onChange(stored.id);
      response.json(classes.cards(stored.id));
    }),
  );
  router.get(
    '/:classId/crews',
    withClass((stored, _request, response) => void response.json({ crews: classes.standings(stored) } satisfies ClassOverview)),
  );
  router.post(
    '/:classId/cars',
    withClass(async (stored, request, response) => {
      const read = readCarDesign((request.body as { design?: unknown } | undefined)?.design);
      if (read.kind === 'faulty') return faulty(response, read.faults);
      response.json({ sent: await sendCar(classes, stored, read.value, new Date().toISOString()) });
    }),
  );
  router.put(
    '/:classId/hand-in',
    withClass(async (stored, request, response) => {
      const { isHandedIn } = (request.body ?? {}) as { isHandedIn?: unknown };
      if (typeof isHandedIn !== 'boolean') return faulty(response, [{ path: 'isHandedIn', code: 'expected', what: 'true or false' }]);
      const { handedInAt, ...open } = stored.class;
      if (isHandedIn !== (handedInAt !== undefined)) {
        const now = new Date().toISOString();
        // Closed first: nothing is changed after its version was saved.
        if (!classes.write(stored.id, stored.version, isHandedIn ? { ...open, handedInAt: now } : open))
          return sendProblem(response, {
            status: 409,
            title: 'This class was changed elsewhere',
            detail: 'Look at it again, then try again.',
          });
        onChange(stored.id);
        if (isHandedIn) await handIn(classes, stored, now);
      }
      response.json(classes.get(stored.id));
    }),
  );
  router.post(
    '/:classId/meet-cars',
    withClass(async (stored, _request, response) => {
      response.json(await copyHandedIn(classes, store, stored, new Date().toISOString()));
    }),
  );
  router.get(
    '/:classId/archive',
    withClass(async ({ id }, _request, response) => {
      const now = new Date();
      response.type('application/zip').attachment(`class-${now.toISOString().slice(0, 10)}.zip`);
      await sendStream(archiveOf(store.db, now, { onlyClass: id }), response);
    }),
  );
  router.use(
    documentRoutes(store, 'class', classQueries(store.db), readClass, ({ id }) => {
      classes.dealCards(id);
      onChange(id);
    }),
  );
  return router;
}

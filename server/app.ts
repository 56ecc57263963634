import express, { type Express, type RequestHandler } from 'express';
import { isReadable, type StoredEntry } from '../core/schema/stored.ts';
import { makeClasses, type Classes } from './classes/classes.ts';
import { makePresence } from './classes/presence.ts';
import { spaceApi } from './classes/space-api.ts';
import { makeSpaces } from './classes/spaces.ts';
import type { Store } from './database.ts';
import { jsonOnly, localOnly, lowercaseIds } from './guards.ts';
import type { Live } from './live.ts';
import { headers, pageRoutes } from './page.ts';
import { notFound, problemHandler, sendProblem } from './problem.ts';
import { carQueries } from './queries/cars.ts';
import { entryQueries } from './queries/meets.ts';
import { requestLog } from './request-log.ts';
import { archiveRoutes } from './routes/archive.ts';
import { classRoutes } from './routes/classes.ts';
import { clearedRoutes } from './routes/cleared-classes.ts';
import { crewClassRoutes } from './routes/crew-class.ts';
import { lineRoutes } from './routes/lines.ts';
import { meetChannel } from './routes/meets.ts';
import { UUID } from './routes/resource-routes.ts';
import { sharingRoutes } from './routes/sharing.ts';
import { phoneApp } from './sharing/phone-app.ts';
import { makeSharing, type Sharing } from './sharing/sharing.ts';
import { storedApi } from './stored-api.ts';

/** The app without listening, and what else goes with it. */
export interface Served {
  readonly app: Express;
  readonly sharing: Sharing;
  readonly classes: Classes;
  /** Phones that were joined before a restart join again, where the owner wished so. */
  readonly resumeSharing: () => Promise<void>;
  /** Closes what is open beside the owner's database. */
  readonly close: () => void;
}

/** ms in which news of one class are told once. */
const TOLD_EVERY = 1000;

/** Tells of the newest change of each class at most once in a while: forty crews save all the time. */
function toldNowAndThen(tell: (classId: string) => void): (classId: string) => void {
  const waiting = new Set<string>();
  return (classId) => {
    if (waiting.has(classId)) return;
    waiting.add(classId);
    setTimeout(() => {
      waiting.delete(classId);
      tell(classId);
    }, TOLD_EVERY).unref();
  };
}

/** The whole server. `webRoot` is the built page; without one only the API answers. */
export function createApp(store: Store, webRoot?: string): Served {
  const live = meetChannel();
  const tellLeader = toldNowAndThen((classId) => live.tell({ kind: 'class', classId }, 'written'));
  /** A crew came further: its leader's table is another. */
  const onCrew = (crewId: string): void => {
    const found = classes.crewOf(crewId);
    if (found) tellLeader(found.classId);
  };
  const presence = makePresence((crewId) => {
    const found = classes.crewOf(crewId);
    if (!found) return;
    tellLeader(found.classId);
    spaces.ifOpen(crewId)?.live.tell({ kind: 'class', classId: found.classId }, 'written');
  });
  const spaces = makeSpaces(store.db.name, (crewId, spaceStore) => spaceApi({ crewId, store: spaceStore, presence, onCrew }));
  const classes = makeClasses({ store, spaces, presence });
  /** News for the crews of a class, as far as they follow. */
  const tellCrews = (classId: string, news: unknown): void => {
    for (const { id } of classes.get(classId)?.class.crews ?? []) spaces.ifOpen(id)?.live.tell(news, 'written');
  };
  const onClass = (classId: string): void => {
    tellLeader(classId);
    tellCrews(classId, { kind: 'class', classId });
  };
  /** The owner's news; of a meet whose results a class sees its crews hear too. */
  const ownerLive: Live = {
    ...live,
    tell: (news, event) => {
      live.tell(news, event);
      const { meet } = news as { meet?: string };
      if (meet) classes.ofMeet(meet).forEach((classId) => tellCrews(classId, news));
    },
  };
  const stored = storedApi({ store, live: ownerLive });
  const sharing = makeSharing(store.db, classes);
  const [cars, entries] = [carQueries(store.db), entryQueries(store.db)];
  const crewClass = crewClassRoutes({ classes, presence, onChange: onCrew });
  /** What is asked in the space of a crew, by one of its devices or by the leader; 404 where there is no such crew. */
  const inSpace =
    (crewIdOf: (request: express.Request, response: express.Response) => string): RequestHandler =>
    (request, response, next) => {
      const found = classes.crewOf(crewIdOf(request, response));
      if (!found) return notFound(response, 'crew');
      const { api } = classes.spaceOf(found);
      void api(request, response, next);
    };
  const phones = phoneApp({
    sharing,
    api: stored,
    crewClass,
    inSpace: inSpace((_request, response) => (response.locals.joined as { crewId: string }).crewId),
    classes,
    webRoot,
    chosen: (choice) => {
      if ('carId' in choice) return cars.has(choice.carId) ? { carId: choice.carId, entry: null } : null;
      const found = entries.get(choice.entry, choice.meet);
      if (!found || !isReadable<StoredEntry>(found)) return null;
      return { carId: found.entry.entry.carId, entry: { meet: choice.meet, id: choice.entry } };
    },
  });
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog, headers, localOnly, lowercaseIds);
  const onTaken = (): void => {
    classes.dealAll();
    live.tell({ kind: 'changed', meet: '' }, 'written');
  };
  app.use('/api/archive', archiveRoutes(store, onTaken));
  app.use('/api/lines', lineRoutes());
  app.get('/api/joined', (_request, response) => void response.json({ role: 'host' }));
  app.use('/api/sharing', jsonOnly, express.json({ limit: '1kb' }), sharingRoutes(sharing, phones));
  // The leader of a class in the space of one of its crews.
  const crewApi = express.Router({ mergeParams: true });
  crewApi.use((request, response, next) => {
    const { crewId } = request.params as { crewId: string };
    const found = UUID.test(crewId) ? classes.crewOf(crewId) : null;
    if (!found) return notFound(response, 'crew');
    response.locals.joined = classes.leaderIn(found);
    next();
  });
  crewApi.get('/joined', (_request, response) => void response.json(response.locals.joined));
  crewApi.put('/help', jsonOnly, express.json({ limit: '1kb' }), (request, response) => {
    const { isHelping } = (request.body ?? {}) as { isHelping?: unknown };
    presence.help((request.params as { crewId: string }).crewId, isHelping === true);
    response.status(204).end();
  });
  crewApi.use('/class', jsonOnly, express.json({ limit: '64kb' }), crewClass);
  crewApi.use(inSpace((request) => (request.params as { crewId: string }).crewId));
  app.use('/api/crews/:crewId', crewApi);
  app.use('/api/cleared-classes', jsonOnly, clearedRoutes({ store, classes, spaces, onTaken }));
  app.use('/api/classes', jsonOnly, express.json({ limit: '1mb' }), classRoutes({ store, classes, onChange: onClass }));
  app.use('/api', stored);
  app.use('/api', (_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return { app, sharing, classes, resumeSharing: () => sharing.resume(phones), close: spaces.closeAll };
}

import { parse, serialize } from 'cookie';
import express, { type Express, type Request, type RequestHandler } from 'express';
import { isInSpace, type CrewChoice, type Joined, type JoinedHall } from '../../core/schema/sharing.ts';
import type { Classes } from '../classes/classes.ts';
import { jsonOnly, lowercaseIds } from '../guards.ts';
import { headers, pageRoutes } from '../page.ts';
import { faulty, problemHandler, sendProblem } from '../problem.ts';
import { UUID } from '../routes/resource-routes.ts';
import { requestLog } from '../request-log.ts';
import { trustedProxy } from './proxy.ts';
import type { Sharing } from './sharing.ts';

/** s that a device of a crew is known by its cookie: a school year. */
const A_YEAR = 365 * 24 * 60 * 60;
/** The crew that a device is of, for its page: what it stores in this browser is kept apart by it. No secret. */
const CREW_COOKIE = 'crew';

const COOKIE = 'joined';

/** A phone speaks to the address that it was told, from the page it got there. */
const atOurAddress =
  (sharing: Sharing): RequestHandler =>
  ({ headers: { host, origin } }, response, next) => {
    const address = sharing.addressOf(host);
    if (address === null) return sendProblem(response, { status: 421, title: 'Open this program by the address that it shows' });
    if (origin !== undefined && origin !== address)
      return sendProblem(response, { status: 403, title: 'Another page may not use this server' });
    next();
  };

const tokenOf = ({ headers: { cookie } }: Request): string | undefined => (cookie ? parse(cookie)[COOKIE] : undefined);

/** What a crew's phone is for, as it is asked; null where that is none. */
function choiceIn(body: unknown): CrewChoice | null {
  const { carId, meet, entry } = (body ?? {}) as Readonly<Record<string, unknown>>;
  const isId = (value: unknown): value is string => typeof value === 'string' && UUID.test(value);
  if (isId(carId)) return { carId };
  return isId(meet) && isId(entry) ? { meet, entry } : null;
}

export interface PhoneAppParts {
  readonly sharing: Sharing;
  readonly api: RequestHandler;
  /** What a choice comes to: the car, and the entry of a meet; null where there is none such here. */
  readonly chosen: (choice: CrewChoice) => Pick<JoinedHall, 'carId' | 'entry'> | null;
  /** What is asked in the space of the crew that sends it, and of its class. */
  readonly inSpace: RequestHandler;
  readonly crewClass: RequestHandler;
  readonly classes: Classes;
  readonly webRoot?: string | undefined;
}

/** The app for phones that join: the same page, and of the same server what they may do as what their code says. */
export function phoneApp({ sharing, api, chosen, inSpace, crewClass, classes, webRoot }: PhoneAppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  const proxy = trustedProxy();
  // Where a device is, as the proxy of this machine tells it.
  if (proxy) app.set('trust proxy', 'loopback');
  app.use(requestLog, headers, atOurAddress(sharing), lowercaseIds);
  app.post('/api/join', express.json({ limit: '1kb' }), (request, response) => {
    const token = sharing.join((request.body as { code?: unknown } | undefined)?.code, request.ip ?? '');
    if (token === 'wait')
      return sendProblem(response, {
        status: 429,
        title: 'Too many wrong codes',
        detail: 'Wait a minute, then type a code that is shown.',
      });
    if (token === null) return sendProblem(response, { status: 403, title: 'This is not a code that is shown' });
    const joined = sharing.joinedBy(token);
    const crewId = joined && isInSpace(joined) ? joined.crewId : '';
    const shared = { sameSite: 'strict', path: '/', secure: proxy !== null, ...(crewId !== '' && { maxAge: A_YEAR }) } as const;
    response.setHeader('Set-Cookie', [
      serialize(COOKIE, token, { ...shared, httpOnly: true }),
      serialize(CREW_COOKIE, crewId, { ...shared, ...(crewId === '' && { maxAge: 0 }) }),
    ]);
    response.status(204).end();
  });
  app.use('/api', (request, response, next) => {
    const token = tokenOf(request);
    const joined = sharing.joinedBy(token);
    if (joined === null)
      return sendProblem(response, { status: 401, title: 'This phone has not joined', detail: 'Type a code that the program shows.' });
    response.locals.joined = joined;
    response.locals.sender = token;
    next();
  });
  app.get('/api/joined', (_request, response) => void response.json(response.locals.joined as Joined));
  // A crew of a class works in a space of its own, and reaches nothing else.
  const ifCrew =
    (handler: RequestHandler): RequestHandler =>
    (request, response, next) =>
      isInSpace(response.locals.joined as Joined) ? handler(request, response, next) : next();
  app.use('/api/class', jsonOnly, express.json({ limit: '64kb' }), ifCrew(crewClass));
  app.use(
    '/api/meets/:meetId',
    ifCrew((request, response, next) => {
      const { classId } = response.locals.joined as { classId: string };
      const found = classes.get(classId)?.class;
      // The meet of the class is the owner's, shown as a board shows it once its results are opened.
      if (!found?.opened.results || found.meet !== request.params.meetId) return next();
      response.locals.joined = { role: 'board', carId: null, entry: null } satisfies JoinedHall;
      request.url = `/meets/${request.params.meetId}${request.url === '/' ? '' : request.url}`;
      void api(request, response, next);
    }),
  );
  app.use('/api', ifCrew(inSpace));
  app.put('/api/joined', express.json({ limit: '1kb' }), (request, response) => {
    const choice = choiceIn(request.body);
    if (choice === null) return faulty(response, [{ path: 'carId', code: 'expected', what: 'the id of a car, or of a meet and an entry' }]);
    const found = chosen(choice);
    if (found === null)
      return sendProblem(response, { status: 404, title: 'No such car', detail: 'This car is not here, or was removed.' });
    if (!sharing.choose(response.locals.sender as string, found))
      return sendProblem(response, {
        status: 403,
        title: 'This phone already belongs to another car',
        detail: 'Join again with the crew’s code to choose another.',
      });
    response.json(sharing.joinedBy(response.locals.sender as string));
  });
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return app;
}

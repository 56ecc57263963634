import { parse, serialize } from 'cookie';
import express, { type Express, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { smallIds } from '../guards.ts';
import { headers, pageRoutes } from '../page.ts';
import { problemHandler, sendProblem } from '../problem.ts';
import type { Sharing } from './sharing.ts';

const COOKIE = 'joined';
/** Wrong codes that may be tried, and ms until there may be more: at this rate a code of six figures is guessed in months. */
const TRIES = 5;
const PAUSE = 60_000;

/** What a phone may do: see cars and what is asked of them, and log runs. */
const MAY: readonly (readonly [method: string, path: RegExp])[] = [
  ['GET', /^\/(cars|briefs|sessions|parts|meets)(\/|$)/],
  ['PUT', /^\/meets\/[0-9a-f-]{36}\/results\/[0-9a-f-]{36}$/],
  ['GET', /^\/photos\/[0-9a-f-]{36}\/picture$/],
  ['PUT', /^\/photos\/[0-9a-f-]{36}$/],
  ['PUT', /^\/cars\/[0-9a-f-]{36}\/runs\/[0-9a-f-]{36}$/],
];

/** A phone speaks to the address that was told it, from the page it got there. */
const atOurAddress =
  (sharing: Sharing): RequestHandler =>
  ({ headers: { host, origin } }, response, next) => {
    if (!sharing.isHost(host)) return sendProblem(response, { status: 421, title: 'Open this program by the address that it shows' });
    if (origin !== undefined && origin !== `http://${host}`)
      return sendProblem(response, { status: 403, title: 'Another page may not use this server' });
    next();
  };

const tokenOf = ({ headers: { cookie } }: Request): string | undefined => (cookie ? parse(cookie)[COOKIE] : undefined);

/** The app for phones that join: the same page, and of the same server what a phone may do once its code was right. */
export function phoneApp(sharing: Sharing, api: RequestHandler, webRoot?: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(headers, atOurAddress(sharing), smallIds);
  app.post(
    '/api/join',
    rateLimit({
      windowMs: PAUSE,
      limit: TRIES,
      // One for all: whoever guesses does so from many addresses.
      keyGenerator: () => 'join',
      skipSuccessfulRequests: true,
      legacyHeaders: false,
      handler: (_request, response) =>
        sendProblem(response, { status: 429, title: 'Too many wrong codes', detail: 'Wait a minute, then type the code that is shown.' }),
    }),
    express.json({ limit: '1kb' }),
    (request, response) => {
      const token = sharing.join((request.body as { code?: unknown } | undefined)?.code);
      if (token === null) return sendProblem(response, { status: 403, title: 'This is not the code that is shown' });
      response.setHeader('Set-Cookie', serialize(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/' }));
      response.status(204).end();
    },
  );
  app.use('/api', (request, response, next) => {
    if (!sharing.hasJoined(tokenOf(request)))
      return sendProblem(response, { status: 401, title: 'This phone has not joined', detail: 'Type the code that the program shows.' });
    if (!MAY.some(([method, path]) => method === request.method && path.test(request.path)))
      return sendProblem(response, { status: 403, title: 'A phone that joined may see cars and log runs, no more' });
    next();
  });
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return app;
}

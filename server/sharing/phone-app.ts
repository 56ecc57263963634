import { parse, serialize } from 'cookie';
import express, { type Express, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Role } from '../../core/schema/sharing.ts';
import { smallIds } from '../guards.ts';
import { headers, pageRoutes } from '../page.ts';
import { problemHandler, sendProblem } from '../problem.ts';
import type { Sharing } from './sharing.ts';

const COOKIE = 'joined';
/** Wrong codes that may be tried, and ms until there may be more: at this rate one of three codes of six figures is guessed in weeks. */
const TRIES = 5;
const PAUSE = 60_000;

type Asked = readonly [method: string, path: RegExp];
const OF_MEETS: Asked = ['GET', /^\/meets(\/|$)/];
const OF_CREWS: readonly Asked[] = [
  OF_MEETS,
  ['GET', /^\/(cars|briefs|sessions|parts)(\/|$)/],
  ['GET', /^\/photos\/[0-9a-f-]{36}\/picture$/],
  ['PUT', /^\/photos\/[0-9a-f-]{36}$/],
  ['PUT', /^\/cars\/[0-9a-f-]{36}\/runs\/[0-9a-f-]{36}$/],
];
/** What a phone may do, by what it joined as, and how that is told to one that asks for more. */
const MAY: Readonly<Record<Role, { readonly asks: readonly Asked[]; readonly words: string }>> = {
  board: { asks: [OF_MEETS], words: 'A board may show meets, no more' },
  crew: { asks: OF_CREWS, words: 'A phone that joined as crew may see cars and meets and log runs, no more' },
  official: {
    asks: [...OF_CREWS, ['PUT', /^\/meets\/[0-9a-f-]{36}(\/results\/[0-9a-f-]{36})?$/]],
    words: 'A phone that joined as official may see cars, log runs and write meets, no more',
  },
};

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

/** The app for phones that join: the same page, and of the same server what it may do as what its code says. */
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
        sendProblem(response, { status: 429, title: 'Too many wrong codes', detail: 'Wait a minute, then type a code that is shown.' }),
    }),
    express.json({ limit: '1kb' }),
    (request, response) => {
      const token = sharing.join((request.body as { code?: unknown } | undefined)?.code);
      if (token === null) return sendProblem(response, { status: 403, title: 'This is not a code that is shown' });
      response.setHeader('Set-Cookie', serialize(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/' }));
      response.status(204).end();
    },
  );
  app.use('/api', (request, response, next) => {
    const role = sharing.roleOf(tokenOf(request));
    if (role === null)
      return sendProblem(response, { status: 401, title: 'This phone has not joined', detail: 'Type a code that the program shows.' });
    if (request.method === 'GET' && request.path === '/joined') return void response.json({ role });
    const { asks, words } = MAY[role];
    if (!asks.some(([method, path]) => method === request.method && path.test(request.path)))
      return sendProblem(response, { status: 403, title: words });
    next();
  });
  app.use('/api', api);
  if (webRoot) app.use(pageRoutes(webRoot));
  app.use((_request, response) => sendProblem(response, { status: 404, title: 'No such address' }));
  app.use(problemHandler);
  return app;
}

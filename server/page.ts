import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router, type RequestHandler } from 'express';
import helmet from 'helmet';
import sirv from 'sirv';
import { sendProblem } from './problem.ts';

/** A fresh nonce for each answer: the page's style sheets are made in the browser and must carry it. */
const withNonce: RequestHandler = (_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString('base64');
  next();
};

const nonceOf = (_request: unknown, response: unknown): string => `'nonce-${(response as { locals: { nonce: string } }).locals.nonce}'`;

/** What the page may not ask of the machine: all but what a builder would be asked for. */
const withPermissions: RequestHandler = (_request, response, next) => {
  response.setHeader('Permissions-Policy', 'camera=(), geolocation=(), microphone=(), payment=(), usb=()');
  next();
};

/** Security headers: nothing from elsewhere, no inline script, no framing. */
export const headers: RequestHandler[] = [
  withNonce,
  withPermissions,
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", nonceOf],
        imgSrc: ["'self'", 'data:', 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  }),
];

/** s */
const YEAR = 31_536_000;

interface Built {
  readonly file: string;
  readonly imports?: readonly string[];
  readonly css?: readonly string[];
}

/** What the page of each station is told to fetch at once: its program comes beside the first screen's, not after it. */
function preloadsOf(webRoot: string): Readonly<Record<string, string>> {
  const built = JSON.parse(readFileSync(join(webRoot, 'stations.json'), 'utf8')) as Readonly<Record<string, Built>>;
  const preload = (station: string, page = station): string => {
    const seen = new Set<string>();
    const gather = (key: string): void => {
      if (seen.has(key)) return;
      seen.add(key);
      built[key]?.imports?.forEach(gather);
    };
    gather(`stations/${station}/${page}-page.tsx`);
    return [...seen].map((key) => (built[key] ? `<link rel="modulepreload" crossorigin href="/${built[key].file}" />` : '')).join('');
  };
  return { brief: preload('brief', 'car-brief'), design: preload('design'), track: preload('track') };
}

/** The built page and its assets; any address that is not a file opens the page, which finds its station. */
export function pageRoutes(webRoot: string): Router {
  const router = Router();
  const page = readFileSync(join(webRoot, 'index.html'), 'utf8');
  const preloads = preloadsOf(webRoot);
  const sendPage: RequestHandler = (request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    const station = /\/(brief|design|track)$/.exec(request.path)?.[1] ?? '';
    const made = page.replaceAll('__NONCE__', response.locals.nonce as string).replace('<!-- preload -->', preloads[station] ?? '');
    response.type('html').send(made);
  };
  router.get(['/index.html', '/stations.json'], sendPage);
  // What was packed when it was built is sent packed.
  router.use('/assets', sirv(join(webRoot, 'assets'), { immutable: true, maxAge: YEAR, gzip: true, brotli: true }));
  router.use('/assets', (_request, response) => sendProblem(response, { status: 404, title: 'No such file' }));
  router.use(sirv(webRoot, { gzip: true, brotli: true, extensions: [] }));
  router.get('/{*path}', sendPage);
  return router;
}

import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import express, { Router, type RequestHandler } from 'express';
import helmet from 'helmet';
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
        // What is printed in 3D is made whole by a compiled library, which is no script.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", nonceOf],
        imgSrc: ["'self'", 'data:', 'blob:'],
        // Films that are measured stay in the page.
        mediaSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  }),
];

/** How files were packed when they were built, the smallest first: the encoding, and what their names end with. */
const PACKED = [
  ['br', '.br'],
  ['gzip', '.gz'],
] as const;

/** The files of a folder, packed ones to whom can unpack them; one that is gone meanwhile is passed on. */
function files(folder: string, options: { readonly immutable?: true; readonly maxAge?: string }): RequestHandler[] {
  const there = new Set(readdirSync(folder, { recursive: true, encoding: 'utf8' }));
  const send = express.static(folder, {
    ...options,
    index: false,
    redirect: false,
    setHeaders: (response, path) => {
      response.setHeader('Vary', 'Accept-Encoding');
      const packed = PACKED.find(([, end]) => path.endsWith(end));
      if (!packed) return;
      response.setHeader('Content-Encoding', packed[0]);
      response.type(extname(path.slice(0, -packed[1].length)));
    },
  });
  const sendPacked: RequestHandler = (request, response, next) => {
    const { url } = request;
    const name = request.path.slice(1);
    const packed = PACKED.find(([encoding, end]) => there.has(name + end) && request.acceptsEncodings(encoding));
    if (!packed) return next();
    request.url = `${request.path}${packed[1]}`;
    send(request, response, (error?: unknown) => {
      request.url = url;
      next(error);
    });
  };
  return [sendPacked, send];
}

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
    const html = page.replaceAll('__NONCE__', response.locals.nonce as string).replace('<!-- preload -->', preloads[station] ?? '');
    response.type('html').send(html);
  };
  router.get(['/index.html', '/stations.json'], sendPage);
  router.use('/assets', ...files(join(webRoot, 'assets'), { immutable: true, maxAge: '1y' }));
  router.use('/assets', (_request, response) => sendProblem(response, { status: 404, title: 'No such file' }));
  router.use(...files(webRoot, {}));
  router.get('/{*path}', sendPage);
  return router;
}

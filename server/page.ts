import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router, type RequestHandler } from 'express';
import helmet from 'helmet';

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

/** The built page and its assets; any address that is not a file opens the page, which finds its station. */
export function pageRoutes(webRoot: string): Router {
  const router = Router();
  const page = readFileSync(join(webRoot, 'index.html'), 'utf8');
  const sendPage: RequestHandler = (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(page.replaceAll('__NONCE__', response.locals.nonce as string));
  };
  router.get('/index.html', sendPage);
  router.use('/assets', express.static(join(webRoot, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  router.use(express.static(webRoot, { index: false }));
  router.get('/{*path}', sendPage);
  return router;
}

import type { RequestHandler } from 'express';
import { sendProblem } from './problem.ts';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** Only pages of this very server may talk to it: a foreign Host (DNS rebinding) or Origin is turned away. */
export const localOnly: RequestHandler = (request, response, next) => {
  const { host, origin } = request.headers;
  const hosts = request.rawHeaders.filter((name, i) => i % 2 === 0 && name.toLowerCase() === 'host').length;
  if (hosts > 1) return sendProblem(response, { status: 400, title: 'A request names one Host' });
  if (!host || !LOCAL.test(host))
    return sendProblem(response, { status: 421, title: 'Open this program by its own address, such as http://127.0.0.1' });
  if (origin !== undefined && origin !== `http://${host}`)
    return sendProblem(response, { status: 403, title: 'Another page may not use this server' });
  next();
};

/** What is sent here must be JSON. */
export const jsonOnly: RequestHandler = (request, response, next) => {
  const sends = request.method === 'PUT' || request.method === 'POST';
  if (sends && !request.is('application/json'))
    return sendProblem(response, { status: 415, title: 'Send JSON (content-type application/json)' });
  next();
};

/** An id in capitals is the same id. */
export const lowercaseIds: RequestHandler = (request, _response, next) => {
  request.url = request.url.replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/gi, (id) => id.toLowerCase());
  next();
};

import type { ErrorRequestHandler, Response } from 'express';
import type { Fault } from '../core/fault.ts';

/** An answer for people, as RFC 9457 lays it out. */
export interface Problem {
  readonly status: number;
  readonly title: string;
  readonly detail?: string;
  readonly faults?: readonly Fault[];
  /** With 409: what is kept here, beside what was sent. */
  readonly current?: unknown;
  readonly yours?: unknown;
}

export function sendProblem(response: Response, problem: Problem): void {
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', ...problem }));
}

export const notFound = (response: Response, what: string): void =>
  sendProblem(response, { status: 404, title: `No such ${what}`, detail: `This ${what} is not here, or was removed.` });

export const faulty = (response: Response, faults: readonly Fault[]): void =>
  sendProblem(response, { status: 422, title: 'This cannot be kept as it is', faults });

/** The last handler: every error becomes a problem, never a stack. */
export const problemHandler: ErrorRequestHandler = (error: { type?: string; code?: string; status?: number }, _request, response, next) => {
  if (response.headersSent) return next(error);
  if (error.type === 'entity.parse.failed') return sendProblem(response, { status: 400, title: 'The body is not JSON' });
  if (error.type === 'entity.too.large')
    return sendProblem(response, { status: 413, title: 'The body is too large', detail: 'At most 256 kB.' });
  if (error.code === 'SQLITE_FULL' || error.code === 'SQLITE_IOERR_WRITE')
    return sendProblem(response, {
      status: 507,
      title: 'The disk is full',
      detail: 'Nothing was changed. Free some space and try again; what you typed is still on the screen.',
    });
  if (error.status && error.status < 500) return sendProblem(response, { status: error.status, title: 'The request cannot be answered' });
  console.error(error);
  sendProblem(response, {
    status: 500,
    title: 'Something went wrong here',
    detail: 'Nothing was changed. Try again; if it stays, restart the program.',
  });
};

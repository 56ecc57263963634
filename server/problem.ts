import type { ErrorRequestHandler, Response } from 'express';
import type { Fault } from '../core/fault.ts';
import { withMessage, type FaultWithMessage } from '../core/fault-words.ts';
import type { Unreadable } from '../core/schema/stored.ts';

/** An answer for people, as RFC 9457 lays it out. */
export interface Problem {
  readonly status: number;
  readonly title: string;
  readonly detail?: string;
  readonly faults?: readonly FaultWithMessage[];
  /** With 409: what is stored here, beside what was sent. */
  readonly current?: unknown;
  readonly yours?: unknown;
  /** What is stored but cannot be read: its text, to be saved. */
  readonly text?: string;
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
  sendProblem(response, { status: 422, title: 'This cannot be saved as it is', faults: faults.map(withMessage) });

export const unreadable = (response: Response, what: string, { unreadable: { text, faults } }: Unreadable): void =>
  sendProblem(response, { status: 422, title: `This ${what} is stored here, but cannot be read`, faults: faults.map(withMessage), text });

/** The folder of the data was moved or deleted while the program ran: before a write, or while it was made. */
export class DataGone extends Error {}
export class DataMoved extends Error {}

const DATA_GONE: Problem = {
  status: 507,
  title: 'The data folder was moved or deleted',
  detail:
    'This was not saved. Put the folder back, or save everything from the Garage and start the program again. What you typed is still on the screen.',
};
const DATA_MOVED: Problem = {
  status: 507,
  title: 'The data folder was moved while this was saved',
  detail: 'It was saved where the folder is now. Put the folder back, start the program again, and check that it is there.',
};
const DISK_FULL: Problem = {
  status: 507,
  title: 'The disk is full',
  detail: 'Nothing was changed. Free some space and try again. What you typed is still on the screen.',
};
const HELD_UP: Problem = {
  status: 503,
  title: 'Another program is writing to the data',
  detail: 'Nothing was changed. Close the program that has nimble-axle.sqlite open, and try again. What you typed is still on the screen.',
};
const CODES: Readonly<Record<string, Problem>> = {
  SQLITE_FULL: DISK_FULL,
  SQLITE_IOERR_WRITE: DISK_FULL,
  SQLITE_IOERR_SHMSIZE: DISK_FULL,
  ENOSPC: DISK_FULL,
  SQLITE_BUSY: HELD_UP,
  SQLITE_BUSY_SNAPSHOT: HELD_UP,
  SQLITE_LOCKED: HELD_UP,
  SQLITE_READONLY_DBMOVED: DATA_GONE,
};

interface BodyError {
  readonly type?: string;
  readonly code?: string;
  readonly status?: number;
  /** Bytes, of a body that is too large. */
  readonly limit?: number;
}
const kilobytes = (bytes: number): string => (bytes < 2 ** 20 ? `${Math.round(bytes / 1024)} kB` : `${Math.round(bytes / 2 ** 20)} MB`);

/** The last handler: every error becomes a problem, never a stack. */
export const problemHandler: ErrorRequestHandler = (error: BodyError, _request, response, next) => {
  if (response.headersSent) return next(error);
  if (error.type === 'entity.parse.failed') return sendProblem(response, { status: 400, title: 'The body is not JSON' });
  if (error.type === 'entity.too.large')
    return sendProblem(response, { status: 413, title: 'The body is too large', detail: `At most ${kilobytes(error.limit ?? 0)}.` });
  if (error instanceof DataGone) return sendProblem(response, DATA_GONE);
  if (error instanceof DataMoved) return sendProblem(response, DATA_MOVED);
  const known = error.code === undefined ? undefined : CODES[error.code];
  if (known) {
    if (known.status === 503) response.setHeader('Retry-After', '1');
    return sendProblem(response, known);
  }
  if (error.status && error.status < 500) return sendProblem(response, { status: error.status, title: 'The request cannot be answered' });
  console.error(error);
  sendProblem(response, {
    status: 500,
    title: 'Something went wrong here',
    detail: 'Nothing was changed. Try again; if that does not help, restart the program.',
  });
};

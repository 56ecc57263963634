import { isDeepStrictEqual } from 'node:util';
import type { Request, Response } from 'express';
import type { Fault } from '../../core/fault.ts';
import { faulty, notFound, sendProblem } from '../problem.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Faults of what every write carries: an id made by the client, and the version it was based on (0 for a new one). */
export function writeFaults(request: Request): Fault[] {
  const faults: Fault[] = [];
  const body = request.body as { baseVersion?: unknown } | undefined;
  if (!UUID.test(String(request.params.id))) faults.push({ path: 'id', message: 'must be a UUID' });
  if (!Number.isInteger(body?.baseVersion) || (body!.baseVersion as number) < 0)
    faults.push({ path: 'baseVersion', message: 'must be the version this was based on, 0 for a new one' });
  return faults;
}

interface Versioned {
  readonly id: string;
  readonly version: number;
}

interface AnsweredWrite<T extends Versioned> {
  readonly response: Response;
  readonly what: string;
  readonly write: () => boolean;
  readonly get: () => T | undefined;
  readonly contentOf: (stored: T) => unknown;
  /** The stored thing as it is answered. */
  readonly shown: (stored: T) => unknown;
  readonly yours: unknown;
}

/**
 * Answers a write. One that was already kept (a retry) is fine; one based on another version gets 409 with both copies.
 */
export function answerWrite<T extends Versioned>({ response, what, write, get, contentOf, shown, yours }: AnsweredWrite<T>): void {
  const kept = write();
  const current = get();
  if (!current) return notFound(response, what);
  if (kept || isDeepStrictEqual(contentOf(current), yours)) {
    response.json(shown(current));
    return;
  }
  sendProblem(response, {
    status: 409,
    title: `This ${what} was changed elsewhere`,
    detail: 'Both versions are here: the one kept and yours. Nothing was overwritten.',
    current: shown(current),
    yours,
  });
}

/** Answers a removal or its undoing. */
export function answerMark(response: Response, what: string, isDone: boolean): void {
  if (isDone) response.status(204).end();
  else notFound(response, what);
}

export { faulty };

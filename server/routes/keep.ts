import { isDeepStrictEqual } from 'node:util';
import { Router, type Request, type Response } from 'express';
import type { Fault } from '../../core/fault.ts';
import { isReadable, type Kept } from '../../core/schema/stored.ts';
import { commit } from '../commit.ts';
import type { Store } from '../database.ts';
import { faulty, notFound, sendProblem, unreadable } from '../problem.ts';
import type { Place } from '../queries/place.ts';
import type { Reader } from '../queries/rows.ts';

export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Faults of what every write carries: an id made by the client, and the version it was based on (0 for a new one). */
function writeFaults(request: Request): Fault[] {
  const faults: Fault[] = [];
  const body = request.body as { baseVersion?: unknown } | undefined;
  if (!UUID.test(String(request.params.id))) faults.push({ path: 'id', code: 'expected', what: 'a UUID' });
  if (!Number.isSafeInteger(body?.baseVersion) || (body!.baseVersion as number) < 0)
    faults.push({ path: 'baseVersion', code: 'expected', what: 'the version this was based on, 0 for a new one' });
  return faults;
}

/** Where things of one kind are kept, for one request: a record's are those of the car in its address. */
interface CheckedPlace<K extends Kept, T> extends Place<K, T> {
  /** What is wrong with keeping this, beyond its own shape. */
  readonly faults?: (id: string, content: T) => readonly Fault[];
}

interface Keeping<K extends Kept, T> {
  readonly store: Store;
  /** Its name in messages. */
  readonly what: string;
  /** The key under which the content is sent and answered. */
  readonly key: 'design' | 'part' | 'brief' | 'session' | 'photo' | 'record' | 'meet' | 'result';
  readonly read: Reader<T>;
  readonly placeOf: (request: Request) => CheckedPlace<K, T>;
}

/** The content as JSON has it: −0 is 0. */
const asKept = (content: unknown): unknown => JSON.parse(JSON.stringify(content)) as unknown;

/**
 * Get, put, remove and restore of one thing by its id. A write that was already kept (a retry) is fine; one based on another
 * version gets 409 with both copies.
 */
export function keepRoutes<K extends Kept, T>({ store, what, key, read, placeOf }: Keeping<K, T>): Router {
  const router = Router({ mergeParams: true });
  const contentOf = (kept: K): unknown => (kept as unknown as Record<string, unknown>)[key];
  const answerMark = (response: Response, isDone: boolean): void => {
    if (isDone) response.status(204).end();
    else notFound(response, what);
  };
  router.get('/:id', (request, response) => {
    const kept = placeOf(request).get(request.params.id);
    if (!kept) notFound(response, what);
    else if (isReadable<K>(kept)) response.json(kept);
    else unreadable(response, what, kept);
  });
  router.put('/:id', async (request, response) => {
    const { id } = request.params;
    const place = placeOf(request);
    const content = read((request.body as Record<string, unknown> | undefined)?.[key]);
    const faults = [...writeFaults(request), ...(content.kind === 'faulty' ? content.faults : (place.faults?.(id, content.value) ?? []))];
    if (content.kind === 'faulty' || faults.length > 0) return faulty(response, faults);
    const { baseVersion } = request.body as { baseVersion: number };
    const isKept = await commit(store, () => place.write(id, baseVersion, content.value, new Date().toISOString()));
    const current = place.get(id);
    if (!current) return notFound(response, what);
    if (isReadable<K>(current) && (isKept || isDeepStrictEqual(contentOf(current), asKept(content.value)))) {
      response.json(current);
      return;
    }
    sendProblem(response, {
      status: 409,
      title: `This ${what} was changed elsewhere`,
      detail: 'Both versions are here: the one kept and yours. Nothing was overwritten.',
      current,
      yours: content.value,
    });
  });
  router.delete('/:id', async (request, response) =>
    answerMark(response, await commit(store, () => placeOf(request).remove(request.params.id, new Date().toISOString()))),
  );
  router.post('/:id/restore', async (request, response) =>
    answerMark(response, await commit(store, () => placeOf(request).restore(request.params.id))),
  );
  return router;
}

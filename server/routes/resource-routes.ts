import { isDeepStrictEqual } from 'node:util';
import { Router, type Request, type Response } from 'express';
import type { Fault } from '../../core/fault.ts';
import { RESOURCES, type ResourceKind, type ResourceShape } from '../../core/schema/resources.ts';
import { isReadable, type EarlierContent, type StoredItem } from '../../core/schema/stored.ts';
import { commit } from '../commit.ts';
import type { Store } from '../database.ts';
import { faulty, notFound, sendProblem, unreadable } from '../problem.ts';
import type { Repository } from '../queries/repository.ts';
import type { Reader } from '../queries/rows.ts';
import { forbiddenChange, joinedOf, refuse, senderRights } from '../rights.ts';
import { parsePagination } from './pagination.ts';

export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Faults of what every write carries: an id made by the client, and the version it was based on (0 for a new one). */
function writeFaults(request: Request, { isImmutable }: ResourceShape): Fault[] {
  const faults: Fault[] = [];
  const body = request.body as { baseVersion?: unknown } | undefined;
  if (!UUID.test(String(request.params.id))) faults.push({ path: 'id', code: 'expected', what: 'a UUID' });
  if (isImmutable && body?.baseVersion !== 0)
    faults.push({ path: 'baseVersion', code: 'expected', what: '0: what is stored is never changed, only added to' });
  else if (!Number.isSafeInteger(body?.baseVersion) || (body!.baseVersion as number) < 0)
    faults.push({ path: 'baseVersion', code: 'expected', what: 'the version this was based on, 0 for a new one' });
  return faults;
}

/** Where things of one kind are stored, for one request: a record's are those of the car or meet in its address. */
interface CheckedPlace<K extends StoredItem, T> extends Repository<K, T> {
  /** What is wrong with storing this, beyond its own shape. */
  readonly faults?: (id: string, content: T, baseVersion: unknown) => readonly Fault[];
}

interface Resource<K extends StoredItem, T> {
  readonly store: Store;
  readonly kind: ResourceKind;
  readonly read: Reader<T>;
  readonly placeOf: (request: Request) => CheckedPlace<K, T>;
  /** Whether a new thing belongs to the car of the crew that sends it, where a crew may add its own alone. */
  readonly isOwn?: (request: Request, content: T, carId: string) => boolean;
  /** The part of the content whose fields may be changed one by one; all of it without. */
  readonly fieldsOf?: (content: T) => object;
  /** What of the content is compared with what is stored; all of it without. */
  readonly storedAs?: (content: T) => T;
  /** Told of each thing that was written. */
  readonly onWritten?: (stored: K, request: Request) => void;
  readonly earlier?: (id: string, before: number, limit: number) => readonly EarlierContent[];
}

/** The content as JSON has it: −0 is 0. */
const asStored = (content: unknown): unknown => JSON.parse(JSON.stringify(content)) as unknown;

/**
 * Get, put, remove and restore of one thing by its id, and what it was before. A write that was stored already (a retry) is fine; one based
 * on another version gets 409 with both copies. What a phone's role may not add or change is refused with 403.
 */
export function resourceRoutes<K extends StoredItem, T extends object>(resource: Resource<K, T>): Router {
  const { store, kind, read, placeOf, isOwn, earlier, onWritten } = resource;
  const { fieldsOf = (content: T): object => content, storedAs = (content: T): T => content } = resource;
  const { key, isRemovable } = RESOURCES[kind];
  const router = Router({ mergeParams: true });
  const contentOf = (stored: K): T => Reflect.get(stored, key) as T;
  const answerMark = (response: Response, isDone: boolean): void => {
    if (isDone) response.status(204).end();
    else notFound(response, kind);
  };
  /** Whether the sender may write this, told in an answer where not. */
  const mayWrite = (request: Request, response: Response, content: T, current: K | null, baseVersion: number): boolean => {
    const rights = senderRights(response, kind);
    if (baseVersion === 0) {
      const joined = joinedOf(response);
      const carId = joined && 'carId' in joined ? joined.carId : null;
      if (rights.add !== 'own' || (carId !== null && isOwn?.(request, content, carId))) return true;
      refuse(response, carId === null ? 'Choose first which car this phone is for.' : 'This phone is for another car.');
      return false;
    }
    // A stale write is reported as such: who changed what else is not this sender.
    if (!current || current.version !== baseVersion) return true;
    const field = forbiddenChange(response, kind, fieldsOf(contentOf(current)), asStored(fieldsOf(content)) as object);
    if (field !== null) refuse(response, `It may not change “${field}”.`);
    return field === null;
  };
  router.get('/:id', (request, response) => {
    const stored = placeOf(request).get(request.params.id);
    if (!stored) notFound(response, kind);
    else if (isReadable<K>(stored)) response.json(stored);
    else unreadable(response, kind, stored);
  });
  router.put('/:id', async (request, response) => {
    const { id } = request.params;
    const place = placeOf(request);
    const body = request.body as Record<string, unknown> | undefined;
    const content = read(body?.[key]);
    const faults = [
      ...writeFaults(request, RESOURCES[kind]),
      ...(content.kind === 'faulty' ? content.faults : (place.faults?.(id, content.value, body?.baseVersion) ?? [])),
    ];
    if (content.kind === 'faulty' || faults.length > 0) return faulty(response, faults);
    const baseVersion = body!.baseVersion as number;
    const before = place.get(id);
    if (!mayWrite(request, response, content.value, before && isReadable<K>(before) ? before : null, baseVersion)) return;
    const isWritten = await commit(store, () => place.write(id, baseVersion, content.value, new Date().toISOString()));
    const current = place.get(id);
    if (!current) return notFound(response, kind);
    if (isReadable<K>(current) && (isWritten || isDeepStrictEqual(contentOf(current), asStored(storedAs(content.value))))) {
      if (isWritten) onWritten?.(current, request);
      response.json(current);
      return;
    }
    sendProblem(response, {
      status: 409,
      title: `This ${kind} was changed elsewhere`,
      detail: 'Both versions are here: the one stored and yours. Nothing was overwritten.',
      current,
      yours: content.value,
    });
  });
  if (earlier)
    router.get('/:id/history', (request, response) => {
      const { before } = request.query;
      const { limit, faults } = parsePagination(request);
      const version = before === undefined ? Number.MAX_SAFE_INTEGER : Number(before);
      if (!Number.isSafeInteger(version)) return faulty(response, [{ path: 'before', code: 'expected', what: `a version of the ${kind}` }]);
      if (faults.length > 0) return faulty(response, faults);
      if (!placeOf(request).get(request.params.id)) return notFound(response, kind);
      response.json(earlier(request.params.id, version, limit));
    });
  if (isRemovable) {
    router.delete('/:id', async (request, response) =>
      answerMark(response, await commit(store, () => placeOf(request).remove(request.params.id, new Date().toISOString()))),
    );
    router.post('/:id/restore', async (request, response) =>
      answerMark(response, await commit(store, () => placeOf(request).restore(request.params.id))),
    );
  }
  return router;
}

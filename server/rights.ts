import { isDeepStrictEqual } from 'node:util';
import type { Request, RequestHandler, Response } from 'express';
import { RESOURCES, type ResourceKind } from '../core/schema/resources.ts';
import type { Joined, Role } from '../core/schema/sharing.ts';
import { sendProblem } from './problem.ts';
import { SERVED, type Rights } from './resources.ts';

/** As what the sender of a request joined; null for the owner, whose machine this is. */
export const joinedOf = (response: Response): Joined | null => (response.locals.joined as Joined | undefined) ?? null;

const MAY: Readonly<Record<Role, string>> = {
  board: 'A board may only show meets',
  crew: 'A crew may only see cars and meets and log runs of its own car',
  official: 'An official may only see cars, log runs, enter and inspect cars and save results',
};

/** Refuses what a role may not do, with the reason in `detail` where there is more to say. */
export function refuse(response: Response, detail?: string): void {
  const joined = joinedOf(response);
  sendProblem(response, { status: 403, title: joined ? MAY[joined.role] : 'This is not allowed', ...(detail && { detail }) });
}

/** What a phone may do with things of a kind; null for the owner, who may do everything. */
export function rightsOf(response: Response, kind: ResourceKind): Rights | null {
  const joined = joinedOf(response);
  return joined === null ? null : (SERVED[kind].rights[joined.role] ?? {});
}

/** What a request does with a thing. */
export function actionOf({ method, body }: Request): 'see' | 'add' | 'change' | 'manage' {
  if (method === 'GET' || method === 'HEAD') return 'see';
  if (method !== 'PUT') return 'manage';
  return ((body as { baseVersion?: unknown } | undefined)?.baseVersion ?? 0) === 0 ? 'add' : 'change';
}

/** Lets pass what the role of the sender may do with things of a kind, by what is asked; the rest is turned away. */
export const allowed =
  (kind: ResourceKind): RequestHandler =>
  (request, response, next) => {
    const rights = rightsOf(response, kind);
    const action = actionOf(request);
    if (rights === null || (action !== 'manage' && rights[action])) return next();
    const { plural } = RESOURCES[kind];
    refuse(response, action === 'change' && rights.add ? `It may add ${plural}, but not change existing ones.` : undefined);
  };

/** For the owner alone. */
export const ownerOnly: RequestHandler = (_request, response, next) => {
  if (joinedOf(response) === null) next();
  else refuse(response);
};

/** The first field of `next` that differs from `before` and may not be changed by this sender; null where there is none. */
export function forbiddenChange(response: Response, kind: ResourceKind, before: object, next: object): string | null {
  const rights = rightsOf(response, kind);
  if (rights === null) return null;
  const may = new Set<string>(rights.change);
  const value = (of: object, key: string): unknown => (of as Readonly<Record<string, unknown>>)[key];
  return (
    [...new Set([...Object.keys(before), ...Object.keys(next)])].find(
      (key) => !may.has(key) && !isDeepStrictEqual(value(before, key), value(next, key)),
    ) ?? null
  );
}

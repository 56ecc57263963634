import { isDeepStrictEqual } from 'node:util';
import type { Request, RequestHandler, Response } from 'express';
import { RESOURCES, type ResourceKind } from '../core/schema/resources.ts';
import { mayReach, rightsOf, type Rights, type Surface } from '../core/schema/rights.ts';
import type { Joined, Role } from '../core/schema/sharing.ts';
import { sendProblem } from './problem.ts';

/** As what the sender of a request joined; null for the owner, whose machine this is. */
export const joinedOf = (response: Response): Joined | null => (response.locals.joined as Joined | undefined) ?? null;

const MAY: Readonly<Record<Role, string>> = {
  board: 'A board may only show meets',
  crew: 'A crew may only see cars and meets and log runs of its own car',
  official: 'An official may only see cars, log runs, enter and inspect cars and save results',
  'class-crew': 'A crew may only work in its own space',
  'handed-in': 'The cars of this class are handed in and cannot be changed',
  onlooker: 'You only look at this crew’s work. Press “Help” to change it',
  helper: 'A helper may only work in the space of the crew',
};

/** Refuses what a role may not do, with the reason in `detail` where there is more to say. */
export function refuse(response: Response, detail?: string): void {
  const joined = joinedOf(response);
  sendProblem(response, { status: 403, title: joined ? MAY[joined.role] : 'This is not allowed', ...(detail && { detail }) });
}

/** What the sender of a request may do with things of a kind. */
export const senderRights = (response: Response, kind: ResourceKind): Rights => rightsOf(joinedOf(response)?.role ?? 'host', kind);

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
    const rights = senderRights(response, kind);
    const action = actionOf(request);
    if (rights[action]) return next();
    const { plural } = RESOURCES[kind];
    refuse(response, action === 'change' && rights.add ? `It may add ${plural}, but not change existing ones.` : undefined);
  };

/** For the owner, and for those who reach this surface. */
export const onlyFor =
  (surface: Surface): RequestHandler =>
  (_request, response, next) => {
    if (mayReach(joinedOf(response)?.role ?? 'host', surface)) next();
    else refuse(response);
  };
/** For the owner alone. */
export const ownerOnly: RequestHandler = (_request, response, next) => {
  if (joinedOf(response) === null) next();
  else refuse(response);
};

/** The first field of `next` that differs from `before` and may not be changed by this sender; null where there is none. */
export function forbiddenChange(response: Response, kind: ResourceKind, before: object, next: object): string | null {
  const { change = [] } = senderRights(response, kind);
  if (change === 'any') return null;
  const may = new Set<string>(change);
  const value = (of: object, key: string): unknown => (of as Readonly<Record<string, unknown>>)[key];
  return (
    [...new Set([...Object.keys(before), ...Object.keys(next)])].find(
      (key) => !may.has(key) && !isDeepStrictEqual(value(before, key), value(next, key)),
    ) ?? null
  );
}

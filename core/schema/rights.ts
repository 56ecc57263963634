import type { ResourceKind } from './resources.ts';
import { SPACE_ROLES, type Role } from './sharing.ts';

/** What may be done with things of one kind. */
export interface Rights {
  readonly see?: true;
  /** Add new ones: any, or of its own car alone. */
  readonly add?: 'any' | 'own';
  /** Change all of what is there, or these fields. */
  readonly change?: 'any' | readonly string[];
  /** Remove, bring back, and add many at once. */
  readonly manage?: true;
}
export type Verb = keyof Rights;

const SEE: Rights = { see: true };
const ALL: Rights = { see: true, add: 'any', change: 'any', manage: true };

/** In the space of a crew: its work is its own; once it is handed in, its cars stay as they are; an onlooker only looks. */
const WORK = { 'class-crew': ALL, 'handed-in': ALL, onlooker: SEE, helper: ALL } as const;
const HANDED_IN = { ...WORK, 'handed-in': SEE } as const;
const SEEN = { crew: SEE, official: SEE } as const;
const SHOWN = { ...SEEN, board: SEE } as const;
/** Logged by a crew for its own car, by an official for any; neither changes what is there. */
const LOGGED = { crew: { see: true, add: 'own' }, official: { see: true, add: 'any' } } as const;

/**
 * Who may do what with things of each kind: the one table from which the server’s routes, the page and the tests are made. The owner may do
 * everything, and others nothing that is not here.
 */
export const RIGHTS: Readonly<Record<ResourceKind, Readonly<Partial<Record<Role, Rights>>>>> = {
  car: { ...SEEN, ...HANDED_IN },
  version: { ...SEEN, ...HANDED_IN },
  run: { ...LOGGED, ...WORK },
  part: { ...SEEN, ...HANDED_IN },
  brief: { ...SEEN, ...HANDED_IN },
  session: { ...SEEN, ...WORK },
  photo: { ...LOGGED, ...WORK },
  meet: { ...SHOWN, official: { see: true, change: ['nextAt'] }, ...WORK },
  entry: {
    ...SHOWN,
    official: {
      see: true,
      add: 'any',
      change: ['crew', 'car', 'predicted', 'showsPrediction', 'measured', 'style', 'seen', 'isOut', 'late', 'withdrawn'],
    },
    ...WORK,
  },
  result: { ...SHOWN, official: { see: true, add: 'any' }, ...WORK },
  class: {},
};

/** What is no thing by itself: all stations of the page; the list of removed things, all of it as an archive, lines of devices, and who joins. */
export type Surface = 'stations' | 'removed' | 'archive' | 'lines' | 'sharing';

/** Who but the owner reaches each. */
export const REACHED_BY: Readonly<Record<Surface, readonly Role[]>> = {
  stations: SPACE_ROLES,
  removed: SPACE_ROLES,
  archive: [],
  lines: [],
  sharing: [],
};
/** Those that have an address of the server. */
export const SURFACES = (Object.keys(REACHED_BY) as readonly Surface[]).filter((surface) => surface !== 'stations');

/** What a role may do with a kind; the owner everything. `rightsOf('board', 'car') // {}` */
export const rightsOf = (role: Role | 'host', kind: ResourceKind): Rights => (role === 'host' ? ALL : (RIGHTS[kind][role] ?? {}));
export const mayReach = (role: Role | 'host', surface: Surface): boolean => role === 'host' || REACHED_BY[surface].includes(role);

import type { Role } from '../core/schema/sharing.ts';
import type { ResourceKind } from '../core/schema/resources.ts';

/** What a phone may do with things of one kind: see them; add new ones (of its own car alone); change some fields. */
export interface Rights {
  readonly see?: true;
  readonly add?: 'any' | 'own';
  /** Fields that it may change of what is there. */
  readonly change?: readonly string[];
}

interface ServedResource {
  readonly table: string;
  /** The column that holds its content. */
  readonly column: string;
  /** By what a phone joined as; the owner may do everything, and a phone nothing that is not here. */
  readonly rights: Readonly<Partial<Record<Role, Rights>>>;
}

const SEEN = { crew: { see: true }, official: { see: true } } as const;
const SHOWN = { ...SEEN, board: { see: true } } as const;
/** Logged by a crew for its own car, by an official for any; neither changes what is there. */
const LOGGED = { crew: { see: true, add: 'own' }, official: { see: true, add: 'any' } } as const;

/** Where each kind is stored, and who may do what with it; the rest of it is in core/schema/resources.ts. */
export const SERVED: Readonly<Record<ResourceKind, ServedResource>> = {
  car: { table: 'cars', column: 'design', rights: SEEN },
  version: { table: 'car_versions', column: 'record', rights: SEEN },
  run: { table: 'runs', column: 'record', rights: LOGGED },
  part: { table: 'own_parts', column: 'part', rights: SEEN },
  brief: { table: 'briefs', column: 'brief', rights: SEEN },
  session: { table: 'sessions', column: 'session', rights: SEEN },
  photo: { table: 'photos', column: 'photo', rights: LOGGED },
  meet: { table: 'meets', column: 'meet', rights: { ...SHOWN, official: { see: true, change: ['nextAt'] } } },
  entry: {
    table: 'meet_entries',
    column: 'entry',
    rights: {
      ...SHOWN,
      official: {
        see: true,
        add: 'any',
        change: ['crew', 'car', 'predicted', 'showsPrediction', 'measured', 'style', 'seen', 'isOut', 'late', 'withdrawn'],
      },
    },
  },
  result: { table: 'meet_results', column: 'result', rights: { ...SHOWN, official: { see: true, add: 'any' } } },
};

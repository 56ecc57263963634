import type { ResourceKind } from '../core/schema/resources.ts';

interface ServedResource {
  readonly table: string;
  /** The column that holds its content. */
  readonly column: string;
}

/** Where each kind is stored; the rest of it is in core/schema/resources.ts, and who may do what in core/schema/rights.ts. */
export const SERVED: Readonly<Record<ResourceKind, ServedResource>> = {
  car: { table: 'cars', column: 'design' },
  version: { table: 'car_versions', column: 'record' },
  run: { table: 'runs', column: 'record' },
  part: { table: 'own_parts', column: 'part' },
  brief: { table: 'briefs', column: 'brief' },
  session: { table: 'sessions', column: 'session' },
  photo: { table: 'photos', column: 'photo' },
  meet: { table: 'meets', column: 'meet' },
  entry: { table: 'meet_entries', column: 'entry' },
  result: { table: 'meet_results', column: 'result' },
  class: { table: 'classes', column: 'class' },
};

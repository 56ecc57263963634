import { newEntry, newMeet, newResult } from '../../core/meet/new-meet.ts';
import { addressOf, byKind, RESOURCES, type ResourceKind } from '../../core/schema/resources.ts';
import { brief, design, part, record, version } from '../testing.ts';
import { photo, session } from './hostile-requests.ts';

export type Ids = Readonly<Record<ResourceKind, string>>;
export const newIds = (): Ids => byKind(() => crypto.randomUUID());

/** A class as a leader may make it, of these crews. */
export const newClass = (crews: readonly { readonly id: string; readonly name: string }[] = []) =>
  ({
    format: 'nimble-axle/class',
    version: 1,
    name: 'Winter class',
    brief,
    kit: [part],
    startingCar: design,
    closed: [],
    lessons: ['2026-12-01', '2026-12-08'],
    crews,
    opened: { cars: false, results: false, forecasts: false },
  }) as const;

/** The content of one thing of each kind, which belong together by these ids. */
export function oneOfEach(ids: Ids): Readonly<Record<ResourceKind, object>> {
  const entry = newEntry({ id: ids.entry, crew: 'the night watch', car: 'Limpet', carId: ids.car });
  return {
    car: design,
    version,
    run: { ...record, photo: ids.photo },
    part,
    brief,
    session,
    photo,
    meet: newMeet({ name: 'Winter evening', date: '2026-11-21', brief, seed: 1 }),
    entry: { format: 'nimble-axle/meet-entry', version: 1, meet: ids.meet, entry },
    result: newResult({
      meet: ids.meet,
      entry: entry.id,
      round: 0,
      run: 0,
      at: '2026-11-21T18:00:00.000Z',
      by: 'the harbour office',
      outcome: { kind: 'ran', distance: 18.5 },
    }),
    class: newClass(),
  };
}

/** The address of one thing, below the API. */
export function pathIn(ids: Ids, kind: ResourceKind, id: string = ids[kind]): string {
  const { owner } = RESOURCES[kind];
  return `${addressOf(kind, owner === null ? undefined : ids[owner])}/${id}`;
}

/** The content of a new thing of a kind, under an id of its own. */
export const anew = (kind: ResourceKind, content: object, id: string): object =>
  kind === 'entry' ? { ...content, entry: { ...(content as { entry: object }).entry, id } } : content;

/** Stores one thing of each kind by `put`; those that others belong to first. Answers the statuses. */
export async function storeEach(
  ids: Ids,
  kinds: readonly ResourceKind[],
  put: (path: string, body: object) => Promise<number> | number,
): Promise<readonly (readonly [ResourceKind, number])[]> {
  const contents = oneOfEach(ids);
  const statuses: (readonly [ResourceKind, number])[] = [];
  for (const kind of kinds) statuses.push([kind, await put(pathIn(ids, kind), { baseVersion: 0, [RESOURCES[kind].key]: contents[kind] })]);
  return statuses;
}

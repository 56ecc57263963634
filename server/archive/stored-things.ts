import type { ArchiveEntry, ArchivedChange } from '../../core/files/archive.ts';
import { byKind, RESOURCES } from '../../core/schema/resources.ts';
import { isReadable, type StoredItem } from '../../core/schema/stored.ts';
import type { Store } from '../database.ts';
import { briefQueries } from '../queries/briefs.ts';
import { carQueries } from '../queries/cars.ts';
import { classQueries } from '../queries/classes.ts';
import { entryQueries, meetQueries, resultQueries } from '../queries/meets.ts';
import { partQueries } from '../queries/parts.ts';
import { photoQueries } from '../queries/photos.ts';
import { repositoryOf, type Repository } from '../queries/repository.ts';
import { runQueries } from '../queries/runs.ts';
import { sessionQueries } from '../queries/sessions.ts';
import { versionQueries } from '../queries/versions.ts';
import { SERVED } from '../resources.ts';

/** A thing of an archive that is stored by itself. */
export type Thing = Exclude<ArchiveEntry, { kind: 'manifest' | 'earlier' | 'change' }>;

/** The kind and id of what a thing belongs to; null where it stands alone. */
export function ownerOf(thing: Thing): { readonly kind: 'car' | 'meet'; readonly id: string } | null {
  if (thing.kind === 'run' || thing.kind === 'version') return { kind: 'car', id: thing.carId };
  if (thing.kind === 'entry' || thing.kind === 'result') return { kind: 'meet', id: thing.content.meet };
  return null;
}

/** Where things of every kind are stored here, asked for in one way. */
export function storedThings({ db }: Store) {
  const [cars, versions, runs, meets] = [carQueries(db), versionQueries(db), runQueries(db), meetQueries(db)];
  const [entries, results] = [entryQueries(db), resultQueries(db)];
  const documents = {
    part: partQueries(db),
    brief: briefQueries(db),
    session: sessionQueries(db),
    photo: photoQueries(db),
    meet: meets,
    class: classQueries(db),
  };
  const removed = byKind((kind) => db.prepare(`SELECT 1 FROM ${SERVED[kind].table} WHERE id = ? AND deleted_at IS NOT NULL`));
  const isThere = byKind((kind) => db.prepare(`SELECT 1 FROM ${SERVED[kind].table} WHERE id = ? AND deleted_at IS NULL`));
  const change = db.prepare(
    'INSERT OR IGNORE INTO replaced_content (what, id, version, content, saved_at) VALUES (@what, @id, @version, @content, @savedAt)',
  );
  /** What stands here counts on from what it was before. */
  const countOn = byKind((kind) =>
    db.prepare(`UPDATE ${SERVED[kind].table} SET version = @version + 1 WHERE id = @id AND version <= @version`),
  );
  const placeOfThing = (thing: Thing): Repository<StoredItem, never> => {
    switch (thing.kind) {
      case 'car':
        return cars;
      case 'version':
        return repositoryOf(versions, thing.carId);
      case 'run':
        return repositoryOf(runs, thing.carId);
      case 'entry':
        return repositoryOf(entries, thing.content.meet);
      case 'result':
        return repositoryOf(results, thing.content.meet);
      default:
        return documents[thing.kind] as Repository<StoredItem, never>;
    }
  };
  return {
    isRemoved: ({ kind, id }: Pick<Thing, 'kind' | 'id'>): boolean => removed[kind].get(id) !== undefined,
    has: ({ kind, id }: Pick<Thing, 'kind' | 'id'>): boolean => isThere[kind].get(id) !== undefined,
    get: (thing: Thing): { readonly version: number; readonly content: unknown } | null => {
      const stored = placeOfThing(thing).get(thing.id);
      if (!stored) return null;
      const content: unknown = isReadable(stored) ? Reflect.get(stored, RESOURCES[thing.kind].key) : undefined;
      return { version: stored.version, content };
    },
    /** Whether the same stands here, found without reading it; false where that takes a closer look. */
    isSurelySame: (thing: Thing): boolean => thing.kind === 'run' && runs.isKept(thing.id, thing.carId, thing.content),
    restore: (thing: Thing): boolean => placeOfThing(thing).restore(thing.id),
    write: (thing: Thing, base: number, now: string): boolean => placeOfThing(thing).write(thing.id, base, thing.content as never, now),
    addEarlier: cars.keepEarlier,
    addChange: ({ what, id, content: { version, savedAt, content } }: ArchivedChange): void => {
      change.run({ what, id, version, savedAt, content: JSON.stringify(content) });
      countOn[what].run({ id, version });
    },
    /** The ids from a version up to the first of its line; none when the car has no such version. */
    lineOf: versions.lineOf,
  };
}
export type StoredThings = ReturnType<typeof storedThings>;

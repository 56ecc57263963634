import type { StoredItem, Listed } from '../../core/schema/stored.ts';

/** Where things of one kind are stored. */
export interface Repository<K extends StoredItem, T> {
  readonly get: (id: string) => Listed<K> | undefined;
  /** Writes over version `base` (0: makes it). False when another version stands there. */
  readonly write: (id: string, base: number, content: T, now: string) => boolean;
  readonly remove: (id: string, at: string) => boolean;
  readonly restore: (id: string) => boolean;
}

/** What is stored below cars or meets, asked for with the id of the one that it belongs to. */
interface Owned<K extends StoredItem, T> {
  readonly get: (id: string, ownerId: string) => Listed<K> | undefined;
  readonly write: (id: string, ownerId: string, base: number, content: T, now: string) => boolean;
  readonly remove: (id: string, ownerId: string, at: string) => boolean;
  readonly restore: (id: string, ownerId: string) => boolean;
}

/** The place of what belongs to one car or meet. */
export const repositoryOf = <K extends StoredItem, T>(stored: Owned<K, T>, ownerId: string): Repository<K, T> => ({
  get: (id) => stored.get(id, ownerId),
  write: (id, base, content, now) => stored.write(id, ownerId, base, content, now),
  remove: (id, at) => stored.remove(id, ownerId, at),
  restore: (id) => stored.restore(id, ownerId),
});

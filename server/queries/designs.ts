import { createHash } from 'node:crypto';
import type { Db } from '../database.ts';

/** Designs stored once, by their content. */
export function designQueries(db: Db) {
  const insert = db.prepare('INSERT OR IGNORE INTO designs (id, design) VALUES (?, ?)');
  const find = db.prepare<[string], { design: string }>('SELECT design FROM designs WHERE id = ?');
  /** Ids of designs that were met in this run of the program: many runs of an archive share one. */
  const known = new WeakMap<object, string>();
  const idOf = (design: object): string => {
    const found = known.get(design);
    if (found) return found;
    const id = createHash('sha256').update(JSON.stringify(design)).digest('hex');
    known.set(design, id);
    return id;
  };
  return {
    idOf,
    /** Keeps a design and tells its id; one kept before keeps the same. */
    keep: (design: object): string => {
      const id = idOf(design);
      if (!find.get(id)) insert.run(id, JSON.stringify(design));
      return id;
    },
    /** The design's text, as it was stored. */
    get: (id: string): string | undefined => find.get(id)?.design,
  };
}

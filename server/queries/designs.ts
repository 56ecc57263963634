import { createHash } from 'node:crypto';
import type { Db } from '../database.ts';

/** Designs stored once, by their content. */
export function designQueries(db: Db) {
  const insert = db.prepare('INSERT OR IGNORE INTO designs (id, design) VALUES (?, ?)');
  const find = db.prepare<[string], { design: string }>('SELECT design FROM designs WHERE id = ?');
  return {
    /** Keeps a design and tells its id; one kept before keeps the same. */
    keep: (design: unknown): string => {
      const text = JSON.stringify(design);
      const id = createHash('sha256').update(text).digest('hex');
      insert.run(id, text);
      return id;
    },
    /** The design's text, as it was kept. */
    get: (id: string): string | undefined => find.get(id)?.design,
  };
}

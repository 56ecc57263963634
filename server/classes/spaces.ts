import { rmSync } from 'node:fs';
import type { RequestHandler } from 'express';
import { findSpaceFile, spaceFolder } from '../data-file.ts';
import { openDatabase, type Store } from '../database.ts';
import type { Live } from '../live.ts';

/** The work of one crew: a database of its own, so that nothing of it meets another’s, and what is asked of it. */
export interface Space {
  readonly store: Store;
  readonly api: RequestHandler;
  readonly live: Live;
}

interface OpenSpace extends Space {
  usedAt: number;
}

/** ms without a request after which a space that nobody follows is closed; ms between two looks. */
const IDLE = 10 * 60_000;
const LOOK = 60_000;

/** The spaces of all crews, each opened when it is first asked for. `make` says what is asked of one. */
export function makeSpaces(database: string, make: (crewId: string, store: Store) => Omit<Space, 'store'>) {
  const open = new Map<string, OpenSpace>();
  const close = (crewId: string): void => {
    const space = open.get(crewId);
    if (!space) return;
    open.delete(crewId);
    space.live.close();
    space.store.db.close();
  };
  const isThere = (crewId: string): boolean => open.has(crewId) || findSpaceFile(database, crewId) !== null;
  setInterval(() => {
    for (const [crewId, { usedAt, live }] of open) if (performance.now() - usedAt > IDLE && live.count() === 0) close(crewId);
  }, LOOK).unref();
  return {
    /** Opens a space; it is made where it is not there yet. */
    at: (crewId: string): Space => {
      const present = open.get(crewId);
      if (present) {
        present.usedAt = performance.now();
        return present;
      }
      const store = openDatabase(spaceFolder(database, crewId));
      const made: OpenSpace = { store, ...make(crewId, store), usedAt: performance.now() };
      open.set(crewId, made);
      return made;
    },
    isThere,
    /** Only where it is open: nobody follows another. */
    ifOpen: (crewId: string): Space | null => open.get(crewId) ?? null,
    close,
    closeAll: (): void => [...open.keys()].forEach(close),
    /** Closes a space and deletes it for good. */
    destroy: (crewId: string): void => {
      close(crewId);
      rmSync(spaceFolder(database, crewId), { recursive: true, force: true });
    },
  };
}
export type Spaces = ReturnType<typeof makeSpaces>;

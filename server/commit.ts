import type { Store } from './database.ts';
import { DataGone, DataMoved } from './problem.ts';

/** ms a write waits for another program's, and between two tries: reads are answered meanwhile. */
const PATIENCE = 1500;
const BETWEEN_TRIES = 25;

const isHeldUp = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(String((error as { code?: unknown }).code));
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Carries out a write, so that what is answered afterwards is true: it waits for the lock of another program, writes nothing to a file that
 * is no longer in its folder, and does not say "saved" when that was moved meanwhile.
 *
 * @throws what the database throws; DataGone, where nothing was written; DataMoved, where it went to the file's new place.
 */
export async function commit<T>({ isInPlace }: Store, write: () => T): Promise<T> {
  for (const end = performance.now() + PATIENCE; ; await pause(BETWEEN_TRIES)) {
    try {
      if (!isInPlace()) throw new DataGone();
      const written = write();
      if (!isInPlace()) throw new DataMoved();
      return written;
    } catch (error) {
      if (!isHeldUp(error) || performance.now() > end) throw error;
    }
  }
}

import { readArchiveEntry } from '../../core/files/archive.ts';
import { byKind, type ResourceKind } from '../../core/schema/resources.ts';
import { commit } from '../commit.ts';
import type { Store } from '../database.ts';
import { keyOf, type Finding } from './look-through.ts';
import type { StoredThings } from './stored-things.ts';
import { turns } from './turns.ts';
import type { ZippedFile } from './zip-files.ts';

/** Things written in one transaction: requests in between wait for these at most. */
const BATCH = 100;

/** Writes what was found, in turns; how many of each kind. */
export async function takeIn(store: Store, things: StoredThings, files: readonly ZippedFile[], { plan, carsOfEarlier }: Finding) {
  const taken = byKind(() => 0);
  const now = new Date().toISOString();
  let writes: (() => void)[] = [];
  const flush = async (): Promise<void> => {
    const batch = writes;
    writes = [];
    if (batch.length > 0) await commit(store, () => store.db.transaction(() => batch.forEach((write) => write()))());
  };
  const count = (kind: ResourceKind, isDone: boolean): void => {
    if (isDone) taken[kind]++;
  };
  const turn = turns();
  for (const { place, text } of files) {
    for (const entry of readArchiveEntry(place, await text()).entries) {
      if (entry.kind === 'manifest') continue;
      if (entry.kind === 'earlier') {
        if (carsOfEarlier.has(entry.carId)) writes.push(() => void things.addEarlier(entry.carId, entry.content, true));
        else if (things.has({ kind: 'car', id: entry.carId })) writes.push(() => void things.addEarlier(entry.carId, entry.content, false));
      } else if (entry.kind === 'change') {
        if (things.has({ kind: entry.what, id: entry.id })) writes.push(() => things.addChange(entry));
      } else {
        const planned = plan.get(keyOf(entry));
        if (planned === 'restore') writes.push(() => count(entry.kind, things.restore(entry)));
        else if (planned !== undefined) writes.push(() => count(entry.kind, things.write(entry, planned, now)));
      }
      if (writes.length >= BATCH) await flush();
      await turn();
    }
    // What belongs to what was read is asked for in the files to come.
    await flush();
  }
  return taken;
}

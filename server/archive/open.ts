import { isDeepStrictEqual } from 'node:util';
import { readArchiveEntry, type ArchiveEntry } from '../../core/files/archive.ts';
import type { Fault } from '../../core/fault.ts';
import type { ArchiveManifest } from '../../core/schema/generated/archive.ts';
import { isReadable, type ArchiveFinding, type ArchiveReport, type Kept } from '../../core/schema/stored.ts';
import { commit } from '../commit.ts';
import type { Store } from '../database.ts';
import { briefQueries } from '../queries/briefs.ts';
import { carQueries } from '../queries/cars.ts';
import { meetQueries } from '../queries/meets.ts';
import { resultQueries } from '../queries/results.ts';
import { partQueries } from '../queries/parts.ts';
import { photoQueries } from '../queries/photos.ts';
import { placeOfCar, type Place } from '../queries/place.ts';
import { runQueries } from '../queries/runs.ts';
import { sessionQueries } from '../queries/sessions.ts';
import { versionQueries } from '../queries/versions.ts';
import { filesIn, NotAnArchive } from './zip-files.ts';

/** Things written in one transaction; requests in between wait for these at most. */
const BATCH = 100;
/** Differing and removed things, and faults, that are told one by one. */
const MOST_TOLD = 200;

/** What to do with an archive: only look, or take what is new and, where it was asked for, what differs or was removed. */
export type Taking =
  | { readonly kind: 'look' }
  | { readonly kind: 'take'; readonly replace: ReadonlySet<string> | 'all'; readonly restore: ReadonlySet<string> | 'all' };

type Thing = Exclude<ArchiveEntry, { kind: 'manifest' | 'earlier' }>;

const isAsked = (asked: ReadonlySet<string> | 'all', id: string): boolean => asked === 'all' || asked.has(id);

/** Each kind of thing: where it is kept here. */
function placesOf({ db }: Store) {
  const [cars, versions, runs] = [carQueries(db), versionQueries(db), runQueries(db)];
  const documents = {
    part: partQueries(db),
    brief: briefQueries(db),
    session: sessionQueries(db),
    photo: photoQueries(db),
    meet: meetQueries(db),
    result: resultQueries(db),
  };
  const wasRemoved = {
    car: db.prepare('SELECT 1 FROM cars WHERE id = ? AND deleted_at IS NOT NULL'),
    part: db.prepare('SELECT 1 FROM own_parts WHERE id = ? AND deleted_at IS NOT NULL'),
    brief: db.prepare('SELECT 1 FROM briefs WHERE id = ? AND deleted_at IS NOT NULL'),
    session: db.prepare('SELECT 1 FROM sessions WHERE id = ? AND deleted_at IS NOT NULL'),
    photo: db.prepare('SELECT 1 FROM photos WHERE id = ? AND deleted_at IS NOT NULL'),
    meet: db.prepare('SELECT 1 FROM meets WHERE id = ? AND deleted_at IS NOT NULL'),
    result: db.prepare('SELECT 1 FROM meet_results WHERE id = ? AND deleted_at IS NOT NULL'),
    version: db.prepare('SELECT 1 FROM car_versions WHERE id = ? AND deleted_at IS NOT NULL'),
    run: db.prepare('SELECT 1 FROM runs WHERE id = ? AND deleted_at IS NOT NULL'),
  };
  /** Where a thing of any kind is kept, and under what key its content is told. */
  const placeOf = (thing: Thing): readonly [place: Place<Kept, never>, key: string] => {
    switch (thing.kind) {
      case 'car':
        return [cars, 'design'];
      case 'part':
      case 'brief':
      case 'session':
      case 'photo':
      case 'meet':
      case 'result':
        return [documents[thing.kind] as Place<Kept, never>, thing.kind];
      case 'version':
        return [placeOfCar(versions, thing.carId), 'record'];
      case 'run':
        return [placeOfCar(runs, thing.carId), 'record'];
    }
  };
  return {
    isRemoved: ({ kind, id }: Thing): boolean => wasRemoved[kind].get(id) !== undefined,
    hasCar: cars.has,
    get: (thing: Thing): { readonly version: number; readonly content: unknown } | null => {
      const [place, key] = placeOf(thing);
      const kept = place.get(thing.id);
      if (!kept) return null;
      return { version: kept.version, content: isReadable(kept) ? (kept as unknown as Record<string, unknown>)[key] : undefined };
    },
    /** Whether the same stands here, found without reading it; false where that takes a closer look. */
    isSurelySame: (thing: Thing): boolean => thing.kind === 'run' && runs.isKept(thing.id, thing.carId, thing.content),
    restore: (thing: Thing): boolean => placeOf(thing)[0].restore(thing.id),
    write: (thing: Thing, base: number, now: string): boolean => placeOf(thing)[0].write(thing.id, base, thing.content as never, now),
    keepEarlier: cars.keepEarlier,
    lineOf: versions.lineOf,
  };
}

const nameOf = (thing: Thing): string =>
  thing.kind === 'run' ? thing.content.ranAt : thing.kind === 'result' ? thing.content.at : thing.content.name;

/**
 * Opens an archive beside what is kept: tells what is new, the same, different or was removed here, and on asking takes it.
 * What is new is taken; nothing that is here is overwritten or brought back unless it was named. Opened twice, it changes nothing.
 *
 * @throws NotAnArchive when it is none or is cut off: what was taken before that stays, and is found the same the next time.
 */
export async function openArchive(store: Store, bytes: AsyncIterable<Uint8Array>, taking: Taking): Promise<ArchiveReport> {
  const places = placesOf(store);
  const count = () => ({ car: 0, version: 0, run: 0, part: 0, brief: 0, session: 0, photo: 0, meet: 0, result: 0 });
  const [fresh, same, taken] = [count(), count(), count()];
  const different: ArchiveFinding[] = [];
  const removed: ArchiveFinding[] = [];
  const faults: Fault[] = [];
  let manifest: ArchiveManifest | null = null;
  let [differing, gone, faulty] = [0, 0, 0];
  const tell = (fault: Fault): void => {
    if (++faulty <= MOST_TOLD) faults.push(fault);
  };
  const find = (list: ArchiveFinding[], thing: Thing): void => {
    if (list.length < MOST_TOLD)
      list.push({ what: thing.kind, id: thing.id, carId: 'carId' in thing ? thing.carId : null, name: nameOf(thing) });
  };
  /** Cars that are new, or the same as here: they have no later design here than in the archive. */
  const alikeCars = new Set<string>();
  /** Cars that were removed here and stay so: what belongs to them stays with them. */
  const goneCars = new Set<string>();
  // While only looking, a new car is not here yet.
  const hasCar = (carId: string): boolean => places.hasCar(carId) || alikeCars.has(carId);

  let writes: (() => void)[] = [];
  const now = new Date().toISOString();
  const flush = async (): Promise<void> => {
    const batch = writes;
    writes = [];
    if (batch.length > 0) await commit(store, () => store.db.transaction(() => batch.forEach((write) => write()))());
  };
  const put = (thing: Thing, base: number): void => {
    writes.push(() => {
      if (places.write(thing, base, now)) taken[thing.kind]++;
    });
  };
  const weigh = (thing: Thing): void => {
    const isTaking = taking.kind === 'take';
    if (places.isSurelySame(thing)) {
      same[thing.kind]++;
      return;
    }
    if (places.isRemoved(thing)) {
      gone++;
      find(removed, thing);
      if (thing.kind === 'car' && !(isTaking && isAsked(taking.restore, thing.id))) goneCars.add(thing.id);
      if (isTaking && isAsked(taking.restore, thing.id))
        writes.push(() => {
          if (places.restore(thing)) taken[thing.kind]++;
        });
      return;
    }
    const here = places.get(thing);
    if (!here) {
      fresh[thing.kind]++;
      if (thing.kind === 'car') alikeCars.add(thing.id);
      if (isTaking) put(thing, 0);
    } else if (isDeepStrictEqual(here.content, JSON.parse(JSON.stringify(thing.content)))) {
      same[thing.kind]++;
      if (thing.kind === 'car') alikeCars.add(thing.id);
    } else {
      differing++;
      find(different, thing);
      if (isTaking && isAsked(taking.replace, thing.id)) put(thing, here.version);
    }
  };

  /** Versions and runs that came before their car, or before the version they grew from. */
  const waiting: ArchiveEntry[] = [];
  const comingVersions = new Set<string>();
  const mayGrowFrom = (parent: string, { id, carId }: { readonly id: string; readonly carId: string }): boolean => {
    const line = places.lineOf(parent, carId);
    return (comingVersions.has(parent) || line.length > 0) && !line.includes(id);
  };
  const hasPlace = (entry: ArchiveEntry): boolean =>
    !('carId' in entry) ||
    (hasCar(entry.carId) && (entry.kind !== 'version' || entry.content.parent === null || mayGrowFrom(entry.content.parent, entry)));
  const take = (entry: ArchiveEntry): void => {
    if (entry.kind === 'manifest') manifest = entry.manifest;
    else if (entry.kind === 'earlier') {
      if (taking.kind === 'take') writes.push(() => void places.keepEarlier(entry.carId, entry.content, alikeCars.has(entry.carId)));
    } else {
      weigh(entry);
      if (entry.kind === 'version') comingVersions.add(entry.id);
    }
  };

  for await (const { place, text } of filesIn(bytes)) {
    const read = readArchiveEntry(place, text);
    read.faults.forEach(tell);
    for (const entry of read.entries) {
      if ('carId' in entry && goneCars.has(entry.carId)) continue;
      if (hasPlace(entry)) take(entry);
      else waiting.push(entry);
      if (writes.length >= BATCH) await flush();
      // A car must stand before what belongs to it is weighed against the database.
      else if (entry.kind === 'car') await flush();
    }
    await new Promise((resolve) => setImmediate(resolve));
  }
  for (
    let left = waiting.filter((entry) => !(('carId' in entry) && goneCars.has(entry.carId))), before = -1;
    left.length > 0 && left.length !== before;
  ) {
    before = left.length;
    const still: ArchiveEntry[] = [];
    for (const entry of left)
      if (hasPlace(entry)) take(entry);
      else still.push(entry);
    left = still;
    if (left.length === before)
      for (const entry of left)
        tell({
          path: `${entry.kind} ${'id' in entry ? entry.id : ''}`,
          code: 'orphan',
        });
    await flush();
  }
  await flush();
  if (!manifest) throw new NotAnArchive('it holds no manifest.json of this program');
  return { manifest, fresh, same, taken, different, differing, removed, gone, faults, faulty };
}

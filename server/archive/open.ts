import { isDeepStrictEqual } from 'node:util';
import { ARCHIVE_PLACES, archiveOrder, inSpace, readArchiveEntry, type ArchiveEntry } from '../../core/files/archive.ts';
import type { Fault } from '../../core/fault.ts';
import type { ArchiveManifest } from '../../core/schema/generated/archive.ts';
import { byKind, RESOURCE_KINDS, RESOURCES, type ResourceKind } from '../../core/schema/resources.ts';
import type { ArchiveFinding, ArchiveReport } from '../../core/schema/stored.ts';
import { commit } from '../commit.ts';
import { findSpaceFile, spaceFolder } from '../classes/spaces.ts';
import { emptyStore, openBeside, openDatabase, type Store } from '../database.ts';
import { ownerOf, storedThings, type StoredThings, type Thing } from './stored-things.ts';
import { versionsThatFit } from './version-lines.ts';
import { NotAnArchive, openZip, type ZippedFile } from './zip-files.ts';

/** Things written in one transaction, and ms of work at once: requests in between wait for these at most. */
const BATCH = 100;
const TURN = 25;
/** Differing and removed things, and faults, that are reported one by one. */
const MOST_TOLD = 200;
/** The version of the archive's format that is read here. */
const FORMAT_VERSION = 1;

/** What to do with an archive: only look, or take what is new and, where it was asked for, what differs or was removed. */
export type Taking =
  | { readonly kind: 'look' }
  | { readonly kind: 'take'; readonly replace: ReadonlySet<string> | 'all'; readonly restore: ReadonlySet<string> | 'all' };

const isAsked = (asked: ReadonlySet<string> | 'all', id: string): boolean => asked === 'all' || asked.has(id);
const keyOf = ({ kind, id }: { readonly kind: string; readonly id: string }): string => `${kind} ${id}`;
const nameOf = (thing: Thing): string => {
  if (thing.kind === 'run') return thing.content.ranAt;
  if (thing.kind === 'result') return thing.content.at;
  return thing.kind === 'entry' ? thing.content.entry.car : thing.content.name;
};

/** Lets others have their turn once this one has worked for a while. */
function turns(): () => Promise<void> {
  let begun = performance.now();
  return async () => {
    if (performance.now() - begun < TURN) return;
    await new Promise((resolve) => setImmediate(resolve));
    begun = performance.now();
  };
}

/** Refuses an archive of a newer program by its manifest, before that is read as one of this. */
function refuseNewer(text: string): void {
  try {
    const { format, version } = (JSON.parse(text) ?? {}) as { format?: unknown; version?: unknown };
    if (format === 'nimble-axle/archive' && typeof version === 'number' && version > FORMAT_VERSION)
      throw new NotAnArchive(
        `it was saved by a newer Nimble Axle (archive version ${version}, this one reads ${FORMAT_VERSION}); open it with that`,
      );
  } catch (error) {
    if (error instanceof NotAnArchive) throw error;
  }
}

/** What is done with each thing that is taken: written over a version (0: new), or brought back. */
type Plan = ReadonlyMap<string, number | 'restore'>;

interface Finding {
  readonly report: Omit<ArchiveReport, 'taken' | 'ofCrews'>;
  readonly plan: Plan;
  /** Cars whose earlier designs are taken: true where they are new here, or the same. */
  readonly carsOfEarlier: ReadonlySet<string>;
}

/** Looks through an archive beside what is here, and changes nothing. Throws NotAnArchive. */
async function lookThrough(things: StoredThings, files: readonly ZippedFile[], taking: Taking): Promise<Finding> {
  const [fresh, same, found] = [byKind(() => 0), byKind(() => 0), new Map<ArchiveEntry['kind'], number>()];
  const [different, removed, faults]: [ArchiveFinding[], ArchiveFinding[], Fault[]] = [[], [], []];
  const plan = new Map<string, number | 'restore'>();
  const carsOfEarlier = new Set<string>();
  /** Cars and meets of the archive that are here, or come: what belongs to them has a place. */
  const owners = new Set<string>();
  /** Those that were removed here and stay so: what belongs to them stays with them. */
  const goneOwners = new Set<string>();
  const versions: (Thing & { kind: 'version' })[] = [];
  let manifest: ArchiveManifest | null = null;
  let [differing, gone, faulty] = [0, 0, 0];
  const tell = (fault: Fault): void => {
    if (++faulty <= MOST_TOLD) faults.push(fault);
  };
  const find = (list: ArchiveFinding[], thing: Thing): void => {
    if (list.length < MOST_TOLD)
      list.push({ what: thing.kind, id: thing.id, carId: 'carId' in thing ? thing.carId : null, name: nameOf(thing) });
  };
  const weigh = (thing: Thing): void => {
    const asked = taking.kind === 'take' ? taking : null;
    const isOwner = thing.kind === 'car' || thing.kind === 'meet';
    const isHere = (): void => {
      if (isOwner) owners.add(keyOf(thing));
      if (thing.kind === 'car') carsOfEarlier.add(thing.id);
    };
    if (things.isSurelySame(thing)) {
      same[thing.kind]++;
      return;
    }
    if (things.isRemoved(thing)) {
      gone++;
      find(removed, thing);
      const isRestored = asked !== null && isAsked(asked.restore, thing.id);
      if (isRestored) plan.set(keyOf(thing), 'restore');
      if (isOwner) (isRestored ? owners : goneOwners).add(keyOf(thing));
      return;
    }
    const here = things.get(thing);
    if (!here) {
      fresh[thing.kind]++;
      isHere();
      plan.set(keyOf(thing), 0);
    } else if (isDeepStrictEqual(here.content, JSON.parse(JSON.stringify(thing.content)))) {
      same[thing.kind]++;
      isHere();
    } else {
      differing++;
      find(different, thing);
      if (isOwner) owners.add(keyOf(thing));
      if (asked && isAsked(asked.replace, thing.id)) plan.set(keyOf(thing), here.version);
    }
  };
  const orphan = (thing: Thing): void => tell({ path: keyOf(thing), code: 'orphan' });
  const take = (entry: ArchiveEntry): void => {
    if (entry.kind === 'manifest') manifest = entry.manifest;
    else if (entry.kind === 'earlier' || entry.kind === 'change') return;
    else {
      const owner = ownerOf(entry);
      if (owner && goneOwners.has(keyOf(owner))) return;
      if (owner && !owners.has(keyOf(owner)) && !things.has(owner)) orphan(entry);
      else if (entry.kind === 'version') versions.push(entry);
      else weigh(entry);
    }
  };
  /** Versions are weighed once all of them are known: each must have grown from one that is here or comes. */
  const weighVersions = (): void => {
    const fitting = versionsThatFit(versions, (id, carId) => things.lineOf(id, carId));
    for (const version of versions.splice(0))
      if (fitting.has(version.id)) weigh(version);
      else orphan(version);
  };
  const turn = turns();
  for (const { place, text } of files) {
    if (archiveOrder(place) > 2 && versions.length > 0) weighVersions();
    const content = await text();
    if (place === ARCHIVE_PLACES.manifest) refuseNewer(content);
    const read = readArchiveEntry(place, content);
    read.faults.forEach(tell);
    if (read.holds) found.set(read.holds.kind, (found.get(read.holds.kind) ?? 0) + read.holds.count);
    for (const entry of read.entries) {
      take(entry);
      await turn();
    }
    await turn();
  }
  weighVersions();
  if (!manifest) throw new NotAnArchive('it holds no manifest.json of this program');
  for (const fault of lacking(manifest, found)) tell(fault);
  return { report: { manifest, fresh, same, different, differing, removed, gone, faults, faulty }, plan, carsOfEarlier };
}

/** What the manifest tells of and is not there. */
function lacking({ holds }: ArchiveManifest, found: ReadonlyMap<ArchiveEntry['kind'], number>): Fault[] {
  const kinds: readonly (readonly [keyof ArchiveManifest['holds'], ArchiveEntry['kind']])[] = [
    ...RESOURCE_KINDS.map((kind) => [RESOURCES[kind].plural, kind] as const),
    ['earlier', 'earlier'],
    ['changes', 'change'],
  ];
  return kinds.flatMap(([key, kind]) => {
    const [said, there] = [holds[key] ?? 0, found.get(kind) ?? 0];
    return there < said ? [{ path: `manifest.json: holds.${key}`, code: 'lacking', said, found: there } as const] : [];
  });
}

/** Writes what was found, in turns; how many of each kind. */
async function takeIn(store: Store, things: StoredThings, files: readonly ZippedFile[], { plan, carsOfEarlier }: Finding) {
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

/** The files of the owner, and those of each crew: an archive each. */
interface Part {
  readonly crewId: string | null;
  readonly files: readonly ZippedFile[];
}

function partsOf(files: readonly ZippedFile[]): readonly Part[] {
  const parts = new Map<string | null, ZippedFile[]>([[null, []]]);
  for (const file of files) {
    const { crewId, place } = inSpace(file.place);
    parts.set(crewId, [...(parts.get(crewId) ?? []), { ...file, place }]);
  }
  return [...parts].map(([crewId, of]) => ({ crewId, files: of.toSorted((a, b) => archiveOrder(a.place) - archiveOrder(b.place)) }));
}

/** What is found in the space of a crew is named with the crew before it: other crews may have equal ids. */
const named = (crewId: string | null, id: string): string => (crewId === null ? id : `${crewId}:${id}`);
const askedIn = (crewId: string | null, asked: ReadonlySet<string> | 'all'): ReadonlySet<string> | 'all' =>
  asked === 'all'
    ? asked
    : new Set([...asked].flatMap((id) => (id.startsWith(named(crewId, '')) ? [id.slice(named(crewId, '').length)] : [])));
const takingIn = (crewId: string | null, taking: Taking): Taking =>
  taking.kind === 'look' ? taking : { kind: 'take', replace: askedIn(crewId, taking.replace), restore: askedIn(crewId, taking.restore) };

type Report = Finding['report'];
const sumOf = (count: Report['fresh']): number => RESOURCE_KINDS.reduce((sum, kind) => sum + count[kind], 0);

/** What was found in one part after another, as one report: counts and manifest are the owner's. */
function withPart(all: Report | null, crewId: string | null, part: Report): Report {
  const told = (findings: readonly ArchiveFinding[]) => findings.map((finding) => ({ ...finding, id: named(crewId, finding.id) }));
  const faults = crewId === null ? part.faults : part.faults.map((fault) => ({ ...fault, path: `spaces/${crewId}/${fault.path}` }));
  if (all === null) return part;
  return {
    ...all,
    different: [...all.different, ...told(part.different)].slice(0, MOST_TOLD),
    differing: all.differing + part.differing,
    removed: [...all.removed, ...told(part.removed)].slice(0, MOST_TOLD),
    gone: all.gone + part.gone,
    faults: [...all.faults, ...faults].slice(0, MOST_TOLD),
    faulty: all.faulty + part.faulty,
  };
}

/** Works with the space of a crew; `isToStay`: it is made where it is not there. */
async function withSpace<T>(owner: Store, crewId: string, isToStay: boolean, work: (store: Store) => Promise<T>): Promise<T> {
  const path = findSpaceFile(owner.db.name, crewId);
  const store = path !== null ? openBeside(path) : isToStay ? openDatabase(spaceFolder(owner.db.name, crewId)) : emptyStore();
  try {
    return await work(store);
  } finally {
    store.db.close();
  }
}

/**
 * Opens an archive, a zip at `path`, beside what is stored: tells what is new, the same, different or was removed here, and on asking takes
 * it. All of it is looked through before anything is written: what is refused has changed nothing. What is new is taken; nothing that is here
 * is overwritten or brought back unless it was named. Opened twice, it changes nothing. The work of each crew goes to its own space.
 *
 * @throws NotAnArchive when it is none, is damaged, cut off, or of a newer program.
 */
export async function openArchive(store: Store, path: string, taking: Taking): Promise<ArchiveReport> {
  const zip = await openZip(path);
  try {
    const parts = partsOf(zip.files);
    /** Works with what a part is of: the owner's data, or the space of a crew. */
    const inStore = <T>({ crewId }: Part, isToStay: boolean, work: (of: Store) => Promise<T>): Promise<T> =>
      crewId === null ? work(store) : withSpace(store, crewId, isToStay, work);
    let report: Report | null = null;
    const findings: Finding[] = [];
    for (const part of parts) {
      const finding = await inStore(part, false, (of) => lookThrough(storedThings(of), part.files, takingIn(part.crewId, taking)));
      findings.push(finding);
      report = withPart(report, part.crewId, finding.report);
    }
    const taken: ArchiveReport['taken'][] = [];
    if (taking.kind === 'take')
      for (const [i, part] of parts.entries())
        taken.push(await inStore(part, true, (of) => takeIn(of, storedThings(of), part.files, findings[i]!)));
    // The owner's part is the first.
    const ofCrews = (counts: readonly Report['fresh'][]): number => counts.slice(1).reduce((sum, count) => sum + sumOf(count), 0);
    return {
      ...report!,
      taken: taken[0] ?? byKind(() => 0),
      ofCrews: {
        fresh: ofCrews(findings.map(({ report: found }) => found.fresh)),
        same: ofCrews(findings.map(({ report: found }) => found.same)),
        taken: ofCrews(taken),
      },
    };
  } finally {
    zip.close();
  }
}

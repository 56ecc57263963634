import { isDeepStrictEqual } from 'node:util';
import { ARCHIVE_PLACES, archiveOrder, readArchiveEntry, type ArchiveEntry } from '../../core/files/archive.ts';
import type { Fault } from '../../core/fault.ts';
import type { ArchiveManifest } from '../../core/schema/generated/archive.ts';
import { byKind, RESOURCE_KINDS, RESOURCES } from '../../core/schema/resources.ts';
import type { ArchiveFinding, ArchiveReport } from '../../core/schema/stored.ts';
import { ownerOf, type StoredThings, type Thing } from './stored-things.ts';
import { turns } from './turns.ts';
import { versionsThatFit } from './version-lines.ts';
import { NotAnArchive, type ZippedFile } from './zip-files.ts';

/** Differing and removed things, and faults, that are reported one by one. */
export const MOST_TOLD = 200;
/** The version of the archive's format that is read here. */
const FORMAT_VERSION = 1;

/** What to do with an archive: only look, or take what is new and, where it was asked for, what differs or was removed. */
export type Taking =
  | { readonly kind: 'look' }
  | { readonly kind: 'take'; readonly replace: ReadonlySet<string> | 'all'; readonly restore: ReadonlySet<string> | 'all' };

const isAsked = (asked: ReadonlySet<string> | 'all', id: string): boolean => asked === 'all' || asked.has(id);
export const keyOf = ({ kind, id }: { readonly kind: string; readonly id: string }): string => `${kind} ${id}`;
const nameOf = (thing: Thing): string => {
  if (thing.kind === 'run') return thing.content.ranAt;
  if (thing.kind === 'result') return thing.content.at;
  return thing.kind === 'entry' ? thing.content.entry.car : thing.content.name;
};

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

export interface Finding {
  readonly report: Omit<ArchiveReport, 'taken' | 'ofCrews'>;
  readonly plan: Plan;
  /** Cars whose earlier designs are taken: true where they are new here, or the same. */
  readonly carsOfEarlier: ReadonlySet<string>;
}

/** Looks through an archive beside what is here, and changes nothing. Throws NotAnArchive. */
export async function lookThrough(things: StoredThings, files: readonly ZippedFile[], taking: Taking): Promise<Finding> {
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

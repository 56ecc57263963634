import { archiveOrder, inSpace } from '../../core/files/archive.ts';
import { byKind, RESOURCE_KINDS } from '../../core/schema/resources.ts';
import type { ArchiveFinding, ArchiveReport } from '../../core/schema/stored.ts';
import { findSpaceFile, spaceFolder } from '../data-file.ts';
import { emptyStore, openBeside, openDatabase, type Store } from '../database.ts';
import { lookThrough, MOST_TOLD, type Finding, type Taking } from './look-through.ts';
import { storedThings } from './stored-things.ts';
import { takeIn } from './take-in.ts';
import { openZip, type ZippedFile } from './zip-files.ts';

/** The files of the owner, and those of each crew: an archive each. */
interface Part {
  readonly crewId: string | null;
  readonly files: readonly ZippedFile[];
}

function partsOf(files: readonly ZippedFile[]): readonly Part[] {
  const parts = new Map<string | null, ZippedFile[]>([[null, []]]);
  for (const file of files) {
    const { crewId, place } = inSpace(file.place);
    const of = parts.get(crewId) ?? [];
    of.push({ ...file, place });
    parts.set(crewId, of);
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

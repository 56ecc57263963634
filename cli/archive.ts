import { createWriteStream, existsSync, renameSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { formatFault } from '../core/fault-words.ts';
import { RESOURCE_KINDS, RESOURCES } from '../core/schema/resources.ts';
import type { ArchiveCount } from '../core/schema/stored.ts';
import { openArchive } from '../server/archive/open.ts';
import { archiveOf } from '../server/archive/save.ts';
import { NotAnArchive } from '../server/archive/zip-files.ts';
import { DataUnusable } from '../server/data-file.ts';
import { openDatabase } from '../server/database.ts';
import { end, readArgs, refuseUse, type Terminal } from './terminal.ts';

const HELP = `Saves everything in one archive, and imports an archive.

  npm run -s archive -- out FILE          every car with its versions, earlier designs and runs, all own parts, briefs, sessions, photos, meets and classes, as a zip
  npm run -s archive -- look FILE         what in an archive is new here, the same, different, or was removed here; changes nothing
  npm run -s archive -- in FILE           imports what is new; what differs or was removed here does not change
      --replace                           also replaces what differs; the replaced designs of cars stay in their history
      --restore                           restores what was removed here
      --data FOLDER                       the data folder (default: NIMBLE_AXLE_DATA, or data)
  npm run -s archive -- --help            this text

You can use it while the program runs. If something fails, it prints one line on standard error and exits with code 2.
`;

const describeCount = (count: ArchiveCount): string =>
  RESOURCE_KINDS.map((kind) => `${count[kind]} ${count[kind] === 1 ? kind : RESOURCES[kind].plural}`).join(', ');

async function saveOrImport(terminal: Terminal): Promise<void> {
  const { values, positionals } = readArgs(terminal, {
    data: { type: 'string' },
    replace: { type: 'boolean', default: false },
    restore: { type: 'boolean', default: false },
  });
  if (values.help) return terminal.print(HELP);
  const [what, file, ...rest] = positionals;
  if (!what || !file || rest.length > 0 || !['out', 'look', 'in'].includes(what))
    return refuseUse('Give a command (out, look or in) and one file');
  const folder = resolve(values.data ?? (process.env.NIMBLE_AXLE_DATA?.trim() || 'data'));
  process.umask(0o077);
  if (what === 'out') {
    if (!existsSync(resolve(folder, 'nimble-axle.sqlite'))) end(`${folder}: contains no data of this program; name its folder with --data`);
    const { db } = openDatabase(folder);
    // Complete, or not there at all.
    const partial = `${file}.part`;
    try {
      await pipeline(Readable.from(archiveOf(db, new Date())), createWriteStream(partial));
      renameSync(partial, file);
    } catch (error) {
      rmSync(partial, { force: true });
      throw error;
    }
    terminal.print(`Saved as ${file}\n`);
    db.close();
    return;
  }
  if (!existsSync(file)) end(`${file}: does not exist`);
  const store = openDatabase(folder);
  const all = (isAsked: boolean): ReadonlySet<string> | 'all' => (isAsked ? 'all' : new Set<string>());
  const report = await openArchive(
    store,
    file,
    what === 'look' ? { kind: 'look' } : { kind: 'take', replace: all(values.replace), restore: all(values.restore) },
  );
  store.db.close();
  const { fresh, same, differing, different, gone, faults, faulty, taken, ofCrews } = report;
  const lines = [
    `new: ${describeCount(fresh)}`,
    `the same: ${describeCount(same)}`,
    `of crews: ${ofCrews.fresh} new, ${ofCrews.same} the same`,
    `different here: ${differing}`,
    ...different.map(({ what: kind, name }) => `  ${kind} ${name}`),
    `removed here: ${gone}`,
    ...(what === 'in' ? [`imported: ${describeCount(taken)}; of crews: ${ofCrews.taken}`] : []),
  ];
  terminal.print(`${lines.join('\n')}\n`);
  if (faulty > 0) end(...faults.map(formatFault), ...(faulty > faults.length ? [`and ${faulty - faults.length} more`] : []));
}

export default async function archive(terminal: Terminal): Promise<void> {
  try {
    await saveOrImport(terminal);
  } catch (error) {
    if (error instanceof NotAnArchive) end(`not an archive that can be opened: ${error.message}`);
    if (error instanceof DataUnusable) end(error.message);
    const { code, path } = error as NodeJS.ErrnoException;
    if (code && path) end(`${path}: cannot be read or written (${code})`);
    throw error;
  }
}

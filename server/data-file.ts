import { chmodSync, closeSync, existsSync, mkdirSync, openSync, readdirSync, readSync, renameSync, statSync, type Stats } from 'node:fs';
import { dirname, join } from 'node:path';

/** Marks a database as this program's, in SQLite's header: "NAxl". */
export const APPLICATION_ID = 0x4e41786c;
/** The database in its folder. */
export const DATA_FILE = 'nimble-axle.sqlite';
/** What SQLite keeps of one database: the file, its log and what its users share. */
export const FILE_ENDS = ['', '-wal', '-shm'] as const;
const MAGIC = 'SQLite format 3\0';

/** The data on disk cannot be used as it is; the message says why, and what to do. */
export class DataUnusable extends Error {}

/** What is at the database's place before anything is opened. */
export interface DataFile {
  readonly path: string;
  /** Nothing is there yet. */
  readonly isNew: boolean;
  /** The last stop was not clean: what was written last is still in the log beside it. */
  readonly wasCutOff: boolean;
}

/** A reason the system gives, in words with a remedy; null for one that is not of the file system. */
export function reasonOf(error: unknown, path: string): string | null {
  switch ((error as { code?: unknown }).code) {
    case 'EACCES':
    case 'EPERM':
    case 'SQLITE_READONLY':
    case 'SQLITE_READONLY_DIRECTORY':
      return `You may not write to ${path}. Give yourself the right to (chmod u+rw), or name another folder in NIMBLE_AXLE_DATA.`;
    case 'EROFS':
      return `${path} is on a disk that cannot be written to. Name another folder in NIMBLE_AXLE_DATA.`;
    case 'ENOTDIR':
    case 'EEXIST':
      return `${path} is a file, but the data needs a folder. Move it away, or name another folder in NIMBLE_AXLE_DATA.`;
    case 'ENOSPC':
    case 'SQLITE_FULL':
    case 'SQLITE_IOERR_WRITE':
    case 'SQLITE_IOERR_SHMSIZE':
      return `The disk that holds ${path} is full. Free some space and start again; nothing was changed.`;
    case 'SQLITE_BUSY':
    case 'SQLITE_LOCKED':
      return `${path} is being written by another program. Stop that one (is Nimble Axle already running?) and start again.`;
    case 'SQLITE_CANTOPEN':
    case 'EISDIR':
      return `${path} cannot be opened: it is not a file, or you may not read it. Move it away, or put a copy of your data in its place.`;
    default:
      return null;
  }
}

function header(path: string): Buffer {
  const file = openSync(path, 'r');
  try {
    const bytes = Buffer.alloc(100);
    return bytes.subarray(0, readSync(file, bytes, 0, bytes.length, 0));
  } finally {
    closeSync(file);
  }
}

export const SET_ASIDE =
  'Nothing was changed. Put a copy of your data folder back in its place. Or start with -- --set-aside to set this file aside and start with no data.';

/** Makes the folder where it is missing, for its owner alone, and looks at what is in it. Touches nothing that is there. */
export function findDataFile(folder: string): DataFile {
  const path = join(folder, DATA_FILE);
  try {
    if (mkdirSync(folder, { recursive: true, mode: 0o700 }) !== undefined) chmodSync(folder, 0o700);
    const found: Stats | undefined = statSync(path, { throwIfNoEntry: false });
    if (!found) {
      if (existsSync(`${path}-wal`))
        throw new DataUnusable(
          `${path} is missing, though its log (${DATA_FILE}-wal) is there. Put a copy of your data folder back, or move the log away to start with no data.`,
        );
      return { path, isNew: true, wasCutOff: false };
    }
    if (!found.isFile()) throw new DataUnusable(reasonOf({ code: 'EISDIR' }, path)!);
    if (found.size === 0) {
      if (readdirSync(folder).length > 1)
        throw new DataUnusable(
          `${path} is empty, though its folder is not new. Put a copy of it back, or move the empty file away to start with no data.`,
        );
      return { path, isNew: true, wasCutOff: false };
    }
    const bytes = header(path);
    if (bytes.length < 100 || bytes.toString('latin1', 0, 16) !== MAGIC)
      throw new DataUnusable(`${path} is damaged, or not a database. ${SET_ASIDE}`);
    const application = bytes.readUInt32BE(68);
    if (application !== 0 && application !== APPLICATION_ID)
      throw new DataUnusable(`${path} is the database of another program. Move it away, or name another folder in NIMBLE_AXLE_DATA.`);
    return { path, isNew: false, wasCutOff: existsSync(`${path}-wal`) };
  } catch (error) {
    const reason = error instanceof DataUnusable ? null : reasonOf(error, folder);
    throw reason === null ? error : new DataUnusable(reason);
  }
}

/** Moves a database to a name beside its own, log and all, and tells it; null when there is none. */
export function setAside(folder: string, now: Date): string | null {
  const path = join(folder, DATA_FILE);
  if (!existsSync(path)) return null;
  const aside = join(folder, `nimble-axle.set-aside-${now.toISOString().replaceAll(/[:.]/g, '-')}.sqlite`);
  for (const end of FILE_ENDS) if (existsSync(path + end)) renameSync(path + end, aside + end);
  return aside;
}

/** Where the space of a crew is, beside the owner’s database. */
export const spaceFolder = (database: string, crewId: string): string => join(dirname(database), 'crews', crewId);

/** The database of a crew, where it is there; null otherwise. */
export function findSpaceFile(database: string, crewId: string): string | null {
  const path = join(spaceFolder(database, crewId), DATA_FILE);
  return existsSync(path) ? path : null;
}

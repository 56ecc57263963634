import { open } from 'node:fs/promises';
import { crc32 } from 'node:zlib';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { ARCHIVE_LIMITS } from '../../core/files/archive.ts';

/** Files of an archive, and bytes of all of them unpacked: beyond, it is no archive of this program but something made to hurt. */
const MOST_FILES = 500_000;
const MOST_BYTES = 4 * 2 ** 30;

/** What was opened is no archive, is cut off, damaged, or of a newer program; the message says so. */
export class NotAnArchive extends Error {}

/** A file of a zip, read when it is asked for. */
export interface ZippedFile {
  readonly place: string;
  /** Its text. Throws NotAnArchive where it is damaged. */
  readonly text: () => Promise<string>;
}

const damaged = (place: string): NotAnArchive => new NotAnArchive(`${place} in it is damaged`);

async function textOf(zip: ZipFile, entry: Entry): Promise<string> {
  const { fileName, uncompressedSize } = entry;
  if (uncompressedSize > ARCHIVE_LIMITS.bytes) throw new NotAnArchive(`${fileName} in it is too large`);
  try {
    // Both names of a file must agree: one of them may have been damaged.
    const { fileName: own } = await zip.readLocalFileHeaderPromise(entry);
    if (own.toString('utf8') !== fileName) throw damaged(fileName);
    const chunks: Buffer[] = [];
    for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
    const bytes = Buffer.concat(chunks);
    if (crc32(bytes) !== entry.crc32) throw damaged(fileName);
    return bytes.toString('utf8');
  } catch (error) {
    throw error instanceof NotAnArchive ? error : damaged(fileName);
  }
}

/** Bytes at the end of a zip in which its directory must be told: its record, and the longest comment. */
const END = 22 + 0xffff;
const END_SIGNATURE = Buffer.from('PK\u0005\u0006', 'latin1');

/** Looks at the two ends of a file only. Throws NotAnArchive where it is no zip, or has no end. */
export async function refuseOthers(path: string): Promise<void> {
  const file = await open(path, 'r');
  try {
    const { size } = await file.stat();
    if (size === 0) throw new NotAnArchive('it is empty');
    const [first, last] = [Buffer.alloc(2), Buffer.alloc(Math.min(size, END))];
    await file.read(first, 0, first.length, 0);
    if (first.toString('latin1') !== 'PK') throw new NotAnArchive('it is not a zip file');
    await file.read(last, 0, last.length, size - last.length);
    if (!last.includes(END_SIGNATURE)) throw new NotAnArchive('it is cut off before its end');
  } finally {
    await file.close();
  }
}

const unreadable = (error: unknown): NotAnArchive =>
  error instanceof NotAnArchive ? error : new NotAnArchive(`it is damaged (${(error as Error).message})`);

/**
 * Opens a zip by its path and tells its files, by its own directory; what they hold is read one by one.
 *
 * @throws NotAnArchive when it is none, is cut off, or unpacks to far more than any archive of this program.
 */
export async function openZip(path: string): Promise<{ readonly files: readonly ZippedFile[]; readonly close: () => void }> {
  await refuseOthers(path);
  const files: ZippedFile[] = [];
  const zip = await yauzl.openPromise(path, { lazyEntries: true, autoClose: false }).catch((error: unknown) => {
    throw unreadable(error);
  });
  try {
    if (zip.entryCount > MOST_FILES) throw new NotAnArchive(`it holds more than ${MOST_FILES} files`);
    let total = 0;
    for await (const entry of zip.eachEntry()) {
      total += entry.uncompressedSize;
      if (total > MOST_BYTES) throw new NotAnArchive(`it unpacks to more than ${MOST_BYTES / 2 ** 30} GB`);
      if (!entry.fileName.endsWith('/')) files.push({ place: entry.fileName, text: () => textOf(zip, entry) });
    }
  } catch (error) {
    zip.close();
    throw unreadable(error);
  }
  return { files, close: () => zip.close() };
}

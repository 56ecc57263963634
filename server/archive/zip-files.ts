import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';

/** Bytes of one file of an archive, and of all: beyond, it is no archive of this program but something made to hurt. */
const MOST_OF_ONE = 64 * 2 ** 20;
const MOST_OF_ALL = 8 * 2 ** 30;

/** What was opened is no archive, or is cut off; the message says so. */
export class NotAnArchive extends Error {}

export interface ZippedFile {
  readonly place: string;
  readonly text: string;
}

/**
 * The files of a zip as they come in, without the whole of it in memory.
 *
 * @throws NotAnArchive when it is none, is cut off, or unpacks to far more than any archive of this program.
 */
export async function* filesIn(bytes: AsyncIterable<Uint8Array>): AsyncGenerator<ZippedFile> {
  let ready: ZippedFile[] = [];
  let fault: NotAnArchive | null = null;
  let open = 0;
  let total = 0;
  const unzip = new Unzip((file: UnzipFile) => {
    const chunks: Uint8Array[] = [];
    let size = 0;
    open++;
    file.ondata = (error, chunk, isLast) => {
      if (error) fault ??= new NotAnArchive(`${file.name} in it is damaged (${error.message})`);
      if (fault) return;
      size += chunk.length;
      total += chunk.length;
      if (size > MOST_OF_ONE || total > MOST_OF_ALL) fault = new NotAnArchive(`${file.name} in it is too large`);
      chunks.push(chunk);
      if (!isLast) return;
      open--;
      if (!file.name.endsWith('/')) ready.push({ place: file.name, text: Buffer.concat(chunks).toString('utf8') });
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  let isFirst = true;
  const push = (chunk: Uint8Array, isLast: boolean): void => {
    try {
      unzip.push(chunk, isLast);
    } catch (error) {
      fault ??= new NotAnArchive(
        isLast ? 'it is cut off before its end, or damaged' : `it cannot be unpacked (${(error as Error).message})`,
      );
    }
  };
  for await (const chunk of bytes) {
    if (isFirst && !(chunk[0] === 0x50 && chunk[1] === 0x4b)) throw new NotAnArchive('it is not a zip file');
    isFirst = false;
    push(chunk, false);
    if (fault) throw fault as NotAnArchive;
    yield* ready;
    ready = [];
  }
  if (isFirst) throw new NotAnArchive('it is empty');
  push(new Uint8Array(0), true);
  if (fault) throw fault as NotAnArchive;
  yield* ready;
  if (open > 0) throw new NotAnArchive('it is cut off before its end');
}

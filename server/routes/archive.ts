import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, type Request, type Response } from 'express';
import type { Taking } from '../archive/look-through.ts';
import { openBesideServer } from '../archive/open-beside.ts';
import { archiveOf } from '../archive/save.ts';
import { NotAnArchive, refuseOthers } from '../archive/zip-files.ts';
import type { Store } from '../database.ts';
import { DataGone, sendProblem } from '../problem.ts';

/** Bytes of an archive that are taken in. */
const MOST_BYTES = 2 ** 30;

/** `?take&replace=all&restore=ID,ID`: take what is new, and these; without `take`: only look. */
function takingOf({ query: { take, replace, restore } }: Request): Taking {
  const named = (text: unknown): ReadonlySet<string> | 'all' =>
    text === 'all' ? 'all' : new Set(typeof text === 'string' && text !== '' ? text.toLowerCase().split(',') : []);
  return take === undefined ? { kind: 'look' } : { kind: 'take', replace: named(replace), restore: named(restore) };
}

async function* atMost(bytes: AsyncIterable<Uint8Array>, most: number): AsyncGenerator<Uint8Array> {
  let total = 0;
  for await (const chunk of bytes) {
    total += chunk.length;
    if (total > most) throw new NotAnArchive(`it is larger than ${Math.round(most / 2 ** 20)} MB`);
    yield chunk;
  }
}

/** Answers with bytes as they come; somebody who leaves before the end is no fault of ours. */
export const sendStream = (bytes: AsyncIterable<Uint8Array>, response: Response): Promise<void> =>
  pipeline(Readable.from(bytes), response).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  });

/** Everything at once: saved as one zip, and opened beside what is here. `onTaken` is called when something was taken in. */
export function archiveRoutes(store: Store, onTaken: () => void): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const now = new Date();
    response.type('application/zip').attachment(`nimble-axle-${now.toISOString().slice(0, 10)}.zip`);
    response.setHeader('Cache-Control', 'no-store');
    if (request.method === 'HEAD') return void response.end();
    await sendStream(archiveOf(store.db, now), response);
  });
  router.post('/', async (request, response) => {
    if (!request.is('application/zip'))
      return sendProblem(response, { status: 415, title: 'Send an archive (content-type application/zip)' });
    if (!store.isInPlace()) throw new DataGone();
    const folder = await mkdtemp(join(tmpdir(), 'nimble-axle-archive-'));
    const file = join(folder, 'archive.zip');
    const taking = takingOf(request);
    try {
      await pipeline(atMost(request, MOST_BYTES), createWriteStream(file));
      // A thread is not begun for what is no zip at all.
      await refuseOthers(file);
      response.json(await openBesideServer({ database: store.db.name, file, taking }));
      if (taking.kind === 'take') onTaken();
    } catch (error) {
      if (!(error instanceof NotAnArchive)) throw error;
      sendProblem(response, {
        status: 422,
        title: 'This is not an archive that can be opened',
        detail: `${error.message[0]!.toUpperCase()}${error.message.slice(1)}. Nothing was changed. Choose the file that “Save everything” wrote.`,
      });
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });
  return router;
}

import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, type Request } from 'express';
import { openArchive, type Taking } from '../archive/open.ts';
import { archiveOf } from '../archive/save.ts';
import { NotAnArchive } from '../archive/zip-files.ts';
import type { Store } from '../database.ts';
import { sendProblem } from '../problem.ts';

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

/** Everything at once: saved as one zip, and opened beside what is here. */
export function archiveRoutes(store: Store): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const now = new Date();
    response.type('application/zip').attachment(`nimble-axle-${now.toISOString().slice(0, 10)}.zip`);
    response.setHeader('Cache-Control', 'no-store');
    // Somebody who leaves before the end is no fault of ours.
    await pipeline(Readable.from(archiveOf(store.db.name, now)), response).catch((error: NodeJS.ErrnoException) => {
      if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
    });
  });
  router.post('/', async (request, response) => {
    if (!request.is('application/zip'))
      return sendProblem(response, { status: 415, title: 'Send an archive (content-type application/zip)' });
    try {
      response.json(await openArchive(store, atMost(request, MOST_BYTES), takingOf(request)));
    } catch (error) {
      if (!(error instanceof NotAnArchive)) throw error;
      sendProblem(response, {
        status: 422,
        title: 'This is not an archive that can be opened',
        detail: `${error.message[0]!.toUpperCase()}${error.message.slice(1)}. Choose the file that “Save everything” wrote.`,
      });
    }
  });
  return router;
}

/** Opens an archive in a thread of its own: the server answers others meanwhile. */
import { parentPort, workerData } from 'node:worker_threads';
import type { ArchiveReport } from '../../core/schema/stored.ts';
import { openBeside } from '../database.ts';
import { DataGone, DataMoved } from '../problem.ts';
import type { Taking } from './look-through.ts';
import { openArchive } from './open.ts';
import { NotAnArchive } from './zip-files.ts';

export interface ImportTask {
  readonly database: string;
  readonly file: string;
  readonly taking: Taking;
}

/** What became of it; an error by what it is, since classes do not pass from thread to thread. */
export type ImportAnswer =
  | { readonly kind: 'report'; readonly report: ArchiveReport }
  | { readonly kind: 'not-an-archive'; readonly message: string }
  | { readonly kind: 'gone' | 'moved' }
  | { readonly kind: 'error'; readonly code: string | undefined; readonly message: string };

const { database, file, taking } = workerData as ImportTask;

async function open(): Promise<ImportAnswer> {
  try {
    const store = openBeside(database);
    try {
      return { kind: 'report', report: await openArchive(store, file, taking) };
    } finally {
      store.db.close();
    }
  } catch (error) {
    if (error instanceof NotAnArchive) return { kind: 'not-an-archive', message: error.message };
    if (error instanceof DataGone) return { kind: 'gone' };
    if (error instanceof DataMoved) return { kind: 'moved' };
    const { code, message } = error as NodeJS.ErrnoException;
    return { kind: 'error', code, message };
  }
}

parentPort!.postMessage(await open());

import { Worker } from 'node:worker_threads';
import type { ArchiveReport } from '../../core/schema/stored.ts';
import { DataGone, DataMoved } from '../problem.ts';
import type { ImportAnswer, ImportTask } from './import-worker.ts';
import { NotAnArchive } from './zip-files.ts';

/** MB that the thread which reads it may use. */
const MOST_MEMORY = 1024;

/** Opens an archive in a thread beside the server. Throws what openArchive throws. */
export async function openBesideServer(task: ImportTask): Promise<ArchiveReport> {
  const worker = new Worker(new URL('import-thread.mjs', import.meta.url), {
    workerData: task,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY },
  });
  try {
    const answer = await new Promise<ImportAnswer>((resolve, reject) => {
      worker.once('message', resolve);
      worker.once('error', reject);
      worker.once('exit', () => reject(new Error('The thread that reads archives ended.')));
    });
    switch (answer.kind) {
      case 'report':
        return answer.report;
      case 'not-an-archive':
        throw new NotAnArchive(answer.message);
      case 'gone':
        throw new DataGone();
      case 'moved':
        throw new DataMoved();
      case 'error':
        throw Object.assign(new Error(answer.message), { code: answer.code });
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ERR_WORKER_OUT_OF_MEMORY') throw error;
    throw new NotAnArchive('it unpacks to more than any archive of this program');
  } finally {
    await worker.terminate();
  }
}

import { pooled, POOL_SIZE, type PooledWorker } from '../../../workers/explore.ts';

/**
 * Fractions tasks out to the workers, each taking the next as it is done with one. `onDone` gets each answer with its task's
 * index and says whether to go on. Resolves when all are done or it was reported to stop.
 */
export async function splitRows<T>(
  count: number,
  task: (worker: PooledWorker['work'], index: number) => Promise<T>,
  onDone: (answer: T, index: number) => boolean,
): Promise<void> {
  let next = 0;
  let goesOn = true;
  const workOff = async (worker: PooledWorker['work']): Promise<void> => {
    while (goesOn && next < count) {
      const index = next++;
      const answer = await task(worker, index);
      if (goesOn && !onDone(answer, index)) goesOn = false;
    }
  };
  await Promise.all(Array.from({ length: POOL_SIZE }, (_, k) => workOff(pooled(k).work)));
}

import { wrap, type Remote } from 'comlink';
import type { MotorKind } from '../../core/car/car-design.ts';
import type { ExploreWork } from './explore-worker.ts';

/** A worker and a way to end what it is doing. */
export interface PooledWorker {
  readonly work: Remote<ExploreWork>;
  readonly stop: () => void;
}

function startWorker(onBroken: (reason: Error) => void): PooledWorker {
  const worker = new Worker(new URL('explore-worker.ts', import.meta.url), { type: 'module' });
  worker.addEventListener('error', ({ message }) => onBroken(new Error(message)));
  return { work: wrap<ExploreWork>(worker), stop: () => worker.terminate() };
}

/** Told when one of the pool breaks: what was asked of it is never answered. */
const watchers = new Set<(reason: Error) => void>();

/** This many runs are computed side by side. */
export const POOL_SIZE = 2;
const pool: (PooledWorker | null)[] = Array.from({ length: POOL_SIZE }, () => null);

/** One of the workers, begun when it is first wanted. */
export const pooled = (index: number): PooledWorker => (pool[index] ??= startWorker((reason) => watchers.forEach((tell) => tell(reason))));

/** Ends what all are doing; what was asked of them is never answered. */
export function stopAll(): void {
  pool.forEach((member, index) => {
    member?.stop();
    pool[index] = null;
  });
}

/** Begins the workers before they are wanted, and lets them run some cars: the first map or sweep need not wait for that. */
export function warmUp(kind: MotorKind): void {
  for (let index = 0; index < POOL_SIZE; index++) if (!pool[index]) void pooled(index).work.rehearse(kind);
}

/** What was asked of the pool, or its failure when one of it breaks before it is answered. */
export async function orBroken<T>(asked: Promise<T>): Promise<T> {
  let tell: (reason: Error) => void = () => {};
  const broken = new Promise<never>((_resolve, reject) => watchers.add((tell = reject)));
  try {
    return await Promise.race([asked, broken]);
  } finally {
    watchers.delete(tell);
  }
}

/** Work that is never held up by what is explored: following every edit; what is to be expected of a car, in the rounds of its brief too; and of the cars that it runs against. */
export type WorkerTask = 'assess' | 'rounds' | 'field';

/** A worker of one errand, and who waits for its answers. */
interface ErrandWorker extends PooledWorker {
  readonly waiting: Set<(reason: Error) => void>;
}
const errands = new Map<WorkerTask, ErrandWorker>();

function startErrand(errand: WorkerTask): ErrandWorker {
  const waiting: ErrandWorker['waiting'] = new Set();
  const worker = startWorker((reason) => {
    // It answers nobody any more: all who wait are reported, and the next question gets a new one.
    worker.stop();
    errands.delete(errand);
    waiting.forEach((fail) => fail(reason));
  });
  const started = { ...worker, waiting };
  errands.set(errand, started);
  return started;
}

/** Asks the worker of an errand. An answer that is a failure leaves it to the others that ask it; one that broke fails all, and is replaced. */
export async function runTask<T>(errand: WorkerTask, ask: (work: Remote<ExploreWork>) => Promise<T>): Promise<T> {
  const { work, waiting } = errands.get(errand) ?? startErrand(errand);
  let fail: (reason: Error) => void = () => {};
  const broken = new Promise<never>((_resolve, reject) => waiting.add((fail = reject)));
  try {
    return await Promise.race([ask(work), broken]);
  } finally {
    waiting.delete(fail);
  }
}

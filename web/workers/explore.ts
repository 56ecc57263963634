import { wrap, type Remote } from 'comlink';
import type { MotorKind } from '../../core/car/car-design.ts';
import type { ExploreWork } from './explore-worker.ts';

/** A worker and a way to end what it is doing. */
export interface PooledWorker {
  readonly work: Remote<ExploreWork>;
  readonly stop: () => void;
}

/** Told when a worker breaks: what was asked of it is never answered. */
const watchers = new Set<(reason: Error) => void>();

function startWorker(): PooledWorker {
  const worker = new Worker(new URL('explore-worker.ts', import.meta.url), { type: 'module' });
  worker.addEventListener('error', ({ message }) => watchers.forEach((tell) => tell(new Error(message))));
  return { work: wrap<ExploreWork>(worker), stop: () => worker.terminate() };
}

/** This many runs are computed side by side. */
export const POOL_SIZE = 2;
const pool: (PooledWorker | null)[] = Array.from({ length: POOL_SIZE }, () => null);

/** One of the workers, begun when it is first wanted. */
export const pooled = (index: number): PooledWorker => (pool[index] ??= startWorker());

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

/** What was asked of the workers, or its failure when one of them breaks before it is answered. */
export async function orBroken<T>(asked: Promise<T>): Promise<T> {
  let tell: (reason: Error) => void = () => {};
  const broken = new Promise<never>((_resolve, reject) => watchers.add((tell = reject)));
  try {
    return await Promise.race([asked, broken]);
  } finally {
    watchers.delete(tell);
  }
}

/** Work that is never held up by what is explored: following every edit, and running the rounds of a brief. */
export type Errand = 'assess' | 'rounds';
const errands = new Map<Errand, PooledWorker>();

/** The worker of an errand. */
export function errandWorker(errand: Errand): PooledWorker {
  const worker = errands.get(errand) ?? startWorker();
  errands.set(errand, worker);
  return worker;
}
/** Ends it: one that broke answers no more. The next design gets a new one. */
export function dropWorker(errand: Errand): void {
  errands.get(errand)?.stop();
  errands.delete(errand);
}

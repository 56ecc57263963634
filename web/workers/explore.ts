import { wrap, type Remote } from 'comlink';
import type { MotorKind } from '../../core/design/car-design.ts';
import type { ExploreWork } from './explore-worker.ts';

/** A worker and a way to end what it is doing. */
export interface Hand {
  readonly work: Remote<ExploreWork>;
  readonly stop: () => void;
}

/** Told when a worker breaks: what was asked of it is never answered. */
const watchers = new Set<(reason: Error) => void>();

function hire(): Hand {
  const worker = new Worker(new URL('explore-worker.ts', import.meta.url), { type: 'module' });
  worker.addEventListener('error', ({ message }) => watchers.forEach((tell) => tell(new Error(message))));
  return { work: wrap<ExploreWork>(worker), stop: () => worker.terminate() };
}

/** This many runs are computed side by side. */
export const HANDS = 2;
const crew: (Hand | null)[] = Array.from({ length: HANDS }, () => null);

/** One of the workers, begun when it is first wanted. */
export const hand = (index: number): Hand => (crew[index] ??= hire());

/** Ends what all are doing; what was asked of them is never answered. */
export function stopAll(): void {
  crew.forEach((member, index) => {
    member?.stop();
    crew[index] = null;
  });
}

/** Begins the workers before they are wanted, and lets them run some cars: the first map or sweep need not wait for that. */
export function warmUp(kind: MotorKind): void {
  for (let index = 0; index < HANDS; index++) if (!crew[index]) void hand(index).work.rehearse(kind);
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

let assessor: Hand | null = null;
/** The worker that follows every edit: never held up by what is explored. */
export const assessorHand = (): Hand => (assessor ??= hire());
/** Ends it; the next design gets a new one. */
export function dropAssessor(): void {
  assessor?.stop();
  assessor = null;
}

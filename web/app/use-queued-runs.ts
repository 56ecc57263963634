import { useEffect, useState } from 'react';
import { isToBeSent, onQueueChange, sendQueued, queuedPhotos, queuedRuns, type QueuedPhoto, type QueuedRun } from './run-queue.ts';
import { useAppDispatch } from './store.ts';
import { toasted } from './toasts-slice.ts';

/** ms after which what waits is sent again. */
const AGAIN = 4000;

/** What is stored in this browser, looked at again whenever that changes; null until it was looked at first. */
function useWaiting<T>(read: () => Promise<readonly T[]>): readonly T[] | null {
  const [waiting, setWaiting] = useState<readonly T[] | null>(null);
  useEffect(() => {
    const look = (): void => void read().then(setWaiting, console.error);
    look();
    return onQueueChange(look);
  }, [read]);
  return waiting;
}

/** Runs stored in this browser that the program has not stored yet. */
export const useQueuedRuns = (): readonly QueuedRun[] => useWaiting(queuedRuns) ?? [];
/** Pictures kept so; null until it is known which. */
export const useQueuedPhotos = (): readonly QueuedPhoto[] | null => useWaiting(queuedPhotos);

/** Sends what waits as soon as the program is back, whatever station is open. */
export function useSendingRuns(): void {
  const dispatch = useAppDispatch();
  const [runs, photos] = [useQueuedRuns(), useQueuedPhotos()];
  const isWaiting = isToBeSent(runs, photos ?? []);
  useEffect(() => {
    if (!isWaiting) return;
    const send = async (): Promise<void> => {
      const stored = await sendQueued(dispatch);
      if (stored > 0) dispatch(toasted(stored === 1 ? 'The queued run is saved' : `${stored} queued runs are saved`));
    };
    const again = setInterval(() => void send(), AGAIN);
    window.addEventListener('online', send);
    void send();
    return () => {
      clearInterval(again);
      window.removeEventListener('online', send);
    };
  }, [dispatch, isWaiting]);
}

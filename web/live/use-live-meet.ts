import { useEffect, useState } from 'react';
import { useStore } from 'react-redux';
import type { AppStore } from '../app/store.ts';
import { applyNews, catchUp } from './live-meet.ts';
import { onLive } from './subscribe.ts';

/** Follows a meet as others write to it; since when it is not connected (ms of the clock), null while it is. */
export function useLiveMeet(meetId: string): number | null {
  const store = useStore() as AppStore;
  const [lostSince, setLostSince] = useState<number | null>(null);
  useEffect(
    () =>
      onLive((message) => {
        if (message.kind === 'lost') return setLostSince(message.since);
        if (message.kind === 'news') return applyNews(store.dispatch, message.news);
        setLostSince(null);
        void catchUp(store, meetId);
      }),
    [store, meetId],
  );
  return lostSince;
}

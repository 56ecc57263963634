import { useEffect } from 'react';
import { useStore } from 'react-redux';
import { RESOURCES } from '../../core/schema/resources.ts';
import type { LiveNews } from '../../core/schema/stored.ts';
import { baseApi } from '../app/api/base-api.ts';
import type { AppStore } from '../app/store.ts';
import { tabId } from '../app/tab.ts';
import { onLive } from '../live/subscribe.ts';
import { carAutosave } from '../open-car/car-document.ts';
import { briefAutosave } from '../open-brief/brief-document.ts';

/** Takes in what another device saved in this space: lists are read again, and what is open here follows. */
function followSaved({ dispatch }: AppStore, { what, id, by }: Extract<LiveNews, { kind: 'stored' }>): void {
  if (by === tabId()) return;
  dispatch(baseApi.util.invalidateTags(what === 'run' ? ['runs', 'cars'] : [RESOURCES[what].plural]));
  if (id === null) return;
  if (what === 'car') carAutosave.savedElsewhere(id);
  if (what === 'brief') briefAutosave.savedElsewhere(id);
}

/** Follows the space of a crew: what its other devices save, and what its leader tells and opens. */
export function useSpaceNews(): void {
  const store = useStore() as AppStore;
  useEffect(() => {
    let isFirst = true;
    return onLive((message) => {
      if (message.kind === 'news' && message.news.kind === 'stored') followSaved(store, message.news);
      if (message.kind === 'news' && message.news.kind === 'class') store.dispatch(baseApi.util.invalidateTags(['crewClass', 'joined']));
      if (message.kind !== 'open') return;
      // What was missed while it was not connected is read again.
      if (!isFirst)
        store.dispatch(baseApi.util.invalidateTags(['crewClass', 'joined', 'cars', 'runs', 'versions', 'parts', 'briefs', 'sessions']));
      const open = store.getState().design;
      if (!isFirst && open) carAutosave.savedElsewhere(open.id);
      isFirst = false;
    });
  }, [store]);
}

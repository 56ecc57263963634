import type { Draft } from '@reduxjs/toolkit';
import type { LiveNews, StoredEntry, StoredMeet, StoredResult } from '../../core/schema/stored.ts';
import { baseApi } from '../app/api/base-api.ts';
import { meetsApi } from '../app/api/meets-api.ts';
import { type Partitioned as Sorted } from '../app/api/resource-endpoints.ts';
import type { AppDispatch, AppStore } from '../app/store.ts';

/** A list with one more thing, or with that in place of what it was; in the order in which they came. */
function withOne<T extends { readonly id: string; readonly number: number }>({ readable, unreadable }: Sorted<T>, one: T): Sorted<T> {
  const others = readable.filter(({ id }) => id !== one.id);
  return { readable: [...others, one].sort((a, b) => a.number - b.number), unreadable };
}

/** Puts what was written into what this page has of a meet, without reading that again. */
export const applied = {
  result: (dispatch: AppDispatch, meet: string, stored: StoredResult): void =>
    void dispatch(
      meetsApi.util.updateQueryData(
        'listResults',
        meet,
        (list) => withOne(list as Sorted<StoredResult>, stored) as Draft<Sorted<StoredResult>>,
      ),
    ),
  entry: (dispatch: AppDispatch, meet: string, stored: StoredEntry): void =>
    void dispatch(
      meetsApi.util.updateQueryData(
        'listEntries',
        meet,
        (list) => withOne(list as Sorted<StoredEntry>, stored) as Draft<Sorted<StoredEntry>>,
      ),
    ),
  meet: (dispatch: AppDispatch, stored: StoredMeet): void =>
    void dispatch(
      meetsApi.util.updateQueryData('getMeet', stored.id, (before) =>
        before.version > stored.version ? before : (stored as Draft<StoredMeet>),
      ),
    ),
};

/** Takes in what the server tells of a meet. */
export function applyNews(dispatch: AppDispatch, news: LiveNews): void {
  switch (news.kind) {
    case 'result':
      return applied.result(dispatch, news.meet, news.stored);
    case 'entry':
      return applied.entry(dispatch, news.meet, news.stored);
    case 'meet':
      return applied.meet(dispatch, news.stored);
    // What is of a space or a class is followed elsewhere.
    case 'stored':
    case 'class':
      return;
    case 'changed':
      return void dispatch(baseApi.util.invalidateTags(['meets', 'entries', 'results']));
  }
}

/** Reads what was missed of a meet while no news came: what is short whole, results after the last that is here. */
export async function catchUp({ dispatch, getState }: Pick<AppStore, 'dispatch' | 'getState'>, meetId: string): Promise<void> {
  dispatch(baseApi.util.invalidateTags(['meets', 'entries']));
  const { data: known } = meetsApi.endpoints.listResults.select(meetId)(getState());
  if (!known) return void dispatch(baseApi.util.invalidateTags(['results']));
  for (;;) {
    const after = meetsApi.endpoints.listResults.select(meetId)(getState()).data?.readable.at(-1)?.number ?? 0;
    const { data: page } = await dispatch(
      meetsApi.endpoints.resultsAfter.initiate({ meetId, after }, { subscribe: false, forceRefetch: true }),
    );
    if (!page) return;
    for (const stored of page.results) if (!('unreadable' in stored)) applied.result(dispatch, meetId, stored);
    if (!page.isLast) continue;
    const { readable, unreadable } = meetsApi.endpoints.listResults.select(meetId)(getState()).data!;
    const versions = [...readable, ...unreadable].reduce((sum, { version }) => sum + version, 0);
    // One was replaced, as an archive may do: all are read again.
    if (page.count !== readable.length + unreadable.length || page.versions !== versions)
      dispatch(baseApi.util.invalidateTags(['results']));
    return;
  }
}

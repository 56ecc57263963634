import { tabId } from '../app/tab.ts';
import { spaceStorage } from '../ui/space.ts';

/** An edit not yet acknowledged by the server, stored in the browser so that a reload or crash loses nothing. */
export interface Draft<T> {
  readonly baseVersion: number;
  readonly content: T;
}

export const PREFIX = 'draft:';
export const keyOf = (id: string, tab: string): string => `${PREFIX}${id}:${tab}`;

export const saveDraft = (id: string, draft: Draft<unknown>): void => spaceStorage.setItem(keyOf(id, tabId()), JSON.stringify(draft));
export const removeDraft = (id: string): void => spaceStorage.removeItem(keyOf(id, tabId()));

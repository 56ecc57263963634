import type { Read } from '../../core/files/read.ts';
import { isAlive, tabId } from '../app/tab.ts';
import { saveDraft, keyOf, PREFIX, type Draft } from './drafts.ts';
import { spaceStorage } from '../ui/space.ts';

/** Reads a document of one kind. Seldom wanted, and a fair piece of program: fetched when it is. */
export type ReaderSoon<T> = () => Promise<(value: unknown) => Read<T>>;

async function read<T>(text: string | null, reader: ReaderSoon<T>): Promise<Draft<T> | null> {
  if (text === null) return null;
  try {
    // Drafts of designs were once kept under their own name.
    const value = JSON.parse(text) as { baseVersion?: unknown; content?: unknown; design?: unknown } | null;
    const content = (await reader())(value?.content ?? value?.design);
    return content.kind === 'read' && typeof value?.baseVersion === 'number'
      ? { baseVersion: value.baseVersion, content: content.value }
      : null;
  } catch {
    return null;
  }
}

/** This tab's draft of a document, or one left behind by a tab that is gone; a left-behind one becomes this tab's own. */
export async function findDraft<T>(id: string, reader: ReaderSoon<T>): Promise<Draft<T> | null> {
  const own = await read(spaceStorage.getItem(keyOf(id, tabId())), reader);
  if (own) return own;
  for (const key of spaceStorage.keys(`${PREFIX}${id}:`)) {
    const tab = key.slice(keyOf(id, '').length);
    if (await isAlive(tab)) continue;
    const draft = await read(spaceStorage.getItem(key), reader);
    if (draft) saveDraft(id, draft);
    if (tab !== tabId()) spaceStorage.removeItem(key);
    if (draft) return draft;
  }
  return null;
}

import { isSameContent } from '../../core/car/same-design.ts';
import type { StoredDocument } from './document-slice.ts';
import type { Draft } from './drafts.ts';

/** How a document is opened with what was left unsaved of it in this browser. */
export interface OpenedAs<T> {
  /** What to go on with; null where it stands as it was saved. */
  readonly draft: T | null;
  /** Whether the draft has grown from an older version: which of the two goes on is asked. */
  readonly isConflict: boolean;
}

/** A draft that says no more than what was saved is none. */
export function openedAs<T>({ version, content }: Omit<StoredDocument<T>, 'id'>, draft: Draft<T> | null): OpenedAs<T> {
  if (!draft || isSameContent(draft.content, content)) return { draft: null, isConflict: false };
  return { draft: draft.content, isConflict: draft.baseVersion !== version };
}

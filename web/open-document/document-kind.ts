import type { AppDispatch, Autosave } from './autosave.ts';
import type { DocumentSlice, StoredDocument, OpenDocument } from './document-slice.ts';
import type { ReaderSoon } from './find-draft.ts';

/** One kind of document: where it is open, how it is fetched and read. */
export interface DocumentKind<T> {
  /** Its name in messages. */
  readonly what: string;
  readonly slice: DocumentSlice<T>;
  readonly openOf: (state: unknown) => OpenDocument<T> | null;
  readonly autosave: Autosave;
  readonly reader: ReaderSoon<T>;
  /** As it is stored now; null where it is not there, or cannot be had. */
  readonly fetch: (dispatch: AppDispatch, id: string) => Promise<StoredDocument<T> | null>;
}

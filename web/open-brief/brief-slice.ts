import type { Brief } from '../../core/brief/brief.ts';
import { documentSlice, type EditOf, type StoredDocument, type OpenDocument } from '../open-document/document-slice.ts';

/** The brief that is open. */
export const briefSlice = documentSlice<Brief>('brief');
export type EditBrief = EditOf<Brief>;

/** A brief of the server as a document. */
export const storedBriefOf = ({ id, version, brief }: { id: string; version: number; brief: Brief }): StoredDocument<Brief> => ({
  id,
  version,
  content: brief,
});

interface WithBrief {
  readonly brief: OpenDocument<Brief> | null;
}
export const openBriefOf = (state: unknown): OpenDocument<Brief> | null => (state as WithBrief).brief;

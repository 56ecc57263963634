import type { CarDesign } from '../../core/car/car-design.ts';
import { documentSlice, type EditOf, type StoredDocument, type OpenDocument } from '../open-document/document-slice.ts';

/** The car that is open. */
export const designSlice = documentSlice<CarDesign>('design');
export type DesignState = OpenDocument<CarDesign>;
export type Edit = EditOf<CarDesign>;

/** A car of the server as a document. */
export const storedCarOf = ({ id, version, design }: { id: string; version: number; design: CarDesign }): StoredDocument<CarDesign> => ({
  id,
  version,
  content: design,
});

interface WithDesign {
  readonly design: DesignState | null;
}
export const openDesignOf = (state: unknown): DesignState | null => (state as WithDesign).design;

import type { Read } from '../../core/files/read.ts';
import type { StoredItem, Unreadable } from '../../core/schema/stored.ts';

export type Reader<T> = (value: unknown) => Read<T>;

/** A JSON text of the database as what it should be, or as something that cannot be read: one bad row takes no list with it. */
export function readRow<T, K extends StoredItem>(
  { id, version }: StoredItem,
  text: string,
  parse: () => unknown,
  read: Reader<T>,
  shown: (content: T) => K,
): K | Unreadable {
  try {
    const content = read(parse());
    return content.kind === 'read' ? shown(content.value) : { id, version, unreadable: { text, faults: content.faults } };
  } catch (error) {
    return { id, version, unreadable: { text, faults: [{ path: '', code: 'not-json', reason: (error as Error).message }] } };
  }
}

/** A row that holds its content as JSON; `number` where things are counted in the order in which they came. */
export interface ContentRow extends StoredItem {
  readonly number?: number;
  readonly content: string;
  readonly updated_at: string;
}

/** Reads such rows, their content under the name of its column. */
export const contentReader =
  <T, S extends StoredItem>(column: string, read: Reader<T>) =>
  ({ id, version, number, content, updated_at }: ContentRow): S | Unreadable =>
    readRow(
      { id, version },
      content,
      () => JSON.parse(content),
      read,
      (value) => ({ id, version, ...(number !== undefined && { number }), [column]: value, updatedAt: updated_at }) as unknown as S,
    );

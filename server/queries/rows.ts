import type { Read } from '../../core/files/read.ts';
import type { Kept, Unreadable } from '../../core/schema/stored.ts';

export type Reader<T> = (value: unknown) => Read<T>;

/** A JSON text of the database as what it should be, or as something that cannot be read: one bad row takes no list with it. */
export function readRow<T, K extends Kept>(
  { id, version }: Kept,
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

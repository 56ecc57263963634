import { makePlace, type Box, type Item, type Place } from './drawing.ts';

/** What stays whole in a column: so high, mm, and drawn from its upper left corner. */
export interface Line {
  readonly height: number;
  readonly draw: (at: Place) => readonly Item[];
}

/** Lines below one another; where they go on in another column their head is there again. */
export interface Block {
  readonly head: Line | null;
  readonly lines: readonly Line[];
}

/** mm between blocks, and of a block that is kept in one column. */
const BETWEEN = 5;
const KEPT_WHOLE = 70;

/**
 * Sets blocks into columns, each as far down as it has room.
 * @param columns the room of each column, the first first; as many as it takes
 * @returns what is drawn in each column that was used, and null where the columns end before the blocks do
 */
export function flowed(blocks: readonly Block[], columns: Iterable<Box>): readonly (readonly Item[])[] | null {
  const rest = columns[Symbol.iterator]();
  const filled: Item[][] = [];
  let room = null as Box | null;
  let y = 0;
  const next = (): boolean => {
    const { value, done } = rest.next();
    if (done) return false;
    room = value;
    y = room.top;
    filled.push([]);
    return true;
  };
  const put = (line: Line): void => {
    filled.at(-1)!.push(...line.draw(makePlace(room!.left, y)));
    y += line.height;
  };
  for (const { head, lines } of blocks) {
    const whole = lines.reduce((sum, { height }) => sum + height, head?.height ?? 0);
    if (room && whole <= KEPT_WHOLE && y > room.top && y + whole > room.bottom && !next()) return null;
    let needsHead = true;
    for (const line of lines) {
      const needed = line.height + (needsHead && head ? head.height : 0);
      while (!room || y + needed > room.bottom) {
        // A line that no column holds is put at the top of one all the same.
        if (room && y === room.top) break;
        if (!next()) return null;
        needsHead = true;
      }
      if (needsHead && head) put(head);
      needsHead = false;
      put(line);
    }
    y += BETWEEN;
  }
  return filled;
}

import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { axleDetail } from './axle-detail.ts';
import { boxOf, makeLine, makePlace, type Item, type TextItem } from './drawing.ts';
import type { SizeFormat } from './size-format.ts';
import { neededSizes, type NeededSize } from './needed-sizes.ts';
import { notesOf } from './notes.ts';
import { partsList, remainderOf, wholeMass } from './parts-list.ts';
import { wrapText } from './tiles.ts';
import { fitted, TITLE, withinFrame } from './title-block.ts';

/** A table: rows of words in columns so many mm wide, wrapped; how far down it reaches. */
function table(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  columns: readonly number[],
  x: number,
  y: number,
): { readonly items: Item[]; readonly foot: number } {
  const items: Item[] = [];
  const width = columns.reduce((sum, column) => sum + column, 0);
  const step = 3.8;
  let down = y;
  items.push(makeLine(makePlace(x, down), makePlace(x + width, down), 'thin'));
  [head, ...rows].forEach((row, n) => {
    const cells = row.map((text, i) => wrapText(text, 2.7, columns[i]! - 2).map((part) => fitted(part, 2.7, columns[i]! - 2, 1.8)));
    const tall = step * Math.max(...cells.map((lines) => Math.max(lines.length, 1))) + 1.2;
    let left = x;
    cells.forEach((lines, i) => {
      lines.forEach((part, k) =>
        items.push({
          kind: 'text',
          at: makePlace(left + 1, down + 3.5 + step * k),
          ...part,
          anchor: 'start',
          ...(n === 0 && { bold: true }),
        }),
      );
      left += columns[i]!;
    });
    down += tall;
    items.push(makeLine(makePlace(x, down), makePlace(x + width, down), 'thin'));
  });
  return { items, foot: down };
}

/** Which size a line of the further ones tells. */
const tellsOf = (item: TextItem, further: readonly NeededSize[]): { readonly tells?: string } => {
  const found = further.find(({ label }) => label === item.text);
  return found ? { tells: found.tells } : {};
};

/** The detail of the drive axle, the parts list, what sizes no view had room for, and the notes. */
export function listsSheet(
  design: CarDesign,
  dimensioned: ReadonlySet<string>,
  width: number,
  height: number,
  sizes: SizeFormat,
): { readonly items: Item[]; readonly by: number } {
  const frame = withinFrame(width, height);
  const half = frame.left + 0.42 * (frame.right - frame.left);
  const roller = isRoller(design);
  const items: Item[] = [];
  let by = 1;
  const known = new Set(dimensioned);
  let down = frame.top + 4;
  if (!roller) {
    const detail = axleDetail(design, { left: frame.left + 3, right: half - 4, top: frame.top + 2, bottom: frame.top + 92 }, sizes);
    items.push(...detail.items);
    detail.dimensioned.forEach((one) => known.add(one));
    ({ by } = detail);
    down = Math.max(...detail.items.map((item) => boxOf(item).bottom)) + 5;
  }
  const further = neededSizes(design, sizes).filter(({ tells }) => !known.has(tells));
  if (further.length > 0) {
    const { items: rows, foot } = table(
      ['further sizes', sizes.unit],
      further.map(({ label, value }) => [label, value]),
      [74, 24],
      frame.left + 3,
      down,
    );
    items.push(...rows.map((item) => (item.kind === 'text' ? { ...item, ...tellsOf(item, further) } : item)));
    down = foot + 4;
  }
  const notes = notesOf(design, sizes);
  items.push({ kind: 'text', at: makePlace(frame.left + 3, down + 3.5), text: 'notes', size: 3.2, anchor: 'start', bold: true });
  down += 5;
  const rightTop = frame.bottom - TITLE.height;
  for (const note of notes)
    for (const [i, text] of wrapText(note, 2.7, half - frame.left - 12).entries()) {
      items.push({
        kind: 'text',
        at: makePlace(frame.left + (i === 0 ? 3 : 6), down + 3.5),
        text: i === 0 ? `– ${text}` : text,
        size: 2.7,
        anchor: 'start',
      });
      down += 3.9;
    }
  const parts = partsList(design, sizes);
  const weight = (mass: number): string => sizes.weight(mass, 1);
  const list = table(
    ['no.', 'part', 'count', 'size', sizes.weightUnit],
    [
      ...parts.map(({ number, name, count, size: told2, mass }) => [String(number), name, String(count), told2, weight(mass)]),
      ['', 'remainder: glue and what is not listed', '', '', weight(Math.max(0, remainderOf(design, parts)))],
      ['', 'total, ready to run', '', '', sizes.weight(wholeMass(design), 0)],
    ],
    [8, 62, 11, 50, 13],
    half,
    frame.top + 3,
  );
  items.push(...list.items);
  // Whatever does not fit above the title block is reported elsewhere: never over it.
  return {
    items: items.filter((item) => boxOf(item).bottom < (boxOf(item).right > frame.right - TITLE.width ? rightTop : frame.bottom)),
    by,
  };
}

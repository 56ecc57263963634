import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { axleDetail } from './axle-detail.ts';
import { boxOf, LETTERS, makeLine, makePlace, movedItem, type Item, type Place } from './drawing.ts';
import type { Block, Line } from './flow.ts';
import { neededSizes } from './needed-sizes.ts';
import { notesOf } from './notes.ts';
import { partsList, remainderOf, wholeMass } from './parts-list.ts';
import type { SizeFormat } from './size-format.ts';
import { wrapText } from './tiles.ts';
import { fitted } from './title-block.ts';

/** mm from one line of text to the next, kept free beside a cell's text, and below a row's. */
const STEP = 5;
const CELL = 1;
const FOOT = 1.4;
/** mm that the detail of the axle takes up and down at the most. */
const DETAIL = 92;

const words = (text: string, { x, y }: Place, bold = false): Item => ({
  kind: 'text',
  at: makePlace(x, y),
  text,
  size: LETTERS,
  anchor: 'start',
  ...(bold && { bold }),
});

/** A row of a table, its cells wrapped; ruled below. `tells`: the size of the design that it reports. */
function row(cells: readonly string[], columns: readonly number[], { bold = false, tells }: { bold?: boolean; tells?: string } = {}): Line {
  const wrapped = cells.map((text, i) =>
    wrapText(text, LETTERS, columns[i]! - 2 * CELL).map((part) => fitted(part, LETTERS, columns[i]! - 2 * CELL).text),
  );
  const height = STEP * Math.max(...wrapped.map((lines) => lines.length), 1) + FOOT;
  const width = columns.reduce((sum, column) => sum + column, 0);
  return {
    height,
    draw: ({ x, y }) => {
      let left = x;
      const texts = wrapped.flatMap((lines, i) => {
        const at = left + CELL;
        left += columns[i]!;
        return lines.map((text, k): Item => ({
          ...words(text, makePlace(at, y + STEP * (k + 0.8)), bold),
          ...(i === 0 && k === 0 && tells && { tells }),
        }));
      });
      return [...texts, makeLine(makePlace(x, y + height), makePlace(x + width, y + height), 'thin')];
    },
  };
}

const table = (
  head: readonly string[],
  rows: readonly { readonly cells: readonly string[]; readonly tells?: string }[],
  fractions: readonly number[],
  width: number,
): Block => {
  const columns = fractions.map((fraction) => fraction * width);
  return {
    head: row(head, columns, { bold: true }),
    lines: rows.map(({ cells, tells }) => row(cells, columns, { ...(tells && { tells }) })),
  };
};

/** Texts in lines, each note with a dash before it. */
function notesBlock(notes: readonly string[], width: number): Block {
  const indent = 4;
  const lines = notes.map((note): Line => {
    const parts = wrapText(note, LETTERS, width - indent);
    return {
      height: STEP * parts.length,
      draw: ({ x, y }) =>
        parts.flatMap((text, i) => [
          ...(i === 0 ? [words('–', makePlace(x, y + STEP * 0.8))] : []),
          words(text, makePlace(x + indent, y + STEP * (i + 0.8))),
        ]),
    };
  });
  return { head: { height: STEP + 1, draw: ({ x, y }) => [words('notes', makePlace(x, y + STEP * 0.8), true)] }, lines };
}

/** The detail of the drive axle, drawn once to see what it takes. */
function detailBlock(
  design: CarDesign,
  width: number,
  sizes: SizeFormat,
): Block & { readonly dimensioned: ReadonlySet<string>; readonly by: number } {
  const drawn = axleDetail(design, { left: 0, right: width, top: 0, bottom: DETAIL }, sizes);
  const height = Math.max(...drawn.items.map((item) => boxOf(item).bottom)) + 1;
  return {
    ...drawn,
    head: null,
    lines: [{ height, draw: (at) => drawn.items.map((item) => movedItem(item, ({ x, y }) => makePlace(x + at.x, y + at.y))) }],
  };
}

/** The parts list, what sizes no view had room for, the notes, and the detail of the drive axle with its scale. */
export function listBlocks(
  design: CarDesign,
  dimensioned: ReadonlySet<string>,
  width: number,
  sizes: SizeFormat,
): { readonly blocks: readonly Block[]; readonly by: number | null } {
  const detail = isRoller(design) ? null : detailBlock(design, width, sizes);
  const further = neededSizes(design, sizes).filter(({ tells }) => !dimensioned.has(tells) && !detail?.dimensioned.has(tells));
  const parts = partsList(design, sizes);
  const weight = (mass: number): string => {
    const told = sizes.weight(mass, 1);
    // What is lighter than the last digit weighs something all the same.
    return Number(told) === 0 && mass > 0 ? `< ${told.replace(/.$/, '1')}` : told;
  };
  const list = table(
    ['no.', 'part', 'count', 'size', sizes.weightUnit],
    [
      ...parts.map(({ number, name, count, size, mass }) => ({ cells: [String(number), name, String(count), size, weight(mass)] })),
      { cells: ['', 'remainder: glue and what is not listed', '', '', weight(Math.max(0, remainderOf(design, parts)))] },
      { cells: ['', 'total, ready to run', '', '', sizes.weight(wholeMass(design), 0)] },
    ],
    [0.08, 0.4, 0.11, 0.29, 0.12],
    width,
  );
  return {
    by: detail?.by ?? null,
    blocks: [
      list,
      ...(further.length > 0
        ? [
            table(
              ['further sizes', sizes.unit],
              further.map(({ tells, label, value }) => ({ cells: [label, value], tells })),
              [0.75, 0.25],
              width,
            ),
          ]
        : []),
      notesBlock(notesOf(design, sizes), width),
      ...(detail ? [detail] : []),
    ],
  };
}

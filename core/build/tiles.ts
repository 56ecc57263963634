import {
  boxOf,
  clipped,
  isWithin,
  makeLine,
  linesOf,
  PAPERS,
  makePlace,
  movedItem,
  textWidth,
  type Box,
  type Item,
  type PaperName,
  type Place,
  type Sheet,
} from './drawing.ts';
import type { Piece } from './templates.ts';

/** mm that no printer reaches, kept free about a page; and below it, for the rule. Common practice. */
const MARGIN = 10;
const FOOT = 26;
/** mm that neighbouring pages show alike, where they are glued over one another. */
export const OVERLAP = 10;
/** mm between pieces on a page. */
const GAP = 6;
/** mm of the rule by which the printer is checked. */
export const SCALE_BAR = 100;

/** A window of a piece that is printed on one page, mm. */
export interface Window {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Height of capitals over the size of a text. */
const CAPITALS = 0.7;
const turnedPlace = ({ x, y }: Place, height: number): Place => makePlace(height - y, x);
/** A piece turned a quarter, where it needs fewer pages so. */
const turned = (piece: Piece): Piece => ({
  ...piece,
  width: piece.height,
  height: piece.width,
  items: piece.items.map((item): Item => {
    const moved = movedItem(item, (place) => turnedPlace(place, piece.height));
    if (moved.kind !== 'text') return moved;
    // Its words are read from the right.
    const { upright: _upright, at, ...text } = moved;
    return {
      ...text,
      at: makePlace(at.x + CAPITALS * text.size, at.y),
      upright: true,
      anchor: text.anchor === 'start' ? 'end' : text.anchor,
    };
  }),
});

/** What of a piece is seen through a window, moved to `to` on the page: whole where it fits, else its lines as far as the edge. */
function throughWindow(items: readonly Item[], { x: left, y: top, width, height }: Window, to: Place): Item[] {
  const window: Box = { left, top, right: left + width, bottom: top + height };
  const moved = ({ x, y }: Place): Place => makePlace(x - left + to.x, y - top + to.y);
  return items.flatMap((item): Item[] => {
    const isWhole = isWithin(boxOf(item), window);
    if (isWhole) return [movedItem(item, moved)];
    if (item.kind === 'text') return [];
    return linesOf(item).flatMap(([from, end]) => {
      const part = clipped(window, from, end);
      return part ? [makeLine(moved(part[0]), moved(part[1]), item.line)] : [];
    });
  });
}

/** The windows by which a piece of this size is seen whole, neighbours alike along `OVERLAP`, row by row. */
export function windowsOf(width: number, height: number, room: { readonly width: number; readonly height: number }): Window[] {
  const along = (size: number, most: number): number => (size <= most ? 1 : Math.ceil((size - OVERLAP) / (most - OVERLAP)));
  const [columns, rows] = [along(width, room.width), along(height, room.height)];
  return Array.from({ length: columns * rows }, (_, i) => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    const [x, y] = [column * (room.width - OVERLAP), row * (room.height - OVERLAP)];
    return { x, y, width: Math.min(room.width, width - x), height: Math.min(room.height, height - y) };
  });
}

/** The rule by which a page is checked, and what to do where it is off. */
function ruleItems(height: number): Item[] {
  const [x, y] = [MARGIN, height - MARGIN - 8];
  return [
    makeLine(makePlace(x, y), makePlace(x + SCALE_BAR, y), 'outline'),
    ...Array.from({ length: 11 }, (_, i) =>
      makeLine(makePlace(x + 10 * i, y), makePlace(x + 10 * i, y - (i % 5 === 0 ? 4 : 2.5)), 'outline'),
    ),
    { kind: 'text', at: makePlace(x, y + 4.5), text: 'This scale bar is 100 mm long. Measure it.', size: 3, anchor: 'start', bold: true },
    {
      kind: 'text',
      at: makePlace(x, y + 8.5),
      text: 'If it is not, print again at 100 % (“actual size”, not “fit to page”).',
      size: 3,
      anchor: 'start',
    },
  ];
}

/** Words in lines of so many mm. */
export function wrapText(text: string, size: number, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && textWidth(`${last} ${word}`, size) <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** A piece, or what of it is seen on one page, with its words; moved to where it is printed. */
interface Panel {
  readonly width: number;
  readonly height: number;
  readonly at: (to: Place) => readonly Item[];
}

/** mm from one line of a note to the next, of its text and of a name’s. */
const NOTE_LINE = 4;
const NOTE = 2.8;
const NAME = 3.5;
/** mm that the words of a small piece take across. */
const NARROWEST = 58;
/** Where crosses stand along a seam, as fractions of it, and mm of an arm. */
const CROSSES = [0.2, 0.8] as const;
const ARM = 3;

/** A piece’s name and note in lines of so many mm, and how high they stand over it. */
function headOf(name: string, note: string, width: number): { readonly names: string[]; readonly notes: string[]; readonly high: number } {
  const [names, notes] = [wrapText(name, NAME, width), wrapText(note, NOTE, width)];
  return { names, notes, high: 2 + NOTE_LINE * (names.length + notes.length) };
}

/** The windows by which a piece is seen on pages of this size, with its words over it and, where it is split, what is done at its seams below. */
function windowsOn({ name, note, width, height }: Piece, page: { readonly width: number; readonly height: number }): readonly Window[] {
  const words = (text: string, across: number): number => headOf(text, note, Math.min(Math.max(across, NARROWEST), page.width)).high;
  if (width <= page.width && height + words(name, width) <= page.height) return windowsOf(width, height, { width, height });
  const room = { width: page.width, height: page.height - words(`${name}${PART}`, NARROWEST) - 2 * NOTE_LINE };
  return windowsOf(width, height, room);
}
/** What is put after the name of one of many parts, at the longest. */
const PART = ' · part 10 of 10';

/** A seam between two pages on a piece: along the near edge of the later page, where that is trimmed. */
interface Seam {
  readonly from: Place;
  readonly to: Place;
}

/** The seams of a window with the pages before and after it; those before it are trimmed, and it is glued under those after it. */
function seamsOf({ x, y, width, height }: Window, piece: Piece): { readonly trimmed: readonly Seam[]; readonly under: readonly Seam[] } {
  const [right, foot] = [x + width, y + height];
  const seam = (x1: number, y1: number, x2: number, y2: number): Seam => ({ from: makePlace(x1, y1), to: makePlace(x2, y2) });
  return {
    trimmed: [...(x > 0 ? [seam(x, y, x, foot)] : []), ...(y > 0 ? [seam(x, y, right, y)] : [])],
    under: [
      ...(right < piece.width - 1e-9 ? [seam(right - OVERLAP, y, right - OVERLAP, foot)] : []),
      ...(foot < piece.height - 1e-9 ? [seam(x, foot - OVERLAP, right, foot - OVERLAP)] : []),
    ],
  };
}

/** Lines of text below a place. */
const textLines = (lines: readonly string[], size: number, { x, y }: Place, bold = false): readonly Item[] =>
  lines.map((text, i) => ({ kind: 'text', at: makePlace(x, y + NOTE_LINE * (i + 1)), text, size, anchor: 'start', ...(bold && { bold }) }));

/** What is printed of a piece on one page: its name and note, and what is seen of it through a window, with its seams and the crosses on them. */
function panelOf(piece: Piece, window: Window, part: string, most: number): Panel {
  const name = `${piece.count > 1 ? `${piece.count} × ` : ''}${piece.name}${part}`;
  const width = Math.min(Math.max(window.width, NARROWEST), most);
  const { names, notes, high: head } = headOf(name, piece.note, width);
  const { trimmed, under } = seamsOf(window, piece);
  const hints = [
    ...(trimmed.length > 0 ? ['thin line: trim the paper here'] : []),
    ...(under.length > 0 ? ['dotted: lay the next part here, cross on cross, and glue'] : []),
  ].flatMap((hint) => wrapText(hint, NOTE, width));
  // A whole piece keeps the lines on its edge.
  const seen = part === '' ? { x: -1, y: -1, width: piece.width + 2, height: piece.height + 2 } : window;
  const crossesOn = ({ from, to }: Seam): Place[] =>
    CROSSES.map((fraction) => makePlace(from.x + fraction * (to.x - from.x), from.y + fraction * (to.y - from.y)));
  const seams: Item[] = [
    ...trimmed.map(({ from, to }) => makeLine(from, to, 'thin')),
    ...under.map(({ from, to }) => makeLine(from, to, 'glue')),
    ...[...trimmed, ...under]
      .flatMap(crossesOn)
      .flatMap((at) => [
        makeLine(makePlace(at.x - ARM, at.y), makePlace(at.x + ARM, at.y), 'thin'),
        makeLine(makePlace(at.x, at.y - ARM), makePlace(at.x, at.y + ARM), 'thin'),
      ]),
  ];
  return {
    width,
    height: head + window.height + NOTE_LINE * hints.length,
    at: ({ x, y }) => {
      const to = makePlace(x, y + head);
      const foot = to.y + window.height;
      return [
        ...textLines(names, NAME, makePlace(x, y), true),
        ...textLines(notes, NOTE, makePlace(x, y + NOTE_LINE * names.length)),
        ...throughWindow(piece.items, seen, makePlace(to.x + seen.x - window.x, to.y + seen.y - window.y)),
        ...(part === '' ? [] : throughWindow(seams, window, to)),
        ...textLines(hints, NOTE, makePlace(x, foot)),
      ];
    },
  };
}

/** Panels on pages: the highest first, in rows as high as their first, side by side as far as they have room. */
function packed(
  panels: readonly Panel[],
  { width, height }: { readonly width: number; readonly height: number },
): readonly (readonly Item[])[] {
  const left = panels.toSorted((a, b) => b.height - a.height || b.width - a.width);
  const pages: Item[][] = [];
  const take = (fits: (panel: Panel) => boolean): Panel | undefined => left.splice(left.findIndex(fits) >>> 0, 1)[0];
  while (left.length > 0) {
    const page: Item[] = [];
    let y = 0;
    for (let first = take(() => true); first; first = take((panel) => y + panel.height <= height)) {
      let x = 0;
      const rowHeight = first.height;
      for (let panel: Panel | undefined = first; panel; panel = take((one) => one.height <= rowHeight && x + one.width <= width)) {
        page.push(...panel.at(makePlace(MARGIN + x, MARGIN + y)));
        x += panel.width + GAP;
      }
      y += rowHeight + GAP;
    }
    pages.push(page);
  }
  return pages;
}

/** Templates at full size on pages, side by side and below each other where they have room; a large one over several pages that are glued together. */
export function templatePages(pieces: readonly Piece[], title: string, paper: PaperName): readonly Sheet[] {
  const { width, height } = PAPERS[paper];
  const most = width - 2 * MARGIN;
  const page = { width: most, height: height - MARGIN - FOOT };
  const panels = pieces.flatMap((piece) => {
    const [standing, lying] = [piece, turned(piece)].map((one) => windowsOn(one, page)) as [readonly Window[], readonly Window[]];
    const isLying = lying.length < standing.length;
    const best = isLying ? turned(piece) : piece;
    const windows = isLying ? lying : standing;
    return windows.map((window, i) => panelOf(best, window, windows.length === 1 ? '' : ` · part ${i + 1} of ${windows.length}`, most));
  });
  const pages = packed(panels, page);
  return pages.map((items, i) => ({
    name: `${title}, templates ${i + 1} of ${pages.length}`,
    width,
    height,
    items: [
      ...items,
      ...ruleItems(height),
      {
        kind: 'text',
        at: makePlace(width - MARGIN, height - MARGIN - 8 - 6),
        text: `${title} · ${i + 1}/${pages.length} · full size`,
        size: 3,
        anchor: 'end',
      },
    ],
  }));
}

/** Every piece whole, below one another; mm. */
export function laidOut(pieces: readonly Piece[]): { readonly items: readonly Item[]; readonly width: number; readonly height: number } {
  let y = GAP;
  const items = pieces.flatMap((piece) => {
    const to = makePlace(GAP, y);
    y += piece.height + GAP;
    return throughWindow(piece.items, { x: -1, y: -1, width: piece.width + 2, height: piece.height + 2 }, makePlace(to.x - 1, to.y - 1));
  });
  return { items, width: Math.max(0, ...pieces.map(({ width }) => width)) + 2 * GAP, height: y };
}

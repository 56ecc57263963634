import {
  boxOf,
  clipped,
  isWithin,
  makeLine,
  linesOf,
  PAPERS,
  makePlace,
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
/** mm between pieces on a page; and above a large one for its words, and below it. */
const GAP = 6;
const HEAD = 24;
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
    if (item.kind === 'path') return { ...item, points: item.points.map((point) => turnedPlace(point, piece.height)) };
    if (item.kind === 'circle') return { ...item, centre: turnedPlace(item.centre, piece.height) };
    // Its words are read from the right.
    const { upright: _upright, ...text } = item;
    const at = turnedPlace(item.at, piece.height);
    return {
      ...text,
      at: makePlace(at.x + CAPITALS * item.size, at.y),
      upright: true,
      anchor: item.anchor === 'start' ? 'end' : item.anchor,
    };
  }),
});

/** What of a piece is seen through a window, moved to `to` on the page: whole where it fits, else its lines as far as the edge. */
function throughWindow(items: readonly Item[], { x: left, y: top, width, height }: Window, to: Place): Item[] {
  const window: Box = { left, top, right: left + width, bottom: top + height };
  const moved = ({ x, y }: Place): Place => makePlace(x - left + to.x, y - top + to.y);
  return items.flatMap((item): Item[] => {
    const isWhole = isWithin(boxOf(item), window);
    if (item.kind === 'text') return isWhole ? [{ ...item, at: moved(item.at) }] : [];
    if (isWhole) return [item.kind === 'circle' ? { ...item, centre: moved(item.centre) } : { ...item, points: item.points.map(moved) }];
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
  readonly height: number;
  readonly at: (to: Place) => readonly Item[];
}

/** mm from one line of a note to the next, and of its text. */
const NOTE_LINE = 4;
const NOTE = 2.8;

/** What is printed of a piece on one page: its name and note, and what is seen of it through a window. */
function panelOf(piece: Piece, window: Window, part: string, most: number): Panel {
  const notes = wrapText(piece.note, NOTE, most);
  const head = 6 + NOTE_LINE * notes.length;
  const glued = { x: window.x + window.width < piece.width - 1e-9, y: window.y + window.height < piece.height - 1e-9 };
  // A whole piece keeps the lines on its edge.
  const seen = part === '' ? { x: -1, y: -1, width: piece.width + 2, height: piece.height + 2 } : window;
  return {
    height: head + window.height + (glued.x || glued.y ? NOTE_LINE : 0),
    at: ({ x, y }) => {
      const to = makePlace(x, y + head);
      const [right, low, foot] = [to.x + window.width - OVERLAP, to.y + window.height - OVERLAP, to.y + window.height];
      const name = `${piece.count > 1 ? `${piece.count} × ` : ''}${piece.name}${part}`;
      return [
        { kind: 'text', at: makePlace(x, y + 4), text: name, size: 3.5, anchor: 'start', bold: true },
        ...notes.map((text, i): Item => ({ kind: 'text', at: makePlace(x, y + 8 + NOTE_LINE * i), text, size: NOTE, anchor: 'start' })),
        ...throughWindow(piece.items, seen, makePlace(to.x + seen.x - window.x, to.y + seen.y - window.y)),
        // The next part is laid over what lies beyond these lines.
        ...(glued.x ? [makeLine(makePlace(right, to.y), makePlace(right, foot), 'glue')] : []),
        ...(glued.y ? [makeLine(makePlace(to.x, low), makePlace(to.x + window.width, low), 'glue')] : []),
        ...(glued.x || glued.y
          ? [
              {
                kind: 'text',
                at: makePlace(x, foot + NOTE_LINE),
                text: 'dotted: glue the next part over this edge so that the lines meet',
                size: NOTE,
                anchor: 'start',
              } as const,
            ]
          : []),
      ];
    },
  };
}

/** Templates at full size on pages, below each other where they have room; a large one over several pages that are glued together. */
export function templatePages(pieces: readonly Piece[], title: string, paper: PaperName): readonly Sheet[] {
  const { width, height } = PAPERS[paper];
  const most = width - 2 * MARGIN;
  const room = { width: most, height: height - MARGIN - FOOT - HEAD };
  const panels = pieces.flatMap((piece) => {
    const isLying = windowsOf(piece.height, piece.width, room).length < windowsOf(piece.width, piece.height, room).length;
    const best = isLying ? turned(piece) : piece;
    const windows = windowsOf(best.width, best.height, room);
    return windows.map((window, i) => panelOf(best, window, windows.length === 1 ? '' : ` · part ${i + 1} of ${windows.length}`, most));
  });
  // The highest first; what is left of a page goes to the highest that fits there.
  const left = panels.toSorted((a, b) => b.height - a.height);
  const pages: Item[][] = [];
  while (left.length > 0) {
    const page: Item[] = [];
    let y = MARGIN;
    const fits = (): number => left.findIndex((panel) => y === MARGIN || y + panel.height <= height - FOOT);
    for (let next = fits(); next >= 0; next = fits()) {
      const [panel] = left.splice(next, 1);
      page.push(...panel!.at(makePlace(MARGIN, y)));
      y += panel!.height + GAP;
    }
    pages.push(page);
  }
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

/** Every piece whole, below one another, for whoever cuts by machine; mm. */
export function laidOut(pieces: readonly Piece[]): { readonly items: readonly Item[]; readonly width: number; readonly height: number } {
  let y = GAP;
  const items = pieces.flatMap((piece) => {
    const to = makePlace(GAP, y);
    y += piece.height + GAP;
    return throughWindow(piece.items, { x: -1, y: -1, width: piece.width + 2, height: piece.height + 2 }, makePlace(to.x - 1, to.y - 1));
  });
  return { items, width: Math.max(0, ...pieces.map(({ width }) => width)) + 2 * GAP, height: y };
}

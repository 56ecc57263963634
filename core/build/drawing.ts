/** A place on a sheet, mm: x to the right, y down from its upper left corner. */
export interface Place {
  readonly x: number;
  readonly y: number;
}

/**
 * What a line says (ISO 128-2): visible edges thick, dimensions and leaders thin, hidden edges dashed, axes and centres long-dashed dotted;
 * the frame, what is cut out, what is only marked or folded, and where glue goes.
 */
export type LineKind = 'outline' | 'thin' | 'hidden' | 'centre' | 'frame' | 'cut' | 'mark' | 'glue';

/** How each kind is drawn, mm: its width, and its dashes. Source: ISO 128-2, group 0.35 (thin lines half as wide), 4-mm dashes. */
export const LINES: Readonly<Record<LineKind, { readonly width: number; readonly dash: readonly number[] }>> = {
  outline: { width: 0.35, dash: [] },
  thin: { width: 0.18, dash: [] },
  hidden: { width: 0.18, dash: [2, 1] },
  centre: { width: 0.18, dash: [6, 1, 0.5, 1] },
  frame: { width: 0.5, dash: [] },
  cut: { width: 0.35, dash: [] },
  mark: { width: 0.18, dash: [3, 1.5] },
  glue: { width: 0.18, dash: [0.5, 1] },
};
export const LINE_KINDS = Object.keys(LINES) as readonly LineKind[];

export interface PathItem {
  readonly kind: 'path';
  readonly points: readonly Place[];
  readonly closed: boolean;
  readonly line: LineKind;
  /** Filled: an arrowhead. */
  readonly filled?: true;
  /** A face of a part in the round, without an edge of its own: whether it is what is added, and how much light falls on it, 0 to 1. */
  readonly face?: { readonly isAdded: boolean; readonly light: number };
  /** Of a picture in the round, whose faces hide what is behind them: left out where there are lines alone. */
  readonly isPicture?: true;
  /** Printed in the accent: an edge of what is added. */
  readonly isAccent?: true;
}
export interface CircleItem {
  readonly kind: 'circle';
  readonly centre: Place;
  readonly radius: number;
  readonly line: LineKind;
}
export interface TextItem {
  readonly kind: 'text';
  /** Where its base line begins, is in the middle, or ends. */
  readonly at: Place;
  readonly text: string;
  /** Height of its capitals over about 0.7, mm. */
  readonly size: number;
  readonly anchor: 'start' | 'middle' | 'end';
  /** Read from the right: turned a quarter against the clock. */
  readonly upright?: true;
  readonly bold?: true;
  /** The size of the design that it tells: each is reported once. */
  readonly tells?: string;
}
export type Item = PathItem | CircleItem | TextItem;

export type PaperName = 'a4' | 'a3' | 'letter' | 'tabloid';
/** mm, upright. Source: ISO 216; ANSI Y14.1. */
export const PAPERS: Readonly<Record<PaperName, { readonly width: number; readonly height: number; readonly label: string }>> = {
  a4: { width: 210, height: 297, label: 'A4' },
  a3: { width: 297, height: 420, label: 'A3' },
  letter: { width: 215.9, height: 279.4, label: 'Letter' },
  tabloid: { width: 279.4, height: 431.8, label: 'Tabloid' },
};

/** One page that is printed. */
export interface Sheet {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly items: readonly Item[];
}

export const makePath = (points: readonly Place[], line: LineKind, closed = false): PathItem => ({ kind: 'path', points, closed, line });
export const makeLine = (from: Place, to: Place, kind: LineKind): PathItem => makePath([from, to], kind);
export const makeCircle = (centre: Place, radius: number, kind: LineKind): CircleItem => ({ kind: 'circle', centre, radius, line: kind });
export const makePlace = (x: number, y: number): Place => ({ x, y });
/** Corners of an upright rectangle. */
export const makeRectangle = (x: number, y: number, width: number, height: number): Place[] => [
  makePlace(x, y),
  makePlace(x + width, y),
  makePlace(x + width, y + height),
  makePlace(x, y + height),
];

/** mm of the texts of a drawing: capitals 2.5 mm high, 0.668 of the size in its font. Source: ISO 3098-1, the smallest for such sheets. */
export const LETTERS = 3.75;

/** Width of a letter over the size of its text, generously: of Atkinson Hyperlegible Next, whose figures are 0.6 wide. */
const LETTER = 0.58;
/** Height of what stands above the base line, and of what hangs below it, over the size. */
const ABOVE = 0.75;
const BELOW = 0.22;

/** A box on a sheet, mm. */
export interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** mm that a text takes along its base line. */
export const textWidth = (text: string, size: number): number => LETTER * size * text.length;

/** The room that a text takes. */
export function textBox({ at, text, size, anchor, upright }: Omit<TextItem, 'kind'>): Box {
  const width = textWidth(text, size);
  const before = anchor === 'start' ? 0 : anchor === 'middle' ? width / 2 : width;
  const [along, above, below] = [width - before, ABOVE * size, BELOW * size];
  return upright
    ? { left: at.x - above, right: at.x + below, top: at.y - along, bottom: at.y + before }
    : { left: at.x - before, right: at.x + along, top: at.y - above, bottom: at.y + below };
}

/** The room that an item takes. */
export function boxOf(item: Item): Box {
  if (item.kind === 'text') return textBox(item);
  if (item.kind === 'circle') {
    const { centre, radius } = item;
    return { left: centre.x - radius, right: centre.x + radius, top: centre.y - radius, bottom: centre.y + radius };
  }
  const [xs, ys] = [item.points.map(({ x }) => x), item.points.map(({ y }) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

/** An item with each of its places moved. */
export function movedItem(item: Item, move: (place: Place) => Place): Item {
  if (item.kind === 'text') return { ...item, at: move(item.at) };
  return item.kind === 'circle' ? { ...item, centre: move(item.centre) } : { ...item, points: item.points.map(move) };
}

/** Whether a box lies in another, its edges too. */
export const isWithin = (inner: Box, outer: Box): boolean =>
  inner.left >= outer.left && inner.right <= outer.right && inner.top >= outer.top && inner.bottom <= outer.bottom;

/** Whether two boxes have room in common. */
export const boxesOverlap = (a: Box, b: Box): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** The part of a straight line within a box, its edges too; null of none. Source: Liang and Barsky, 1984. */
export function clipped({ left, right, top, bottom }: Box, from: Place, to: Place): readonly [Place, Place] | null {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  let [enter, leave] = [0, 1];
  for (const [step, room] of [
    [-dx, from.x - left],
    [dx, right - from.x],
    [-dy, from.y - top],
    [dy, bottom - from.y],
  ] as const) {
    if (step === 0) {
      if (room < 0) return null;
      continue;
    }
    if (step < 0) enter = Math.max(enter, room / step);
    else leave = Math.min(leave, room / step);
  }
  return enter > leave ? null : [makePlace(from.x + enter * dx, from.y + enter * dy), makePlace(from.x + leave * dx, from.y + leave * dy)];
}

/** Whether a straight line passes through a box: along its edge is beside it. */
export function crossesBox(box: Box, from: Place, to: Place): boolean {
  const part = clipped(box, from, to);
  return part !== null && boxesOverlap(boxOf(makePath(part, 'thin')), box);
}

/** Sides of a circle where it is met as straight lines: within 0.02 mm of one 250 mm across. */
const SIDES = 256;

/** The straight lines that an item is drawn by, each from one place to another; none of a text. */
export function linesOf(item: Item): readonly (readonly [Place, Place])[] {
  if (item.kind === 'text') return [];
  const points =
    item.kind === 'path'
      ? item.points
      : Array.from({ length: SIDES }, (_, i) => {
          const angle = (2 * Math.PI * i) / SIDES;
          return makePlace(item.centre.x + item.radius * Math.cos(angle), item.centre.y + item.radius * Math.sin(angle));
        });
  const isClosed = item.kind === 'circle' || item.closed;
  return points.flatMap((from, i) => {
    const to = points[i + 1] ?? (isClosed ? points[0] : undefined);
    return to ? [[from, to] as const] : [];
  });
}

/** Whether an item is in the way of a text's box; another text wherever it stands, a line where it passes. */
export function isInTheWay(item: Item, box: Box): boolean {
  if (!boxesOverlap(boxOf(item), box)) return false;
  if (item.kind === 'text') return true;
  return linesOf(item).some(([from, to]) => crossesBox(box, from, to));
}

/** mm kept free about a text. */
const CLEAR = 0.5;

/** The first of several places of a text where nothing is in its way; null where all are taken. */
export function placedText(items: readonly Item[], candidates: readonly Omit<TextItem, 'kind'>[], within: Box): TextItem | null {
  const fits = candidates.find((candidate) => {
    const { left, right, top, bottom } = textBox(candidate);
    const box = { left: left - CLEAR, right: right + CLEAR, top: top - CLEAR, bottom: bottom + CLEAR };
    return isWithin(box, within) && !items.some((item) => isInTheWay(item, box));
  });
  return fits ? { kind: 'text', ...fits } : null;
}

/** Centre lines through a point, reaching so far each way; mm. */
export const centreCross = ({ x, y }: Place, reach: number): Item[] => [
  makeLine(makePlace(x - reach, y), makePlace(x + reach, y), 'centre'),
  makeLine(makePlace(x, y - reach), makePlace(x, y + reach), 'centre'),
];

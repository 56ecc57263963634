import {
  LETTERS,
  makeCircle,
  makeLine,
  makePath,
  makePlace,
  makeRectangle,
  textWidth,
  type Box,
  type Item,
  type Place,
} from './drawing.ts';

/** What a sheet says of itself. */
export interface TitleWords {
  readonly car: string;
  readonly version: string;
  readonly crew: string;
  /** As it is written: 2026-11-21. */
  readonly date: string;
  readonly scale: string;
  readonly sheet: string;
  readonly paper: string;
  /** In which unit sizes are: `in millimetres`. */
  readonly sizes: string;
}

/** mm of the block, at the lower right. */
export const TITLE = { width: 128, height: 30 } as const;
/** mm of the frame from the paper’s edge: more where it is bound. Source: ISO 5457. */
const FRAME = { bound: 20, other: 10 } as const;

/** The room within a sheet’s frame. */
export const withinFrame = (width: number, height: number): Box => ({
  left: FRAME.bound,
  right: width - FRAME.other,
  top: FRAME.other,
  bottom: height - FRAME.other,
});

/** A text no wider than its room: set smaller down to `least`, then cut short. */
export function fitted(text: string, size: number, most: number, least = LETTERS): { readonly text: string; readonly size: number } {
  const smaller = Math.max(least, Math.min(size, (size * most) / (textWidth(text, size) || 1)));
  const letters = Math.floor(most / textWidth(' ', smaller));
  return { text: text.length > letters ? `${text.slice(0, Math.max(letters - 1, 1))}…` : text, size: smaller };
}

/** The frame and title block of a sheet, with the sign for first-angle projection (ISO 5456-2). */
export function frameAndTitle(width: number, height: number, words: TitleWords): Item[] {
  const frame = withinFrame(width, height);
  const [left, top] = [frame.right - TITLE.width, frame.bottom - TITLE.height];
  const cell = (caption: string, text: string, x: number, y: number, wide: number, size = LETTERS, bold = false): Item[] => {
    const shortened = fitted(text, size, wide - 3);
    return [
      { kind: 'text', at: makePlace(left + x + 1.5, top + y + 3.6), text: caption, size: LETTERS, anchor: 'start' },
      { kind: 'text', at: makePlace(left + x + 1.5, top + y + 8.8), ...shortened, anchor: 'start', ...(bold && { bold }) },
    ];
  };
  const rule = (x1: number, y1: number, x2: number, y2: number): Item =>
    makeLine(makePlace(left + x1, top + y1), makePlace(left + x2, top + y2), 'thin');
  return [
    makePath(makeRectangle(frame.left, frame.top, frame.right - frame.left, frame.bottom - frame.top), 'frame', true),
    makePath(makeRectangle(left, top, TITLE.width, TITLE.height), 'frame', true),
    rule(0, 10, TITLE.width, 10),
    rule(0, 20, TITLE.width, 20),
    rule(86, 0, 86, TITLE.height),
    rule(43, 10, 43, 20),
    rule(43, 20, 43, 30),
    rule(107, 10, 107, 20),
    ...cell('car', words.car, 0, 0, 86, 4.5, true),
    ...cell('version', words.version, 0, 10, 43),
    ...cell('crew', words.crew, 43, 10, 43),
    ...cell('date', words.date, 0, 20, 43),
    ...cell('sizes', words.sizes, 43, 20, 43),
    ...cell('paper', words.paper, 86, 10, 21),
    ...cell('sheet', words.sheet, 107, 10, 21),
    ...cell('scale', words.scale, 86, 20, 42, LETTERS, true),
    ...firstAngle(makePlace(left + 97, top + 5)),
  ];
}

/** The truncated cone and its rings. */
function firstAngle({ x, y }: Place): Item[] {
  const [big, small, long] = [3, 1.5, 6];
  return [
    makePath(
      [makePlace(x, y - small), makePlace(x + long, y - big), makePlace(x + long, y + big), makePlace(x, y + small)],
      'outline',
      true,
    ),
    makeLine(makePlace(x - 1.5, y), makePlace(x + long + 1.5, y), 'centre'),
    makeCircle(makePlace(x + long + 8, y), big, 'outline'),
    makeCircle(makePlace(x + long + 8, y), small, 'outline'),
    makeLine(makePlace(x + long + 3.5, y), makePlace(x + long + 12.5, y), 'centre'),
    makeLine(makePlace(x + long + 8, y - 4.2), makePlace(x + long + 8, y + 4.2), 'centre'),
  ];
}

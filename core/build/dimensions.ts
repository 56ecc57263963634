import { LETTERS, makeLine, makePath, makePlace, type Box, type Item, type LineKind, type Place, type TextItem } from './drawing.ts';

/** One size on a drawing: its lines, and where its text may stand, the best place first. */
export interface Dimension {
  /** Which size of the design it tells. */
  readonly tells: string;
  readonly lines: readonly Item[];
  readonly texts: readonly Omit<TextItem, 'kind'>[];
  /** The room of its own line with its arrowheads: no other size stands there. */
  readonly span: Box;
}

/** mm: an arrowhead, the gap before an extension line and how far it runs past, a text and how far over its line it stands. Source: ISO 129-1. */
const HEAD = { length: 2.5, width: 0.8 } as const;
const GAP = 1;
const PAST = 2;
export const SIZE_TEXT = LETTERS;
const OVER = 1.4;
/** mm below which arrowheads stand outside, pointing inward. */
const NARROW = 9;
const OUTSIDE = 6;

const thin: LineKind = 'thin';
/** A filled arrowhead at a place, in the direction (dx, dy), of length 1. */
export const arrowhead = (tip: Place, dx: number, dy: number, kind: LineKind = thin): Item => ({
  ...makePath(
    [
      tip,
      makePlace(tip.x - HEAD.length * dx + (HEAD.width / 2) * dy, tip.y - HEAD.length * dy + (HEAD.width / 2) * dx),
      makePlace(tip.x - HEAD.length * dx - (HEAD.width / 2) * dy, tip.y - HEAD.length * dy - (HEAD.width / 2) * dx),
    ],
    kind,
    true,
  ),
  filled: true,
});

/** Places along a line where a text may stand, as fractions of it: the middle first. */
const SHARES = [0.5, 0.35, 0.65, 0.22, 0.78, 0.12, 0.88];

/** A size across, from one point to another, on a line at height `y`. */
export function across(tells: string, text: string, from: Place, to: Place, y: number): Dimension {
  const [a, b] = from.x <= to.x ? [from, to] : [to, from];
  const isNarrow = b.x - a.x < NARROW;
  const out = isNarrow ? OUTSIDE : 0;
  const extension = ({ x, y: begin }: Place): Item => {
    const down = y > begin ? 1 : -1;
    return makeLine(makePlace(x, begin + down * GAP), makePlace(x, y + down * PAST), thin);
  };
  const at = (x: number, anchor: TextItem['anchor']): Omit<TextItem, 'kind'> => ({
    at: makePlace(x, y - OVER),
    text,
    size: SIZE_TEXT,
    anchor,
    tells,
  });
  return {
    tells,
    lines: [
      extension(a),
      extension(b),
      makeLine(makePlace(a.x - out, y), makePlace(b.x + out, y), thin),
      arrowhead(makePlace(a.x, y), isNarrow ? 1 : -1, 0),
      arrowhead(makePlace(b.x, y), isNarrow ? -1 : 1, 0),
    ],
    texts: [
      ...SHARES.map((fraction) => at(a.x + fraction * (b.x - a.x), 'middle')),
      at(b.x + OUTSIDE + 1, 'start'),
      at(a.x - OUTSIDE - 1, 'end'),
    ],
    span: { left: a.x - out, right: b.x + out, top: y - 1, bottom: y + 1 },
  };
}

/** A size up and down, on an upright line at `x`; read from the right. */
export function upright(tells: string, text: string, from: Place, to: Place, x: number): Dimension {
  const [a, b] = from.y <= to.y ? [from, to] : [to, from];
  const isNarrow = b.y - a.y < NARROW;
  const out = isNarrow ? OUTSIDE : 0;
  const extension = ({ x: begin, y }: Place): Item => {
    const right = x > begin ? 1 : -1;
    return makeLine(makePlace(begin + right * GAP, y), makePlace(x + right * PAST, y), thin);
  };
  const at = (y: number, anchor: TextItem['anchor']): Omit<TextItem, 'kind'> => ({
    at: makePlace(x - OVER, y),
    text,
    size: SIZE_TEXT,
    anchor,
    upright: true,
    tells,
  });
  return {
    tells,
    lines: [
      extension(a),
      extension(b),
      makeLine(makePlace(x, a.y - out), makePlace(x, b.y + out), thin),
      arrowhead(makePlace(x, a.y), 0, isNarrow ? 1 : -1),
      arrowhead(makePlace(x, b.y), 0, isNarrow ? -1 : 1),
    ],
    texts: [
      ...SHARES.map((fraction) => at(a.y + fraction * (b.y - a.y), 'middle')),
      at(a.y - OUTSIDE - 1, 'start'),
      at(b.y + OUTSIDE + 1, 'end'),
    ],
    span: { left: x - 1, right: x + 1, top: a.y - out, bottom: b.y + out },
  };
}

/** A size told beside a leader that points at it; `places`: where the leader may bend, and its text stands to the right or left of it. */
export function leader(
  tells: string,
  text: string,
  target: Place,
  bends: readonly (Place & { readonly to: 'left' | 'right' })[],
): readonly Dimension[] {
  return bends.map((bend) => {
    const shelf = bend.to === 'right' ? 4 : -4;
    const [dx, dy] = [target.x - bend.x, target.y - bend.y];
    const far = Math.hypot(dx, dy) || 1;
    return {
      tells,
      lines: [makeLine(bend, target, thin), makeLine(bend, makePlace(bend.x + shelf, bend.y), thin), arrowhead(target, dx / far, dy / far)],
      texts: [
        {
          at: makePlace(bend.x + shelf * 1.3, bend.y + 1),
          text,
          size: SIZE_TEXT,
          anchor: bend.to === 'right' ? 'start' : 'end',
          tells,
        },
      ],
      span: { left: Math.min(bend.x, bend.x + shelf), right: Math.max(bend.x, bend.x + shelf), top: bend.y - 1, bottom: bend.y + 1 },
    };
  });
}

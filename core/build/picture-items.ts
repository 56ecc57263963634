import type { Corner } from '../solid/shape.ts';
import type { Seen } from '../solid/picture.ts';
import { makePath, makePlace, type Box, type PathItem, type Place } from './drawing.ts';

/** mm kept free about a picture. */
const ROOM = 4;

/** Puts what is seen, m, on a sheet, mm. */
export interface PicturePen {
  readonly place: (point: Corner) => Place;
  /** What the picture takes with what is kept free about it. */
  readonly room: { readonly width: number; readonly height: number };
}

/** What a picture takes, m; its top is its greatest height. */
export function frameOfSeen(seen: readonly Seen[]): Box {
  const points = seen.flatMap((one) => one.points);
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.max(...ys), bottom: Math.min(...ys) };
}

/** A pen that fills so many mm across. */
export function penFor(frame: Box, width: number): PicturePen {
  const high = (width * (frame.top - frame.bottom)) / (frame.right - frame.left);
  return penWithin(frame, width + 2 * ROOM, high + 2 * ROOM);
}

/** A pen that draws as large as so many mm across and up allow, in their middle; `from`: their upper left corner. */
export function penWithin({ left, right, top, bottom }: Box, width: number, height: number, from = makePlace(0, 0)): PicturePen {
  const scale = Math.min((width - 2 * ROOM) / (right - left), (height - 2 * ROOM) / (top - bottom));
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  return {
    place: ({ x, y }) => makePlace(from.x + width / 2 + scale * (x - middle.x), from.y + height / 2 - scale * (y - middle.y)),
    room: { width, height },
  };
}

/** Faces and edges as they are printed: paper, or the accent for what is added. */
export const itemsOfSeen = (seen: readonly Seen[], { place }: PicturePen, isAdded: (one: Seen) => boolean = () => false): PathItem[] =>
  seen.map((one) => {
    const places = one.points.map(place);
    if (one.kind === 'face')
      return {
        kind: 'path',
        points: places,
        closed: true,
        line: 'thin',
        isPicture: true,
        face: { isAdded: isAdded(one), light: one.light },
      };
    return { ...makePath(places, isAdded(one) ? 'outline' : 'thin'), isPicture: true, ...(isAdded(one) && { isAccent: true }) };
  });

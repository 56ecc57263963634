import { extentOf, type PrintedPart } from './printed-part.ts';

/** m of a common printer’s bed across, and between parts. Common practice. */
const BED = 0.2;
const APART = 0.005;

/** Where each of so many of each part lies on the bed, m that it is moved from where it is drawn: in rows, none over another. */
export function onBed(parts: readonly PrintedPart[]): readonly (readonly (readonly [x: number, y: number])[])[] {
  let [x, y, deep] = [0, 0, 0];
  return parts.map((part) => {
    const { low, width, depth } = extentOf(part);
    return Array.from({ length: part.count }, () => {
      if (x > 0 && x + width > BED) [x, y, deep] = [0, y + deep + APART, 0];
      const at = [x - low.x, y - low.y] as const;
      x += width + APART;
      deep = Math.max(deep, depth);
      return at;
    });
  });
}

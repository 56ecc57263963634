import type { Dimension } from './dimensions.ts';
import { isInTheWay, isWithin, boxOf, boxesOverlap, placedText, textBox, type Box, type Item, type TextItem } from './drawing.ts';

/** Scales that a drawing may have, the largest first: 1 to so many. Source: ISO 5455, and those between that fit more on a small sheet. */
export const SCALES = [1, 2, 2.5, 4, 5, 10, 20] as const;
/** A detail may be larger than the part. */
export const DETAIL_SCALES = [0.5, ...SCALES] as const;
export const formatScale = (by: number): string => (by < 1 ? `${1 / by} : 1` : `1 : ${by}`);

/** mm from one line of sizes to the next, and from a view to the first. */
export const LANE = 8;

/** What stands on a sheet so far, and where lines of sizes are. */
export interface Draft {
  readonly items: Item[];
  readonly spans: Box[];
}

/** The first of several ways to tell a size whose lines run through no text and whose text has room; it is drawn. Whether there was one. */
export function placeDimension(draft: Draft, candidates: readonly Dimension[], within: Box): boolean {
  for (const { lines, texts, span } of candidates) {
    if (draft.spans.some((other) => boxesOverlap(span, other))) continue;
    const standing = draft.items.filter((item): item is TextItem => item.kind === 'text');
    const runsThrough = lines.some((one) => standing.some((text) => isInTheWay(one, textBox(text))));
    const isOutside = lines.some((one) => !isWithin(boxOf(one), within));
    const text = runsThrough || isOutside ? null : placedText([...draft.items, ...lines], texts, within);
    if (!text) continue;
    draft.items.push(...lines, text);
    draft.spans.push(span);
    return true;
  }
  return false;
}

import type { CarDesign } from '../car/car-design.ts';
import { carSolids } from '../solid/car-solids.ts';
import { pictureOf, STEP_VIEW } from '../solid/picture.ts';
import { boxesOverlap, boxOf, makePlace, type Box, type Item } from './drawing.ts';
import { frameOfSeen, itemsOfSeen, penWithin } from './picture-items.ts';

/** Sizes that the picture may have, mm, the largest first, and steps in which its place is looked for. */
const SIZES = [
  [100, 64],
  [84, 54],
  [68, 44],
  [52, 34],
  [40, 26],
] as const;
const STEP = 4;

/** The largest free room for the picture, nearest the lower right corner; null where there is none. */
function freeBox(items: readonly Item[], within: Box): Box | null {
  const taken = items.map(boxOf);
  for (const [width, height] of SIZES)
    for (let bottom = within.bottom; bottom - height >= within.top; bottom -= STEP)
      for (let right = within.right; right - width >= within.left; right -= STEP) {
        const box = { left: right - width, right, top: bottom - height, bottom };
        if (!taken.some((other) => boxesOverlap(box, other))) return box;
      }
  return null;
}

/** The finished car in the round where a sheet has room for it; nothing where it has none. */
export function roundPicture(design: CarDesign, standing: readonly Item[], within: Box): readonly Item[] {
  const box = freeBox(standing, within);
  if (!box) return [];
  const seen = pictureOf(carSolids(design), STEP_VIEW);
  const pen = penWithin(frameOfSeen(seen), box.right - box.left, box.bottom - box.top, makePlace(box.left, box.top));
  return itemsOfSeen(seen, pen, ({ of }) => of.turnsWith === 'lever' || of.id === 'bands');
}

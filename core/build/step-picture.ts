import type { CarDesign } from '../car/car-design.ts';
import { sideView } from '../geometry/side-view.ts';
import { boxOf, makeCircle, makePlace, type Item, type Sheet } from './drawing.ts';
import type { BuildStep } from './build-step.ts';
import { templatesOf } from './templates.ts';
import { laidOut } from './tiles.ts';
import { sideOf } from './views.ts';

/** mm of the car on the picture for a metre, and kept free about it; of the ring about what a step is about. */
const SCALE = 400;
const ROOM = 6;
const RING = 5;

/** What a step looks like on this car: its templates, or the car from the side with a ring about what it is about; mm. */
export function stepPicture(design: CarDesign, { title, shows }: Pick<BuildStep, 'title' | 'shows'>): Sheet {
  if ('pieces' in shows) {
    const pieces = templatesOf(design).filter(({ id }) => shows.pieces.includes(id));
    // Words of a template would be too small to read here.
    const { items, ...room } = laidOut(pieces);
    if (pieces.length > 0) return { name: title, items: items.filter(({ kind }) => kind !== 'text'), ...room };
  }
  const { bounds, heading } = sideView(design);
  const [left, right] = heading > 0 ? [bounds.left, bounds.right] : [-bounds.right, -bounds.left];
  const { items, parts } = sideOf(design, { scale: SCALE, heading, origin: makePlace(ROOM - SCALE * left, ROOM + SCALE * bounds.top) });
  const at = 'part' in shows ? parts[shows.part] : undefined;
  const all: readonly Item[] = at ? [...items, makeCircle(at, RING, 'frame')] : items;
  const reach = all.map(boxOf);
  return {
    name: title,
    items: all,
    width: Math.max(2 * ROOM + SCALE * (right - left), ...reach.map((box) => box.right)) + 1,
    height: Math.max(2 * ROOM + SCALE * bounds.top, ...reach.map((box) => box.bottom)) + 1,
  };
}

import type { CarDesign } from '../car/car-design.ts';
import { carSolids } from '../solid/car-solids.ts';
import type { Solid } from '../solid/solid.ts';
import { pictureOf, STEP_VIEW, type Seen } from '../solid/picture.ts';
import { makePath, type Box, type PathItem, type Sheet } from './drawing.ts';
import { frameOfSeen, itemsOfSeen, penFor } from './picture-items.ts';
import type { BuildStep } from './build-step.ts';
import { grownCar, type GrownCar } from './step-solids.ts';
import { templatesOf } from './templates.ts';
import { laidOut } from './tiles.ts';

/** mm across of the picture of a car. */
const WIDTH = 110;

/** The whole car as it is seen, and what it takes, m. */
interface WholePicture {
  readonly seen: readonly Seen[];
  readonly frame: Box;
}

function wholePicture(design: CarDesign): WholePicture {
  const seen = pictureOf(carSolids(design), STEP_VIEW);
  return { seen, frame: frameOfSeen(seen) };
}

/** A step: paper for what is there, the accent for what the step adds, its hidden edges dashed over all. */
function grownSheet(name: string, { before, added }: GrownCar, { seen, frame }: WholePicture): Sheet {
  const idsOf = (solids: readonly Solid[]): ReadonlySet<string> => new Set(solids.map(({ id }) => id));
  const [there, fresh] = [idsOf(before), idsOf(added)];
  const pen = penFor(frame, WIDTH);
  const isAdded = ({ of }: Seen): boolean => fresh.has(of.id);
  const hidden = seen
    .filter((one) => one.kind === 'edge' && isAdded(one))
    .map(({ points }): PathItem => ({ ...makePath(points.map(pen.place), 'hidden'), isAccent: true }));
  return {
    name,
    ...pen.room,
    items: [
      ...itemsOfSeen(
        seen.filter((one) => there.has(one.of.id) || isAdded(one)),
        pen,
        isAdded,
      ),
      ...hidden,
    ],
  };
}

/** The templates that a step is about, without their words, which would be too small to read here; null where it has none. */
function templateSheet(design: CarDesign, { title, shows }: Pick<BuildStep, 'title' | 'shows'>): Sheet | null {
  if (!('pieces' in shows)) return null;
  const pieces = templatesOf(design).filter(({ id }) => shows.pieces.includes(id));
  if (pieces.length === 0) return null;
  const { items, ...room } = laidOut(pieces);
  return { name: title, items: items.filter(({ kind }) => kind !== 'text'), ...room };
}

/**
 * What each step looks like: the car as far as it is by then, with what the step puts on it in the accent, all from one viewpoint and to one
 * scale; of a step that only prepares parts, their templates. mm.
 */
export function stepPictures(design: CarDesign, steps: readonly Pick<BuildStep, 'id' | 'title' | 'shows'>[]): readonly Sheet[] {
  const whole = wholePicture(design);
  let last: GrownCar = { before: [], added: [] };
  return grownCar(design, steps).map((grown, i) => {
    const step = steps[i]!;
    if (grown) {
      last = grown;
      return grownSheet(step.title, grown, whole);
    }
    return templateSheet(design, step) ?? grownSheet(step.title, { before: [...last.before, ...last.added], added: [] }, whole);
  });
}

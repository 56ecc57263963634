import type { CarDesign } from '../car/car-design.ts';
import { carSolids } from '../solid/car-solids.ts';
import type { Corner } from '../solid/shape.ts';
import type { Solid } from '../solid/solid.ts';
import { pictureOf, STEP_VIEW, type Seen } from '../solid/picture.ts';
import { makePath, makePlace, type Box, type PathItem, type Place, type Sheet } from './drawing.ts';
import type { BuildStep } from './build-step.ts';
import { grownCar, type GrownCar } from './step-solids.ts';
import { templatesOf } from './templates.ts';
import { laidOut } from './tiles.ts';

/** mm across of the picture of a car, and kept free about it. */
const WIDTH = 110;
const ROOM = 4;

/** The whole car as it is seen, and what it takes, m. */
interface WholePicture {
  readonly seen: readonly Seen[];
  readonly frame: Box;
}

function wholePicture(design: CarDesign): WholePicture {
  const seen = pictureOf(carSolids(design), STEP_VIEW);
  const points = seen.flatMap((one) => one.points);
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { seen, frame: { left: Math.min(...xs), right: Math.max(...xs), top: Math.max(...ys), bottom: Math.min(...ys) } };
}

/** A step: paper for what is there, the accent for what the step adds, its hidden edges dashed over all. */
function grownSheet(name: string, { before, added }: GrownCar, { seen, frame }: WholePicture): Sheet {
  const scale = WIDTH / (frame.right - frame.left);
  const place = ({ x, y }: Corner): Place => makePlace(ROOM + scale * (x - frame.left), ROOM + scale * (frame.top - y));
  const idsOf = (solids: readonly Solid[]): ReadonlySet<string> => new Set(solids.map(({ id }) => id));
  const [there, fresh] = [idsOf(before), idsOf(added)];
  const printed = ({ of, kind, points, light }: Seen): PathItem => {
    const isAdded = fresh.has(of.id);
    const places = points.map(place);
    if (kind === 'face') return { kind: 'path', points: places, closed: true, line: 'thin', face: { isAdded, light } };
    return { ...makePath(places, isAdded ? 'outline' : 'thin'), ...(isAdded && { isAccent: true }) };
  };
  const isShown = ({ of }: Seen): boolean => there.has(of.id) || fresh.has(of.id);
  const hidden = seen
    .filter(({ of, kind }) => kind === 'edge' && fresh.has(of.id))
    .map(({ points }): PathItem => ({ ...makePath(points.map(place), 'hidden'), isAccent: true }));
  return {
    name,
    width: WIDTH + 2 * ROOM,
    height: scale * (frame.top - frame.bottom) + 2 * ROOM,
    items: [...seen.filter(isShown).map(printed), ...hidden],
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

import type { CarDesign } from '../car/car-design.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { bodyReach } from '../car/body-reach.ts';
import { bodyWidth } from '../car/weights.ts';
import { planView } from '../geometry/plan-view.ts';
import { sideView } from '../geometry/side-view.ts';
import { across, leader, SIZE_TEXT, upright, type Dimension } from './dimensions.ts';
import { LANE, SCALES, placeDimension, type Draft } from './draft.ts';
import { LETTERS, makeCircle, makeLine, makePath, makePlace, placedText, type Box, type Item, type Place } from './drawing.ts';
import type { SizeFormat } from './size-format.ts';
import { deckHeights } from '../solid/deck-heights.ts';
import { neededSizes } from './needed-sizes.ts';
import { partsList, type PartLine } from './parts-list.ts';
import { straightened, rearOf, sideOf, topOf, type View } from './views.ts';
import { geometryOf } from '../geometry/motors/motors.ts';
import { buildOf } from './motors/motors.ts';

/** mm between views. */
const BETWEEN = 10;
/** mm: of a number’s circle, of the lane they stand on, and from one to the next. */
const BALLOON = 3.4;
const BALLOON_LANE = 13;
const BALLOONS_APART = 9.5;

/** Numbers in circles over a view, each with a line to its part; left out where there is no room. */
function balloons(draft: Draft, parts: readonly PartLine[], at: Partial<Readonly<Record<string, Place>>>, y: number, within: Box): void {
  const targets = parts.flatMap((part) => {
    const target = at[part.on];
    return target ? [{ number: part.number, target }] : [];
  });
  const inOrder = targets.toSorted((a, b) => a.target.x - b.target.x);
  const most = Math.floor((within.right - within.left) / BALLOONS_APART);
  const shown = inOrder.slice(0, most);
  const places = shown.map(({ target }) => target.x);
  // Pushed apart to the right, then back within the frame.
  for (let i = 0; i < places.length; i++)
    places[i] = Math.max(places[i]!, (places[i - 1] ?? within.left - BALLOONS_APART + BALLOON + 1) + BALLOONS_APART);
  for (let i = places.length - 1; i >= 0; i--)
    places[i] = Math.min(places[i]!, (places[i + 1] ?? within.right + BALLOONS_APART - BALLOON - 1) - BALLOONS_APART);
  shown.forEach(({ number, target }, i) => {
    const middle = makePlace(places[i]!, y);
    draft.items.push(
      makeCircle(middle, BALLOON, 'thin'),
      makeLine(makePlace(middle.x, y + BALLOON), target, 'thin'),
      makeCircle(target, 0.5, 'outline'),
      {
        kind: 'text',
        at: makePlace(middle.x, y + 1),
        text: String(number),
        size: SIZE_TEXT,
        anchor: 'middle',
      },
    );
  });
}

const noseWords = ({ layout }: CarDesign): string => (layout.driveAxle === 'rear' ? 'from the rear' : 'from the rear, at the other axle');

/** mm that sizes and captions take beside and below the views. */
const BESIDE = 2 * LANE + 4;

/** mm from the floor of the side view to the view from above. */
const toPlan = (design: CarDesign): number => ((isRoller(design) ? 1 : 2) + 0.5) * LANE + BETWEEN / 2;

/** What the views take of a sheet at a scale, mm: across with their sizes, up and down, and how far the view from above reaches to the right. */
function takenBy(design: CarDesign, by: number): { readonly across: number; readonly up: number; readonly planRight: number } {
  const { bounds } = sideView(design);
  const wide = (1000 * 2 * planView(straightened(design)).bounds.halfWidth) / by;
  const [long, tall] = [(1000 * (bounds.right - bounds.left)) / by, (1000 * bounds.top) / by];
  return {
    across: long + wide + BETWEEN + LANE + 2 * BESIDE,
    up: BALLOON_LANE + tall + toPlan(design) + wide + LANE + 1,
    planRight: long + 2 * BESIDE,
  };
}

/**
 * The largest scale at which the views fit in a room, 1 to so many; null where none does.
 * @param title what of the room is taken by the title block
 */
export function viewsScale(design: CarDesign, room: Box, title: Box): number | null {
  const [width, height] = [room.right - room.left, room.bottom - room.top];
  const fits = (by: number): boolean => {
    const { across, up, planRight } = takenBy(design, by);
    const isOverTitle = room.left + planRight > title.left && title.top < room.bottom;
    return across <= width && up <= (isOverTitle ? title.top - room.top : height);
  };
  return SCALES.find(fits) ?? null;
}

/** The views of a car in first angle at a scale with all sizes that have room there; which are reported. */
export function viewsOf(
  design: CarDesign,
  within: Box,
  title: Box,
  by: number,
  sizes: SizeFormat,
): { readonly items: readonly Item[]; readonly dimensioned: ReadonlySet<string> } {
  const side = sideView(design);
  const plan = planView(straightened(design));
  const heading = side.heading;
  const wide = 2 * plan.bounds.halfWidth;
  const scale = 1000 / by;
  // The nose points to the right; the rear is at the right of the side view, the plan below it (first angle).
  const [first, last] = heading > 0 ? [side.bounds.left, side.bounds.right] : [-side.bounds.right, -side.bounds.left];
  const x0 = within.left + BESIDE - scale * first;
  const floor = within.top + BALLOON_LANE + scale * side.bounds.top;
  const planY = floor + toPlan(design) + (scale * wide) / 2;
  const rearX = x0 + scale * last + BETWEEN + LANE + (scale * wide) / 2;
  const drawn = { scale, heading };
  const sideDrawn = sideOf(design, { ...drawn, origin: makePlace(x0, floor) });
  const top = topOf(design, { ...drawn, origin: makePlace(x0, planY) });
  const rear = rearOf(design, { scale, origin: makePlace(rearX, floor) });
  // What the title block takes is taken: nothing is put over it.
  const block: Item = makePath(
    [
      makePlace(title.left, title.top),
      makePlace(title.right, title.top),
      makePlace(title.right, title.bottom),
      makePlace(title.left, title.bottom),
    ],
    'frame',
    true,
  );
  const draft: Draft = { items: [...sideDrawn.items, ...top.items, ...rear.items, block], spans: [title] };
  const floorLine = makeLine(makePlace(x0 + scale * first - 3, floor), makePlace(x0 + scale * last + 3, floor), 'thin');
  draft.items.push(floorLine);
  balloons(draft, partsList(design, sizes), sideDrawn.parts, within.top + BALLOON + 1, { ...within, right: rearX - (scale * wide) / 2 });
  const dimensioned = dimensionsOf(
    design,
    { side: sideDrawn, top, rear, floor, planY, rearX, scale, x0, first, last, wide },
    draft,
    within,
    sizes,
  );
  const caption = (text: string, x: number, y: number): void => {
    const places = [0, 4, 8].flatMap((down) =>
      [0, -15, 15].map((aside) => ({ at: makePlace(x + aside, y + down), text, size: LETTERS, anchor: 'middle' as const })),
    );
    const standing = placedText(draft.items, places, within);
    if (standing) draft.items.push(standing);
  };
  caption(noseWords(design), rearX, floor + 2.4 * LANE);
  caption('from above', x0 + (scale * (first + last)) / 2, planY + (scale * wide) / 2 + 2 * LANE);
  return { items: draft.items.filter((item) => item !== block), dimensioned };
}

interface Layout {
  readonly side: View;
  readonly top: View;
  readonly rear: View;
  readonly floor: number;
  readonly planY: number;
  readonly rearX: number;
  readonly scale: number;
  readonly x0: number;
  readonly first: number;
  readonly last: number;
  readonly wide: number;
}

/** Draws every size that has room in the views; which were reported. */
function dimensionsOf(design: CarDesign, layout: Layout, draft: Draft, within: Box, sizes: SizeFormat): ReadonlySet<string> {
  const { side, top, rear, floor, planY, scale, x0, first, last, wide } = layout;
  const { motor, otherWheels, wheelbase, driveWheels, trackWidth, ballast } = design;
  const view = sideView(design);
  const done = new Set<string>();
  const values = new Map(neededSizes(design, sizes).map(({ tells, value }) => [tells, value]));
  const tell = (candidates: readonly Dimension[]): void => {
    const [first] = candidates;
    if (first && values.has(first.tells) && !done.has(first.tells) && placeDimension(draft, candidates, within)) done.add(first.tells);
  };
  const text = (tells: string, sign = ''): string => `${sign}${values.get(tells) ?? ''}`;
  /** A size across, on the first lane where it has room. */
  const acrossOn = (tells: string, from: Place, to: Place, lanes: readonly number[], sign = ''): void =>
    tell(lanes.map((y) => across(tells, text(tells, sign), from, to, y)));
  const uprightOn = (tells: string, from: Place, to: Place, lanes: readonly number[], sign = ''): void =>
    tell(lanes.map((x) => upright(tells, text(tells, sign), from, to, x)));
  const [leftEdge, rightEdge] = [x0 + scale * first, x0 + scale * last];
  const below = [1, 2, 3].map((n) => floor + LANE * n);
  const leftLanes = [1, 2].map((n) => leftEdge - LANE * n);
  const rightLanes = [1, 2].map((n) => rightEdge + LANE * n);
  const roller = isRoller(design);
  const isMirrored = view.heading < 0;
  const driveLanes = isMirrored ? rightLanes : leftLanes;
  const otherLanes = isMirrored ? leftLanes : rightLanes;
  // Across, the shorter nearer to the view: what is longer stands outside.
  const onFloor = (x: number): Place => side.at({ x, y: 0 });
  const { spans: motorSpans, oblique } = buildOf(motor);
  const spans = [...motorSpans(motor, view.motor)];
  if (!roller) spans.push(['wheelbase', wheelbase]);
  if (ballast.mass > 0 && !roller) spans.push(['ballastPlace', ballast.fromDriveAxle]);
  for (const [tells, x] of spans.toSorted(([, a], [, b]) => Math.abs(a) - Math.abs(b))) acrossOn(tells, onFloor(0), onFloor(x), below);
  uprightOn('driveWheels', onFloor(0), side.at({ x: 0, y: driveWheels.diameter }), driveLanes, '⌀');
  if (otherWheels) uprightOn('otherWheels', onFloor(wheelbase), side.at({ x: wheelbase, y: otherWheels.diameter }), otherLanes, '⌀');
  // From above: how long and how wide.
  if (!roller) {
    const planFoot = planY + (scale * wide) / 2;
    const { left, right } = bodyReach(design);
    const ends = [left, right] as const;
    const bodyHalf = bodyWidth(design) / 2;
    acrossOn(
      'bodyLength',
      top.at({ x: ends[0], y: -bodyHalf }),
      top.at({ x: ends[1], y: -bodyHalf }),
      [1, 2].map((n) => planFoot + LANE * n),
    );
    const planLeft = Math.min(top.at({ x: ends[0], y: 0 }).x, top.at({ x: ends[1], y: 0 }).x, leftEdge);
    const end = isMirrored ? ends[1] : ends[0];
    uprightOn(
      'bodyWidth',
      top.at({ x: end, y: bodyHalf }),
      top.at({ x: end, y: -bodyHalf }),
      [1, 2].map((n) => planLeft - LANE * n),
    );
  }
  // From the rear.
  const rearRight = rear.at({ x: wide / 2, y: 0 }).x;
  if (roller) {
    const half = geometryOf(motor).rollerWidth(motor)! / 2;
    acrossOn('hookToHook', rear.at({ x: -half, y: 0 }), rear.at({ x: half, y: 0 }), below);
  } else {
    acrossOn('trackWidth', rear.at({ x: -trackWidth / 2, y: 0 }), rear.at({ x: trackWidth / 2, y: 0 }), below);
    if (!bodyPartOf(design).isTube) {
      const { under } = deckHeights(design, 0);
      const bodyHalf = bodyWidth(design) / 2;
      uprightOn(
        'axleGap',
        rear.at({ x: bodyHalf, y: driveWheels.diameter / 2 }),
        rear.at({ x: bodyHalf, y: under }),
        [1, 2].map((n) => rearRight + LANE * n),
      );
    }
  }
  // What stands aslant is reported beside a leader.
  const slanting = oblique(view.motor);
  if (slanting) {
    const target = side.at(slanting.target);
    const bends = [
      [10, -9],
      [-10, -9],
      [16, -14],
      [-16, -14],
      [12, 10],
      [-12, 10],
    ].map(([dx, dy]) => ({ ...makePlace(target.x + dx!, target.y + dy!), to: dx! > 0 ? ('right' as const) : ('left' as const) }));
    tell(leader(slanting.tells, `${slanting.label} ${text(slanting.tells)}`, target, bends));
  }
  return done;
}

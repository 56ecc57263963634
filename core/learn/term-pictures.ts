import { across } from '../build/dimensions.ts';
import { boxOf, makeCircle, makeLine, makePlace, movedItem, type Item, type Place, type Sheet } from '../build/drawing.ts';
import type { PartPlace } from '../build/part-names.ts';
import { straightened, sideOf, topOf } from '../build/views.ts';
import { bodyReach } from '../car/body-reach.ts';
import type { CarDesign, MotorKind } from '../car/car-design.ts';
import { planView } from '../geometry/plan-view.ts';
import { sideView, weightPoint } from '../geometry/side-view.ts';
import { arrow, roundArrow } from './arrows.ts';
import { BY_GRAPH, HIGH, ROOM, WIDE } from './term-graphs.ts';
import { GLOSSARY, type TermId } from './glossary-terms.ts';

/** mm of the ring about a part. */
const RING = 3;

/** What a picture is put together with: the car from the side, and places on it. */
interface Side {
  readonly at: (x: number, y: number) => Place;
  readonly parts: Partial<Readonly<Record<PartPlace, Place>>>;
  readonly scale: number;
  readonly heading: 1 | -1;
  readonly design: CarDesign;
}
type Marks = (side: Side) => readonly Item[];

const ring =
  (part: PartPlace): Marks =>
  ({ parts }) => {
    const target = parts[part];
    return target ? [makeCircle(target, RING, 'frame')] : [];
  };
/** A ring about the motor, where it is of such a kind. */
const ofMotor =
  (...kinds: readonly MotorKind[]): Marks =>
  (side) =>
    kinds.includes(side.design.motor.kind) ? ring('motor')(side) : [];
/** A force of the floor on the drive wheel: onward, or back. */
const alongFloor =
  (onward: 1 | -1): Marks =>
  ({ at }) => {
    const from = at(0, 0);
    return arrow(from, makePlace(from.x + onward * 11, from.y));
  };

/** Words that are shown on the car from the side. */
const ON_SIDE: Partial<Readonly<Record<TermId, Marks>>> = {
  'air-drag': (side) => {
    const { bounds } = sideView(side.design);
    const nose = side.heading > 0 ? bounds.right : bounds.left;
    return [0.35, 0.65].flatMap((fraction) => {
      const to = side.at(nose, fraction * bounds.top);
      return arrow(makePlace(to.x + 10, to.y), makePlace(to.x + 1, to.y));
    });
  },
  ballast: ring('ballast'),
  bearing: ring('bearing'),
  'cocked-angle': ring('lever'),
  'drive-axle': ring('drive-axle'),
  friction: (side) => [...ON_SIDE.pull!(side), ...ON_SIDE['normal-load']!(side)],
  inertia: (side) => {
    const { x, y } = weightPoint(side.design);
    const middle = side.at(x, y);
    return [makeCircle(middle, 1.2, 'frame'), ...arrow(middle, makePlace(middle.x + 12, middle.y))];
  },
  lever: ring('lever'),
  advantage: (side) => {
    const { axle, driveWheel } = sideView(side.design);
    const middle = side.at(0, driveWheel.y);
    return [
      makeLine(middle, makePlace(middle.x, middle.y + side.scale * driveWheel.radius), 'frame'),
      makeLine(middle, makePlace(middle.x - Math.max(side.scale * axle.radius, 1), middle.y), 'frame'),
    ];
  },
  'moment-arm': (side) => {
    const { axle } = sideView(side.design);
    const middle = side.at(axle.x, axle.y);
    return [
      makeLine(middle, makePlace(middle.x, middle.y - Math.max(2.5, side.scale * axle.radius)), 'frame'),
      makeCircle(middle, 0.8, 'frame'),
    ];
  },
  'normal-load': (side) => {
    const foot = side.at(0, 0);
    return arrow(makePlace(foot.x, foot.y - 12), foot);
  },
  preload: ofMotor('lever'),
  'spring-rate': ofMotor('lever'),
  stretch: ofMotor('band', 'twist'),
  tension: ring('string'),
  overhang: (side) => {
    const { wheelbase, otherWheels } = side.design;
    if (!otherWheels) return [];
    const { left, right } = bodyReach(side.design);
    return [makeLine(side.at(left, 0), side.at(0, 0), 'frame'), makeLine(side.at(wheelbase, 0), side.at(right, 0), 'frame')];
  },
  pull: alongFloor(1),
  rolling: alongFloor(-1),
  sleeve: ring('sleeve'),
  slip: (side) => {
    const { driveWheel } = sideView(side.design);
    return roundArrow(side.at(0, driveWheel.y), side.scale * driveWheel.radius + 2);
  },
  torque: (side) => {
    const { driveWheel } = sideView(side.design);
    return roundArrow(side.at(0, driveWheel.y), Math.max(4, 0.5 * side.scale * driveWheel.radius));
  },
  tyre: ring('tyre'),
  wheelbase: ({ at, design }) => {
    if (!design.otherWheels) return [];
    const [from, to] = [at(0, 0), at(design.wheelbase, 0)];
    const { lines } = across('wheelbase', '', from, to, from.y + 5);
    return lines;
  },
  winding: (side) => {
    const { axle } = sideView(side.design);
    const middle = side.at(axle.x, axle.y);
    return [1.6, 2.6, 3.6].map((radius) => makeCircle(middle, radius, 'outline'));
  },
};

/** Words that are shown from above. */
const FROM_ABOVE: Partial<Readonly<Record<TermId, (at: (x: number, y: number) => Place, design: CarDesign) => readonly Item[]>>> = {
  'end-play': (at, { trackWidth }) => {
    const [from, to] = [at(0, trackWidth * 0.32), at(0, -trackWidth * 0.32)];
    return [...arrow(makePlace(from.x, (from.y + to.y) / 2), from), ...arrow(makePlace(from.x, (from.y + to.y) / 2), to)];
  },
  'track-width': (at, { trackWidth }) => [...arrow(at(0, 0), at(0, trackWidth / 2)), ...arrow(at(0, 0), at(0, -trackWidth / 2))],
  toe: (at, { wheelbase, trackWidth }) => {
    const [from, to] = [at(wheelbase, trackWidth * 0.7), at(wheelbase, -trackWidth * 0.7)];
    return [makeLine(makePlace(from.x + 5, from.y), makePlace(to.x - 5, to.y), 'frame')];
  },
};

/** A word on this car: the car from the side or from above with what it is about, or a graph of its run; mm. Without marks where the car has no such thing. */
export function termPicture(id: TermId, design: CarDesign): Sheet {
  const graph = BY_GRAPH[id];
  const items = graph ? graph(design) : FROM_ABOVE[id] ? above(id, design) : fromSide(id, design);
  const boxes = items.map(boxOf);
  const [left, top] = [Math.min(ROOM, ...boxes.map((box) => box.left)), Math.min(ROOM, ...boxes.map((box) => box.top))];
  const moved = ({ x, y }: Place): Place => makePlace(x - left + 1, y - top + 1);
  return {
    name: GLOSSARY[id].word,
    items: items.map((item) => movedItem(item, moved)),
    width: Math.max(WIDE, ...boxes.map((box) => box.right)) - left + 2,
    height: Math.max(HIGH, ...boxes.map((box) => box.bottom)) - top + 2,
  };
}

function fromSide(id: TermId, design: CarDesign): readonly Item[] {
  const { bounds, heading } = sideView(design);
  const [left, right] = heading > 0 ? [bounds.left, bounds.right] : [-bounds.right, -bounds.left];
  const scale = WIDE / (right - left);
  const origin = makePlace(ROOM - scale * left, ROOM + scale * bounds.top);
  const { items, parts, at } = sideOf(design, { scale, heading, origin });
  const floor = makeLine(makePlace(ROOM - 2, origin.y), makePlace(ROOM + WIDE + 2, origin.y), 'thin');
  return [...items, floor, ...(ON_SIDE[id]?.({ at: (x, y) => at({ x, y }), parts, scale, heading, design }) ?? [])];
}

function above(id: TermId, design: CarDesign): readonly Item[] {
  const { bounds } = planView(straightened(design));
  const { heading } = sideView(design);
  const scale = WIDE / (bounds.right - bounds.left);
  const first = heading > 0 ? bounds.left : -bounds.right;
  const { items, at } = topOf(design, { scale, heading, origin: makePlace(ROOM - scale * first, ROOM + scale * bounds.halfWidth) });
  // A roller has one axle, within it.
  return design.otherWheels ? [...items, ...FROM_ABOVE[id]!((x, y) => at({ x, y }), design)] : items;
}

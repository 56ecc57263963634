import { across } from '../build/dimensions.ts';
import { boxOf, circle, line, path, place, type Item, type Place, type Sheet } from '../build/drawing.ts';
import type { PartPlace } from '../build/parts-list.ts';
import { meant, sideOf, topOf } from '../build/views.ts';
import type { CarDesign, MotorKind } from '../car/car-design.ts';
import { planView } from '../geometry/plan-view.ts';
import { sideView, weightPoint } from '../geometry/side-view.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, floorPath, likelyCurvature } from '../predict/straightness.ts';
import { luckyRuns } from './luck.ts';
import { WORDS, type WordId } from './words.ts';

/** mm of a picture across, and kept free about what is drawn; of the ring about a part. */
const WIDE = 56;
const ROOM = 5;
const RING = 3;
/** mm of a graph’s height. */
const HIGH = 26;
/** Lines by which the room under a curve is hatched. */
const LINES_UNDER = 40;

/** An arrow as the drawing’s frame is drawn: the thickest line. */
function arrow(from: Place, to: Place): Item[] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const long = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / long, dy / long];
  const [head, half] = [2.4, 1];
  const foot = place(to.x - head * ux, to.y - head * uy);
  return [
    line(from, foot, 'frame'),
    {
      ...path([to, place(foot.x - half * uy, foot.y + half * ux), place(foot.x + half * uy, foot.y - half * ux)], 'frame', true),
      filled: true,
    },
  ];
}
/** An arrow round a place, from `start` by three quarters of a turn. */
function roundArrow(middle: Place, radius: number, clockwise: boolean): Item[] {
  const way = clockwise ? 1 : -1;
  const points = Array.from({ length: 19 }, (_, i) => {
    const angle = -Math.PI / 2 + way * (0.3 + (1.3 * Math.PI * i) / 18);
    return place(middle.x + radius * Math.cos(angle), middle.y + radius * Math.sin(angle));
  });
  const [before, last] = [points.at(-2)!, points.at(-1)!];
  return [
    path(points.slice(0, -1), 'frame'),
    ...arrow(before, place(last.x + 0.6 * (last.x - before.x), last.y + 0.6 * (last.y - before.y))),
  ];
}

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
    return target ? [circle(target, RING, 'frame')] : [];
  };
/** A ring about the motor, where it is of such a kind. */
const ofMotor =
  (...kinds: readonly MotorKind[]): Marks =>
  (side) =>
    kinds.includes(side.design.motor.kind) ? ring('motor')(side) : [];
/** A force at a height of the car, along its way or against it, x m from the drive axle. */
const force =
  (x: (side: Side) => number, y: (side: Side) => number, forward: 1 | -1): Marks =>
  (side) => {
    const from = side.at(x(side), y(side));
    return arrow(from, place(from.x + forward * 11, from.y));
  };
const atDrive = (): number => 0;
const onFloor = (): number => 0;

/** Words that are shown on the car from the side. */
const ON_SIDE: Partial<Readonly<Record<WordId, Marks>>> = {
  'air-drag': (side) => {
    const { bounds } = sideView(side.design);
    const nose = side.heading > 0 ? bounds.right : bounds.left;
    return [0.35, 0.65].flatMap((share) => {
      const to = side.at(nose, share * bounds.top);
      return arrow(place(to.x + 10, to.y), place(to.x + 1, to.y));
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
    return [circle(middle, 1.2, 'frame'), ...arrow(middle, place(middle.x + 12, middle.y))];
  },
  lever: ring('lever'),
  advantage: (side) => {
    const { axle, driveWheel } = sideView(side.design);
    const middle = side.at(0, driveWheel.y);
    return [
      line(middle, place(middle.x, middle.y + side.scale * driveWheel.radius), 'frame'),
      line(middle, place(middle.x - Math.max(side.scale * axle.radius, 1), middle.y), 'frame'),
    ];
  },
  'moment-arm': (side) => {
    const { axle } = sideView(side.design);
    const middle = side.at(axle.x, axle.y);
    return [line(middle, place(middle.x, middle.y - Math.max(2.5, side.scale * axle.radius)), 'frame'), circle(middle, 0.8, 'frame')];
  },
  'normal-load': (side) => {
    const foot = side.at(0, 0);
    return arrow(place(foot.x, foot.y - 12), foot);
  },
  preload: ofMotor('lever'),
  'spring-rate': ofMotor('lever'),
  stretch: ofMotor('band', 'twist'),
  tension: ring('string'),
  overhang: (side) => {
    const { wheelbase, body } = side.design;
    return [
      line(side.at(-body.overhang / 2, 0), side.at(0, 0), 'frame'),
      line(side.at(wheelbase, 0), side.at(wheelbase + body.overhang / 2, 0), 'frame'),
    ];
  },
  pull: force(atDrive, onFloor, 1),
  rolling: force(atDrive, onFloor, -1),
  sleeve: ring('sleeve'),
  slip: (side) => {
    const { driveWheel } = sideView(side.design);
    return roundArrow(side.at(0, driveWheel.y), side.scale * driveWheel.radius + 2, true);
  },
  torque: (side) => {
    const { driveWheel } = sideView(side.design);
    return roundArrow(side.at(0, driveWheel.y), Math.max(4, 0.5 * side.scale * driveWheel.radius), true);
  },
  tyre: ring('tyre'),
  wheelbase: ({ at, design }) => {
    const [from, to] = [at(0, 0), at(design.wheelbase, 0)];
    const { lines } = across('wheelbase', '', from, to, from.y + 5);
    return lines;
  },
  winding: (side) => {
    const { axle } = sideView(side.design);
    const middle = side.at(axle.x, axle.y);
    return [1.6, 2.6, 3.6].map((radius) => circle(middle, radius, 'outline'));
  },
};

/** Words that are shown from above. */
const FROM_ABOVE: Partial<Readonly<Record<WordId, (at: (x: number, y: number) => Place, design: CarDesign) => readonly Item[]>>> = {
  'end-play': (at, { trackWidth }) => {
    const [from, to] = [at(0, trackWidth * 0.32), at(0, -trackWidth * 0.32)];
    return [...arrow(place(from.x, (from.y + to.y) / 2), from), ...arrow(place(from.x, (from.y + to.y) / 2), to)];
  },
  'track-width': (at, { trackWidth }) => [...arrow(at(0, 0), at(0, trackWidth / 2)), ...arrow(at(0, 0), at(0, -trackWidth / 2))],
  toe: (at, { wheelbase, trackWidth }) => {
    const [from, to] = [at(wheelbase, trackWidth * 0.7), at(wheelbase, -trackWidth * 0.7)];
    return [line(place(from.x + 5, from.y), place(to.x - 5, to.y), 'frame')];
  },
};

/** A graph in its frame of two axes; `points` as shares of its room, from the lower left. */
const axes = (): Item[] => [path([place(ROOM, ROOM), place(ROOM, ROOM + HIGH), place(ROOM + WIDE, ROOM + HIGH)], 'outline')];
const onGraph = (x: number, y: number): Place => place(ROOM + WIDE * x, ROOM + HIGH * (1 - 0.9 * y));

/** The car’s run as columns: shares of its way, and of the greatest pull, resistance and speed. */
function sampled(design: CarDesign) {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  const trace = prediction.kind === 'ran' ? prediction.result.trace : undefined;
  if (!trace || trace.distance.length < 2 || prediction.kind !== 'ran' || !(prediction.result.distance > 0)) return null;
  const { distance, powerEndDistance, topSpeed } = prediction.result;
  const most = Math.max(...trace.thrust, ...trace.resistance);
  return {
    end: powerEndDistance === null ? 1 : powerEndDistance / distance,
    pull: trace.distance.map((d, i) => onGraph(d / distance, trace.thrust[i]! / most)),
    resistance: trace.distance.map((d, i) => onGraph(d / distance, trace.resistance[i]! / most)),
    speed: trace.distance.map((d, i) => onGraph(d / distance, trace.speed[i]! / topSpeed)),
    fastest: trace.distance[trace.speed.indexOf(Math.max(...trace.speed))]! / distance,
  };
}

/** Words that are shown by a graph of this car’s run. */
const BY_GRAPH: Partial<Readonly<Record<WordId, (design: CarDesign) => readonly Item[]>>> = {
  censored: () => {
    const [y, wall] = [ROOM + HIGH / 2, ROOM + 0.8 * WIDE];
    return [
      line(place(ROOM, y), place(wall, y), 'outline'),
      line(place(wall, ROOM), place(wall, ROOM + HIGH), 'frame'),
      ...arrow(place(wall, y), place(wall + 10, y)),
    ];
  },
  interval: () => {
    const y = ROOM + HIGH / 2;
    const [from, to] = [ROOM + 0.25 * WIDE, ROOM + 0.75 * WIDE];
    return [
      line(place(ROOM, y), place(ROOM + WIDE, y), 'thin'),
      line(place(from, y), place(to, y), 'frame'),
      ...[from, (from + to) / 2, to].map((x) => line(place(x, y - 4), place(x, y + 4), 'frame')),
    ];
  },
  coasting: (design) => {
    const run = sampled(design);
    return run
      ? [
          ...axes(),
          path(run.speed, 'thin'),
          path(
            run.speed.filter(({ x }) => x >= onGraph(run.end, 0).x),
            'frame',
          ),
        ]
      : [];
  },
  curvature: (design) => pathOf(design),
  drift: (design) => {
    const items = pathOf(design);
    const last = items.at(-1);
    const end = last?.kind === 'path' ? last.points.at(-1)! : place(0, 0);
    return [...items, ...arrow(place(end.x, ROOM + HIGH / 2), end)];
  },
  energy: (design) => {
    const run = sampled(design);
    if (!run) return [];
    // Lines an equal way apart, each up to the curve.
    const hatched = Array.from({ length: LINES_UNDER }, (_, i) => onGraph((i + 0.5) / LINES_UNDER, 0)).map((foot) => {
      const top = run.pull.find(({ x }) => x >= foot.x) ?? foot;
      return line(foot, place(foot.x, top.y), 'thin');
    });
    return [...axes(), path(run.pull, 'frame'), ...hatched];
  },
  hysteresis: (design) => {
    const run = sampled(design);
    // Stretched along the upper line, let go along the lower: what lies between them stays as heat.
    const lower = run?.pull.map(({ x, y }) => place(x, y + 0.15 * (ROOM + HIGH - y)));
    return run && lower ? [...axes(), path(run.pull, 'frame'), path(lower, 'frame')] : [];
  },
  'kinetic-energy': (design) => {
    const run = sampled(design);
    return run ? [...axes(), path(run.speed, 'frame'), line(onGraph(run.end, 0), onGraph(run.end, 1), 'hidden')] : [];
  },
  scatter: () => {
    const runs = luckyRuns(1, 9, 3);
    const x = (run: number): number => ROOM + WIDE * Math.min(Math.max(0.5 + 2.6 * (run - 1), 0.02), 0.98);
    const y = ROOM + HIGH / 2;
    return [
      line(place(ROOM, y), place(ROOM + WIDE, y), 'outline'),
      line(place(x(1), y - 6), place(x(1), y + 6), 'frame'),
      ...runs.map((run) => circle(place(x(run), y), 1.2, 'frame')),
    ];
  },
  stall: (design) => {
    const run = sampled(design);
    return run ? [...axes(), path(run.pull, 'outline'), path(run.resistance, 'frame')] : [];
  },
  'top-speed': (design) => {
    const run = sampled(design);
    return run ? [...axes(), path(run.speed, 'frame'), circle(onGraph(run.fastest, 1), 1.6, 'frame')] : [];
  },
};

/** The way over the floor from above, with the straight line beside it. */
function pathOf(design: CarDesign): Item[] {
  const curvature = curvatureOf(design) || likelyCurvature(design);
  const way = 5;
  const points = floorPath(curvature, way, 20).map(({ x, y }) =>
    place(ROOM + (WIDE * x) / way, ROOM + HIGH / 2 + Math.max(-HIGH / 2, Math.min(HIGH / 2, (WIDE * y) / way))),
  );
  return [line(place(ROOM, ROOM + HIGH / 2), place(ROOM + WIDE, ROOM + HIGH / 2), 'centre'), path(points, 'frame')];
}

/** A word on this car: the car from the side or from above with what it is about, or a graph of its run; mm. Without marks where the car has no such thing. */
export function wordPicture(id: WordId, design: CarDesign): Sheet {
  const graph = BY_GRAPH[id];
  const items = graph ? graph(design) : FROM_ABOVE[id] ? above(id, design) : fromSide(id, design);
  const boxes = items.map(boxOf);
  const [left, top] = [Math.min(ROOM, ...boxes.map((box) => box.left)), Math.min(ROOM, ...boxes.map((box) => box.top))];
  const moved = ({ x, y }: Place): Place => place(x - left + 1, y - top + 1);
  return {
    name: WORDS[id].word,
    items: items.map((item) =>
      item.kind === 'text'
        ? { ...item, at: moved(item.at) }
        : item.kind === 'circle'
          ? { ...item, centre: moved(item.centre) }
          : { ...item, points: item.points.map(moved) },
    ),
    width: Math.max(WIDE, ...boxes.map((box) => box.right)) - left + 2,
    height: Math.max(HIGH, ...boxes.map((box) => box.bottom)) - top + 2,
  };
}

function fromSide(id: WordId, design: CarDesign): readonly Item[] {
  const { bounds, heading } = sideView(design);
  const [left, right] = heading > 0 ? [bounds.left, bounds.right] : [-bounds.right, -bounds.left];
  const scale = WIDE / (right - left);
  const origin = place(ROOM - scale * left, ROOM + scale * bounds.top);
  const { items, parts, at } = sideOf(design, { scale, heading, origin });
  const floor = line(place(ROOM - 2, origin.y), place(ROOM + WIDE + 2, origin.y), 'thin');
  return [...items, floor, ...(ON_SIDE[id]?.({ at: (x, y) => at({ x, y }), parts, scale, heading, design }) ?? [])];
}

function above(id: WordId, design: CarDesign): readonly Item[] {
  const { bounds } = planView(meant(design));
  const { heading } = sideView(design);
  const scale = WIDE / (bounds.right - bounds.left);
  const first = heading > 0 ? bounds.left : -bounds.right;
  const { items, at } = topOf(design, { scale, heading, origin: place(ROOM - scale * first, ROOM + scale * bounds.halfWidth) });
  return [...items, ...FROM_ABOVE[id]!((x, y) => at({ x, y }), design)];
}

import { slidingAngle } from '../bench/kinds/tilt.ts';
import { MEASUREMENTS } from '../bench/measurements.ts';
import type { MeasurementKind } from '../bench/measured.ts';
import type { CarDesign } from '../car/car-design.ts';
import { likelyNumbers } from '../car/values.ts';
import { standingWeight } from '../car/weights.ts';
import { box } from './box.ts';
import type { Circle, Point } from './point.ts';
import { sideView, type SideView } from './side-view.ts';

/** Something that is pulled, read or moved, from a point to another, and what it is called. */
export interface Arrow {
  readonly from: Point;
  readonly to: Point;
  readonly label: string;
}

/** A car as it is, hangs or leans while something of it is measured, to scale, m. */
export interface MeasuringSetup {
  readonly view: SideView;
  /** The car is lifted by so much and turned by so much about the foot of its drive wheel, rad against the clock; null: it stands aside. */
  readonly car: { readonly lift: number; readonly tilt: number } | null;
  readonly boxes: readonly { readonly points: readonly Point[]; readonly label: string }[];
  readonly lines: readonly (readonly [Point, Point])[];
  readonly circles: readonly Circle[];
  readonly arrows: readonly Arrow[];
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
}

/** Sizes of what stands on a bench, m. Common practice. */
const SCALE_HEIGHT = 0.03;
const SCALE_WIDTH = 0.12;
const BOOK = { width: 0.16, height: 0.05 } as const;
const RAMP = 0.4;
const PULLED = 0.12;

const at = (x: number, y: number): Point => ({ x, y });
/** A point turned about the origin, rad against the clock. */
export const turned = ({ x, y }: Point, angle: number): Point =>
  at(x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle));

/** Tilt at which it is drawn to slide, rad; half a right angle where it never does. */
function drawnTilt(design: CarDesign): number {
  const { staticGrip, massHeight } = likelyNumbers(design);
  const tilt = slidingAngle(staticGrip!, standingWeight(design).driveLoadShare, massHeight!, design.wheelbase);
  return tilt < Math.PI / 2 ? tilt : Math.PI / 4;
}

type Shapes = Omit<MeasuringSetup, 'view' | 'bounds'>;
const NONE: Shapes = { car: { lift: 0, tilt: 0 }, boxes: [], lines: [], circles: [], arrows: [] };

/** How each measurement looks on this car. `heading`: +1 where it runs toward +x. */
const SETUPS: Readonly<Record<MeasurementKind, (design: CarDesign, view: SideView) => Shapes>> = {
  weights: ({ wheelbase }) => ({
    ...NONE,
    car: { lift: SCALE_HEIGHT, tilt: 0 },
    boxes: [
      { points: box(-SCALE_WIDTH / 2, SCALE_WIDTH / 2, 0, SCALE_HEIGHT), label: 'scale' },
      { points: box(wheelbase - SCALE_WIDTH / 4, wheelbase + SCALE_WIDTH / 4, 0, SCALE_HEIGHT), label: 'block' },
    ],
  }),
  ramp: (_design, { heading, bounds, driveWheel, otherWheel }) => {
    const tilt = -heading * Math.asin(BOOK.height / RAMP);
    const [back, front] = heading > 0 ? [0, otherWheel?.x ?? 0] : [otherWheel?.x ?? 0, 0];
    const [upper, foot] = [back - heading * 0.03, back - heading * 0.03 + heading * RAMP];
    const [top, low] = [turned(at(upper, 0), tilt), turned(at(foot, 0), tilt)];
    const rolled = heading * Math.max(0.35, bounds.right - bounds.left);
    return {
      ...NONE,
      car: { lift: 0, tilt },
      boxes: [{ points: box(top.x - BOOK.width / 2, top.x + BOOK.width / 2, low.y, top.y - 0.004), label: 'book' }],
      lines: [
        [top, low],
        [at(top.x - 0.1, low.y), at(low.x + rolled, low.y)],
      ],
      arrows: [
        { from: at(low.x, low.y - 0.02), to: at(low.x + rolled, low.y - 0.02), label: 'distance after the board' },
        { from: turned(at(front, driveWheel.y), tilt), to: turned(at(front + heading * 0.09, driveWheel.y), tilt), label: '' },
      ],
    };
  },
  'rim-pull': (_design, { driveWheel, heading, otherWheel }) => {
    const rim = at(heading * driveWheel.radius, driveWheel.y);
    const clamp = otherWheel ? otherWheel.x / 2 : 0;
    return {
      ...NONE,
      boxes: otherWheel ? [{ points: box(clamp - 0.025, clamp + 0.025, 0, driveWheel.y), label: 'clamped' }] : [],
      arrows: [{ from: rim, to: at(rim.x, rim.y + driveWheel.radius + PULLED), label: 'scale, square to the rim' }],
    };
  },
  'lever-pull': ({ motor }, { motor: drawn }) => {
    if (motor.kind !== 'lever' || drawn.kind !== 'lever') return NONE;
    const { pivot } = drawn;
    const angle = (motor.cockedAngle + motor.releaseAngle) / 2;
    const reach = 0.05;
    const hook = at(pivot.x + reach * Math.cos(angle), pivot.y + reach * Math.sin(angle));
    // Against the spring: toward where it is cocked.
    const side = Math.sign(motor.cockedAngle - motor.releaseAngle) || 1;
    const pull = at(hook.x - side * PULLED * Math.sin(angle), hook.y + side * PULLED * Math.cos(angle));
    return {
      ...NONE,
      lines: [[pivot, hook]],
      circles: [{ ...hook, radius: 0.003 }],
      arrows: [{ from: hook, to: pull, label: 'scale, square to the arm' }],
    };
  },
  'band-pull': (design) => {
    const length = MEASUREMENTS['band-pull'].once[0]!.of(design);
    return {
      ...NONE,
      car: null,
      lines: [
        [at(0, 0.07), at(length, 0.07)],
        [at(0, 0.02), at(2 * length, 0.02)],
      ],
      circles: [at(0, 0.07), at(length, 0.07), at(0, 0.02), at(2 * length, 0.02)].map((hook) => ({ ...hook, radius: 0.004 })),
      arrows: [
        { from: at(length, 0.1), to: at(0, 0.1), label: 'lying flat' },
        { from: at(2 * length, 0.02), to: at(2 * length + PULLED, 0.02), label: 'scale' },
      ],
    };
  },
  tilt: (design, { bounds }) => {
    const tilt = drawnTilt(design);
    const end = turned(at(bounds.right + 0.05, 0), tilt);
    const foot = turned(at(bounds.left - 0.02, 0), tilt);
    return {
      ...NONE,
      car: { lift: 0, tilt },
      lines: [
        [foot, end],
        [foot, at(end.x, foot.y)],
      ],
      arrows: [{ from: at(end.x, foot.y), to: end, label: `as if it slides at ${Math.round((tilt * 180) / Math.PI)}°` }],
    };
  },
  drag: (_design, { bounds, heading, driveWheel }) => {
    const nose = heading > 0 ? bounds.right : bounds.left;
    return {
      ...NONE,
      lines: [[at(bounds.left - 0.1, 0), at(bounds.right + 0.1, 0)]],
      arrows: [{ from: at(nose, driveWheel.y), to: at(nose + heading * PULLED, driveWheel.y), label: 'scale, steady' }],
    };
  },
  coast: (_design, { bounds, heading }) => {
    const nose = heading > 0 ? bounds.right : bounds.left;
    const marks = [0.05, 0.25, 0.45].map((distance) => nose + heading * distance);
    return {
      ...NONE,
      lines: [
        [at(Math.min(bounds.left, ...marks) - 0.05, 0), at(Math.max(bounds.right, ...marks) + 0.05, 0)],
        ...marks.map((x) => [at(x, 0), at(x, 0.05)] as const),
      ],
      arrows: [{ from: at(marks[0]!, 0.07), to: at(marks[2]!, 0.07), label: 'marks: a time at each' }],
    };
  },
  'free-spin': ({ wheelbase }, { driveWheel, otherWheel }) => {
    const high = driveWheel.radius / 2;
    const middle = otherWheel ? wheelbase / 2 : 0;
    return {
      ...NONE,
      car: { lift: high, tilt: 0 },
      boxes: [{ points: box(middle - 0.04, middle + 0.04, 0, high + driveWheel.y - 0.004), label: 'block' }],
      arrows: [
        {
          from: at(-driveWheel.radius, high + driveWheel.y),
          to: at(-driveWheel.radius, high + 2 * driveWheel.y),
          label: 'flick',
        },
      ],
    };
  },
  'roll-out': (_design, { driveWheel, heading, bounds }) => {
    const rolled = heading * 2 * Math.PI * driveWheel.radius;
    return {
      ...NONE,
      lines: [[at(Math.min(bounds.left, rolled) - 0.02, 0), at(Math.max(bounds.right, rolled) + 0.02, 0)]],
      arrows: [{ from: at(0, -0.02), to: at(rolled, -0.02), label: 'one turn' }],
    };
  },
  wobble: (_design, { driveWheel }) => ({
    ...NONE,
    boxes: [
      {
        points: [at(0, 2 * driveWheel.radius + 0.002), at(-0.004, 2 * driveWheel.radius + 0.03), at(0.004, 2 * driveWheel.radius + 0.03)],
        label: 'pencil',
      },
    ],
    arrows: [{ from: at(0.02, 2 * driveWheel.radius), to: at(0.02, 2 * driveWheel.radius + 0.02), label: 'up and down' }],
  }),
  thread: (_design, { axle }) => ({
    ...NONE,
    car: null,
    circles: [{ x: 0, y: 3 * axle.radius, radius: axle.radius }],
    lines: [[at(0, 2 * axle.radius), at(2 * Math.PI * axle.radius * 10, 2 * axle.radius)]],
    arrows: [{ from: at(0, 0), to: at(2 * Math.PI * axle.radius * 10, 0), label: 'ten turns' }],
  }),
  tape: (_design, { axle }) => ({
    ...NONE,
    car: null,
    circles: [
      { x: 0, y: 3 * axle.radius, radius: axle.radius },
      { x: 0, y: 3 * axle.radius, radius: 1.6 * axle.radius },
    ],
    arrows: [
      { from: at(-axle.radius, axle.radius), to: at(axle.radius, axle.radius), label: 'before' },
      { from: at(-1.6 * axle.radius, 0), to: at(1.6 * axle.radius, 0), label: 'after' },
    ],
  }),
  push: (_design, { bounds, heading, driveWheel }) => {
    const tail = heading > 0 ? bounds.left : bounds.right;
    return {
      ...NONE,
      lines: [[at(bounds.left - 0.15, 0), at(bounds.right + 0.15, 0)]],
      arrows: [{ from: at(tail - heading * PULLED, driveWheel.y), to: at(tail, driveWheel.y), label: 'a gentle push along the line' }],
    };
  },
  level: (_design, { bounds }) => ({
    ...NONE,
    lines: [[at(bounds.left - 0.2, 0), at(bounds.right + 0.2, 0)]],
    arrows: [
      { from: at(bounds.right, -0.02), to: at(bounds.right + 0.18, -0.02), label: 'out' },
      { from: at(bounds.left, -0.02), to: at(bounds.left - 0.18, -0.02), label: 'back' },
    ],
  }),
};

/** This car as it is measured: how it stands, and what is put, pulled or read beside it. */
export function measuringSetup(design: CarDesign, kind: MeasurementKind): MeasuringSetup {
  const view = sideView(design);
  const shapes = SETUPS[kind](design, view);
  const { car, boxes, lines, circles, arrows } = shapes;
  const { left, right, top } = view.bounds;
  const stood = car ? [at(left, 0), at(right, 0), at(left, top), at(right, top)].map((corner) => turned(corner, car.tilt)) : [];
  const all: readonly Point[] = [
    ...stood.map(({ x, y }) => at(x, y + (car?.lift ?? 0))),
    ...boxes.flatMap(({ points }) => points),
    ...lines.flat(),
    ...circles.flatMap(({ x, y, radius }) => [at(x - radius, y - radius), at(x + radius, y + radius)]),
    ...arrows.flatMap(({ from, to }) => [from, to]),
  ];
  const [xs, ys] = [all.map(({ x }) => x), all.map(({ y }) => y)];
  return { view, ...shapes, bounds: { left: Math.min(...xs), right: Math.max(...xs), top: Math.max(...ys), bottom: Math.min(0, ...ys) } };
}

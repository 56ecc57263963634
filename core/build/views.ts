import type { CarDesign } from '../car/car-design.ts';
import { planView, type Plate } from '../geometry/plan-view.ts';
import type { Point } from '../geometry/point.ts';
import { sideView } from '../geometry/side-view.ts';
import { standingSolids } from '../solid/car-solids.ts';
import { radiusAlong, rectangle, type Shape } from '../solid/shape.ts';
import { centreCross, makeCircle, makeLine, makePath, makePlace, type Item, type Place } from './drawing.ts';
import { buildOf } from './motors/motors.ts';
import type { PartPlace } from './part-names.ts';

/** One view of a car on a sheet: its lines, and where things of it stand. mm on the sheet. */
export interface View {
  readonly items: readonly Item[];
  /** A point of the car, m, on the sheet. */
  readonly at: (point: Point) => Place;
}

/** The car as it is meant: straight, and with its nose to the right. */
export const straightened = (design: CarDesign): CarDesign => ({ ...design, alignment: { driveToe: 0, otherToe: 0, wheelMismatch: 0 } });

/** mm on the sheet of a metre, where the car’s point (0, 0) is drawn, and which way it runs. */
export interface DrawnView {
  readonly scale: number;
  readonly origin: Place;
  readonly heading: 1 | -1;
}
const toSheet =
  ({ scale, origin, heading }: DrawnView) =>
  ({ x, y }: Point): Place =>
    makePlace(origin.x + heading * scale * x, origin.y - scale * y);

/** mm that a centre line runs past what it is the middle of. */
const PAST = 2.5;
const closed = (points: readonly Point[], at: (point: Point) => Place, kind: 'outline' | 'hidden' = 'outline'): Item[] =>
  points.length > 1 ? [makePath(points.map(at), kind, true)] : [];

/** The side view, from the floor up. */
export function sideOf(design: CarDesign, placed: DrawnView): View & { readonly parts: Partial<Readonly<Record<PartPlace, Place>>> } {
  const view = sideView(design);
  const at = toSheet(placed);
  const { scale } = placed;
  const { driveWheel, otherWheel, axle, otherAxle, motor, deck } = view;
  const round = (centre: Point, radius: number, kind: 'outline' | 'thin' = 'outline'): Item => makeCircle(at(centre), scale * radius, kind);
  const items: Item[] = [
    round(driveWheel, driveWheel.radius),
    ...centreCross(at(driveWheel), scale * driveWheel.radius + PAST),
    round(axle, axle.radius),
    ...view.sleeves.map((sleeve) => round(sleeve, sleeve.radius, 'thin')),
    ...closed(deck, at),
    ...closed(view.ballast, at),
  ];
  if (otherWheel && otherAxle)
    items.push(
      round(otherWheel, otherWheel.radius),
      ...centreCross(at(otherWheel), scale * otherWheel.radius + PAST),
      round(otherAxle, otherAxle.radius),
    );
  const near = (centre: Point, radius: number, angle: number): Place =>
    at({ x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) });
  // Angles are reported against the way it runs, so that they stand alike on the sheet.
  const turn = (angle: number): number => (placed.heading > 0 ? angle : Math.PI - angle);
  const middle =
    deck.length > 0 ? deck.reduce((sum, { x, y }) => ({ x: sum.x + x / deck.length, y: sum.y + y / deck.length }), { x: 0, y: 0 }) : null;
  const parts: Partial<Record<PartPlace, Place>> = {
    'drive-wheel': near(driveWheel, driveWheel.radius * 0.86, turn(2.5)),
    tyre: near(driveWheel, driveWheel.radius, turn(2)),
    'drive-axle': at(axle),
    bearing: near(axle, axle.radius + 0.002, turn(0.4)),
    hook: near(axle, axle.radius, turn(1.2)),
    sleeve: near(axle, Math.max(axle.radius, ...view.sleeves.map(({ radius }) => radius)), turn(1.8)),
  };
  if (middle) parts.body = at({ x: middle.x + 0.1 * design.wheelbase, y: middle.y });
  if (otherWheel && otherAxle) {
    parts['other-wheel'] = near(otherWheel, otherWheel.radius * 0.86, turn(0.6));
    parts['other-axle'] = at(otherAxle);
  }
  if (view.ballast.length > 0) parts.ballast = at(view.ballast[2]!);
  const drawn = buildOf(design.motor).draw(motor, {
    at,
    circle: round,
    rim: (centre, radius, angle) => near(centre, radius, turn(angle)),
    axle,
  });
  items.push(...drawn.items);
  Object.assign(parts, drawn.parts);
  return { items, at, parts };
}

const plateCorners = ({ middle, length, width }: Plate): Point[] => [
  { x: middle.x - length / 2, y: middle.y - width / 2 },
  { x: middle.x + length / 2, y: middle.y - width / 2 },
  { x: middle.x + length / 2, y: middle.y + width / 2 },
  { x: middle.x - length / 2, y: middle.y + width / 2 },
];

/** The view from above. */
export function topOf(design: CarDesign, drawn: DrawnView): View {
  const { driveWheels, otherWheels, axles, body, ballast, pull, bounds } = planView(straightened(design));
  const at = toSheet(drawn);
  return {
    at,
    items: [
      makeLine(at({ x: bounds.left - 0.005, y: 0 }), at({ x: bounds.right + 0.005, y: 0 }), 'centre'),
      ...body.flatMap((corners) => closed(corners, at)),
      ...[...driveWheels, ...otherWheels].flatMap((plate) => closed(plateCorners(plate), at)),
      ...axles.map(([from, to]) => makeLine(at(from), at(to), 'outline')),
      ...(ballast ? closed(plateCorners(ballast), at) : []),
      makeLine(at(pull[0]), at(pull[1]), 'thin'),
    ],
  };
}

/** What the view from the rear shows: what stands at the drive axle, and the body over it. */
const SEEN_FROM_REAR = /^(drive-|body$|other-end$|tube$)/;

/** A shape from the rear, cut where it passes over the drive axle: x across the car, to the right. */
function fromRear(shape: Shape, at: (point: Point) => Place, scale: number): readonly Item[] {
  const box = (left: number, right: number, low: number, high: number): Item[] => closed(rectangle(-right, -left, low, high), at);
  const span = (values: readonly number[]): readonly [number, number] => [Math.min(...values), Math.max(...values)];
  switch (shape.kind) {
    case 'across':
      return box(shape.from, shape.to, ...span(shape.corners.map(({ y }) => y)));
    case 'plate':
      return box(...span(shape.corners.map(({ y }) => y)), shape.from, shape.to);
    case 'rod':
      return box(...span([shape.from.y, shape.to.y]), shape.from.z - shape.radius, shape.from.z + shape.radius);
    case 'shell':
      return [makeCircle(at({ x: 0, y: shape.height }), scale * radiusAlong(shape.profile, 0), 'outline')];
  }
}

/** The view from the rear, from the floor up, made from the solids: x across the car, to the right. */
export function rearOf(design: CarDesign, drawn: Omit<DrawnView, 'heading'>): View {
  const at = toSheet({ ...drawn, heading: 1 });
  const seen = standingSolids(straightened(design)).filter(({ id, isRoom }) => SEEN_FROM_REAR.test(id) && !isRoom);
  return {
    at,
    items: [
      makeLine(at({ x: 0, y: -0.006 }), at({ x: 0, y: design.driveWheels.diameter + 0.006 }), 'centre'),
      ...seen.flatMap(({ shapes }) => shapes.flatMap((shape) => fromRear(shape, at, drawn.scale))),
    ],
  };
}

import { boxesMeet, convexOf, convexPieces, prismsOf, someSeparation, type Convex, type Prism } from './convex.ts';
import { add, cross, dot, minus, times, unit, type Corner, type Shape, type Vector } from './shape.ts';
import type { Solid } from './solid.ts';

/** Where a car is looked at from, rad: round it, 0 from its right side, and up from the floor. */
export interface Viewpoint {
  readonly round: number;
  readonly up: number;
}

/** The one from which steps are shown: from the right, behind and above. */
export const STEP_VIEW: Viewpoint = { round: -0.6, up: 0.5 };

/** A face or an edge of a part as it is seen, m on the picture: x to the right, y up; the farthest come first. */
export interface Seen {
  readonly of: Solid;
  readonly kind: 'face' | 'edge';
  readonly points: readonly Corner[];
  /** How much light falls on a face, 0 to 1. */
  readonly light: number;
}

/** Cosine of the turn of an outline from which on its corner is an edge: 25°. */
const SHARP = Math.cos((25 * Math.PI) / 180);
/** Where light comes from. */
const LIGHT = unit({ x: -0.3, y: -0.5, z: 0.8 })!;
/** m that parts may be in one another and still be told apart. */
const IN_ONE_ANOTHER = 2e-3;

/** m from which two parts count as apart: they may touch. */
const TOUCHING = -1e-7;

interface Camera {
  readonly toViewer: Vector;
  readonly right: Vector;
  readonly upward: Vector;
}

function cameraOf({ round, up }: Viewpoint): Camera {
  const toViewer = { x: Math.sin(round) * Math.cos(up), y: -Math.cos(round) * Math.cos(up), z: Math.sin(up) };
  const right = { x: Math.cos(round), y: Math.sin(round), z: 0 };
  return { toViewer, right, upward: cross(right, times(toViewer, -1)) };
}

/** Where a place of the car is on the picture. */
export function placeOnPicture(view: Viewpoint, place: Vector): Corner {
  const { right, upward } = cameraOf(view);
  return { x: dot(place, right), y: dot(place, upward) };
}

/** A convex piece with what is seen of it. */
interface Drawn {
  readonly convex: Convex;
  readonly seen: readonly Seen[];
  /** What lies in it comes first. */
  readonly isRim: boolean;
  readonly low: Vector;
  readonly high: Vector;
}

const lightOn = (normal: Vector): number => 0.5 + 0.5 * dot(normal, LIGHT);
const isAt = (a: Vector, b: Vector): boolean => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) < 1e-9;

type Shell = Extract<Shape, { kind: 'shell' }>;

/** What is seen of a prism: its nearer end, its nearer sides, and the edges between and about them. */
function seenOfPrism(of: Solid, { base, way, edges }: Prism, { toViewer, right, upward }: Camera, isRim: boolean): Seen[] {
  const flat = (place: Vector): Corner => ({ x: dot(place, right), y: dot(place, upward) });
  const face = (corners: readonly Vector[], normal: Vector): Seen => ({
    of,
    kind: 'face',
    points: corners.map(flat),
    light: lightOn(normal),
  });
  const edge = (from: Vector, to: Vector): Seen => ({ of, kind: 'edge', points: [flat(from), flat(to)], light: 0 });
  const middle = times(
    base.reduce((sum, corner) => add(sum, corner), { x: 0, y: 0, z: 0 }),
    1 / base.length,
  );
  // Of all its edges: three corners may lie in one line. Source: Newell.
  const along = unit(
    base.reduce((sum, corner, i) => add(sum, cross(minus(corner, middle), minus(base[(i + 1) % base.length]!, middle))), {
      x: 0,
      y: 0,
      z: 0,
    }),
  );
  // A strip without breadth is not seen.
  if (!along) return [];
  const outward = dot(along, way) > 0 ? along : times(along, -1);
  const seesEnd = dot(outward, toViewer) > 0;
  const end = (corner: Vector, isFar: boolean): Vector => (isFar ? add(corner, way) : corner);
  const outOf = (from: Vector, to: Vector): Vector => {
    const across = unit(cross(minus(to, from), way)) ?? outward;
    return dot(across, minus(from, middle)) > 0 ? across : times(across, -1);
  };
  // Only the part's own sides are seen: where it is cut into pieces another piece lies.
  const sides = edges.map(([from, to]) => {
    const normal = outOf(from, to);
    return { from, to, normal, isSeen: dot(normal, toViewer) > 1e-9 };
  });
  // In a rim lies the face of another part.
  const list: Seen[] = isRim
    ? []
    : [
        face(
          base.map((corner) => end(corner, seesEnd)),
          seesEnd ? outward : times(outward, -1),
        ),
      ];
  for (const { from, to, normal, isSeen } of sides) if (isSeen) list.push(face([from, to, add(to, way), add(from, way)], normal));
  // About the end that is seen; about the other where a side is seen between them.
  for (const isFar of [seesEnd, !seesEnd])
    for (const line of linesOf(sides.filter(({ isSeen }) => isSeen || isFar === seesEnd)))
      list.push({ of, kind: 'edge', points: line.map((corner) => flat(end(corner, isFar))), light: 0 });
  // Where two sides meet at an angle, or one that is seen meets one that is not.
  for (const side of sides)
    for (const other of sides) {
      if (other === side || !(isAt(other.from, side.to) || isAt(other.to, side.to)) || !(side.isSeen || other.isSeen)) continue;
      if (side.isSeen !== other.isSeen || dot(side.normal, other.normal) < SHARP) list.push(edge(side.to, add(side.to, way)));
    }
  return list;
}

/** Edges that follow one another as one line each. */
function linesOf(edges: readonly { readonly from: Vector; readonly to: Vector }[]): Vector[][] {
  const lines: Vector[][] = [];
  for (const { from, to } of edges) {
    const line = lines.find((one) => isAt(one.at(-1)!, from));
    if (line) line.push(to);
    else lines.push([from, to]);
  }
  return lines;
}

/** What is seen of a thin wall: each panel, rings where it begins, ends or changes its slope, and the rim of its opening. */
function seenOfPanel(of: Solid, { profile, opening, height }: Shell, { corners }: Convex, { toViewer, right, upward }: Camera): Seen[] {
  const flat = (place: Vector): Corner => ({ x: dot(place, right), y: dot(place, upward) });
  // Corners come by end, angle and depth.
  const [a, , b, , c, , d] = corners as [Vector, Vector, Vector, Vector, Vector, Vector, Vector];
  const normal = unit(cross(minus(b, a), minus(c, a))) ?? toViewer;
  const facing = dot(normal, toViewer) > 0 ? normal : times(normal, -1);
  const isCorner = (x: number): boolean => profile.some((one) => Math.abs(one.x - x) < 1e-9);
  /** On which side of the opening: over it where its middle is above the wall’s. */
  const isOnSide = ({ z }: Vector): boolean => opening !== null && (opening.side === 'top' ? z > height : z < height);
  const half = opening ? opening.wide / 2 + 1e-6 : 0;
  const isAtEnd = ({ x }: Vector): boolean => opening !== null && (Math.abs(x - opening.from) < 1e-9 || Math.abs(x - opening.to) < 1e-9);
  const isRimAcross = (from: Vector, to: Vector): boolean =>
    isAtEnd(from) && isOnSide(from) && Math.max(Math.abs(from.y), Math.abs(to.y)) <= half;
  const isRimAlong = (from: Vector, to: Vector): boolean =>
    opening !== null &&
    isOnSide(from) &&
    Math.abs(Math.abs(from.y) - opening.wide / 2) < 1e-4 &&
    Math.min(from.x, to.x) >= opening.from - 1e-9 &&
    Math.max(from.x, to.x) <= opening.to + 1e-9;
  const lines = [
    ...(
      [
        [a, b],
        [c, d],
      ] as const
    ).filter(([from, to]) => isCorner(from.x) || isRimAcross(from, to)),
    ...(
      [
        [a, c],
        [b, d],
      ] as const
    ).filter(([from, to]) => isRimAlong(from, to)),
  ];
  return [
    { of, kind: 'face', points: [a, b, d, c].map(flat), light: lightOn(facing) },
    ...lines.map((line): Seen => ({ of, kind: 'edge', points: line.map(flat), light: 0 })),
  ];
}

/** Whether a part is all rim, as a tyre is: another part lies in it. */
const isRing = (shape: Shape): boolean =>
  shape.kind === 'across' && shape.holes.some((hole) => spanOf(hole) > RING * spanOf(shape.corners));
const RING = 0.9;
const spanOf = (corners: readonly Corner[]): number => Math.max(...corners.map(({ x }) => x)) - Math.min(...corners.map(({ x }) => x));

/** The pieces of a shape with what is seen of each. Holes of what turns are filled by what is in them. */
function drawnOf(of: Solid, shape: Shape, camera: Camera): Drawn[] {
  const withBox = (convex: Convex, seen: readonly Seen[], isRim = false): Drawn => {
    const points = seen.flatMap((one) => one.points);
    const box = (pick: (...values: number[]) => number): Vector => ({
      x: pick(...points.map(({ x }) => x)),
      y: pick(...points.map(({ y }) => y)),
      z: 0,
    });
    return { convex, seen, isRim, low: box(Math.min), high: box(Math.max) };
  };
  if (shape.kind === 'shell') return convexPieces(shape).map((panel) => withBox(panel, seenOfPanel(of, shape, panel, camera)));
  const isRim = isRing(shape);
  return prismsOf(shape, shape.kind !== 'plate').map((prism) => withBox(convexOf(prism), seenOfPrism(of, prism, camera, isRim), isRim));
}

/** Bars across the car are cut where another part goes round them, so that each length is before or behind it. */
function cutWhereHeld(solids: readonly Solid[]): readonly (readonly [Solid, Shape])[] {
  const cuts = solids.flatMap(({ shapes }) =>
    shapes.flatMap((shape) =>
      shape.kind === 'across' ? [shape.from, shape.to] : shape.kind === 'rod' && shape.inside > 0 ? [shape.from.y, shape.to.y] : [],
    ),
  );
  return solids.flatMap((solid) =>
    solid.shapes.flatMap((shape): (readonly [Solid, Shape])[] => {
      if (shape.kind !== 'rod' || shape.from.x !== shape.to.x || shape.from.z !== shape.to.z) return [[solid, shape]];
      const { from, to } = shape;
      const [low, high] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
      const places = [...new Set([low, ...cuts.filter((y) => y > low + 1e-6 && y < high - 1e-6), high])].sort((a, b) => a - b);
      return places.slice(1).map((y, i) => [solid, { ...shape, from: { ...from, y: places[i]! }, to: { ...to, y } }] as const);
    }),
  );
}

/**
 * Whether the second of two pieces is nearer (above 0) or farther (below), where the one may cover the other: a plane between them tells.
 * Where planes tell both, neither covers the other.
 */
function nearerOf(a: Drawn, b: Drawn, camera: Camera): number {
  let [isBehind, isBefore] = [false, false];
  let best = -Infinity;
  let toward = 0;
  someSeparation(a.convex, b.convex, ({ distance, direction }) => {
    const facing = dot(direction, camera.toViewer);
    if (distance >= TOUCHING) {
      // Beside each other on the picture, or one each way: neither covers.
      isBehind ||= facing < 1e-9;
      isBefore ||= facing > -1e-9;
    }
    if (distance > best) [best, toward] = [distance, facing];
    return isBehind && isBefore;
  });
  if (isBehind && isBefore) return 0;
  if (isBefore) return 1;
  if (isBehind) return -1;
  if (a.isRim !== b.isRim) return b.isRim ? 1 : -1;
  return best > -IN_ONE_ANOTHER ? toward : middleOf(b.convex, camera) - middleOf(a.convex, camera);
}

/**
 * Parts as they are seen from somewhere, the farthest first, so that each covers what is behind it: of two pieces that are apart, a plane
 * between them says which is nearer. Source: Newell, Newell and Sancha (1972), their test by planes.
 */
export function pictureOf(solids: readonly Solid[], view: Viewpoint): readonly Seen[] {
  const camera = cameraOf(view);
  const pieces = cutWhereHeld(solids.filter(({ isRoom }) => !isRoom)).flatMap(([solid, shape]) => drawnOf(solid, shape, camera));
  const behind: number[][] = pieces.map(() => []);
  pieces.forEach((a, i) => {
    for (let k = i + 1; k < pieces.length; k++) {
      const b = pieces[k]!;
      if (!boxesMeet(a, b)) continue;
      const nearer = nearerOf(a, b, camera);
      if (nearer === 0) continue;
      if (nearer > 0) behind[k]!.push(i);
      else behind[i]!.push(k);
    }
  });
  const order: number[] = [];
  const state = new Uint8Array(pieces.length);
  const visit = (at: number): void => {
    if (state[at]) return;
    state[at] = 1;
    for (const other of behind[at]!) visit(other);
    order.push(at);
  };
  pieces.forEach((_piece, at) => visit(at));
  return order.flatMap((at) => pieces[at]!.seen);
}

const middleOf = ({ low, high }: Convex, { toViewer }: Camera): number => (dot(low, toViewer) + dot(high, toViewer)) / 2;

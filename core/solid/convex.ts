import { acrossOf, add, circle, cross, dot, minus, radiusAlong, times, unit, type Corner, type Shape, type Vector } from './shape.ts';
import { stripsOf, type Strip } from './strips.ts';

/** A convex piece of a solid: its corners, the directions of its faces and edges, and the box about it. */
export interface Convex {
  readonly corners: readonly Vector[];
  readonly faces: readonly Vector[];
  readonly edges: readonly Vector[];
  /** Which way it is as thick as anywhere else; null of a piece that is no prism. */
  readonly way: Vector | null;
  readonly low: Vector;
  readonly high: Vector;
}

const directions = (vectors: readonly Vector[]): Vector[] => {
  const list: Vector[] = [];
  for (const vector of vectors) {
    const one = unit(vector);
    if (one && !list.some((other) => Math.abs(dot(one, other)) > 1 - 1e-9)) list.push(one);
  }
  return list;
};

/** A convex base that is moved along a way, and what of its border is an edge of the part. */
export interface Prism {
  readonly base: readonly Vector[];
  readonly way: Vector;
  readonly edges: readonly (readonly [from: Vector, to: Vector])[];
}

/** All that a convex base passes on its way. */
export function convexOf({ base, way }: Prism): Convex {
  const sides = base.map((corner, i) => minus(base[(i + 1) % base.length]!, corner));
  return withBox(
    [...base, ...base.map((corner) => add(corner, way))],
    [cross(sides[0]!, sides[1]!), ...sides.map((side) => cross(side, way))],
    [...sides, way],
    unit(way),
  );
}

function withBox(corners: readonly Vector[], faces: readonly Vector[], edges: readonly Vector[], way: Vector | null = null): Convex {
  const of = (read: (corner: Vector) => number, pick: (...values: number[]) => number): number => pick(...corners.map(read));
  const end = (pick: (...values: number[]) => number): Vector => ({
    x: of(({ x }) => x, pick),
    y: of(({ y }) => y, pick),
    z: of(({ z }) => z, pick),
  });
  return { corners, faces: directions(faces), edges: directions(edges), way, low: end(Math.min), high: end(Math.max) };
}

/** Panels round a thin wall that is drawn with straight lines. */
const PANELS = 24;
/** m: a wall that is thinner than this is taken as thick as this, so that nothing passes through it between two moments. */
const LEAST_WALL = 1e-3;

/** The convex pieces that a shape is made of; together they are the shape. `isFilled`: its holes count as full. */
export function convexPieces(shape: Shape, isFilled = false): readonly Convex[] {
  return shape.kind === 'shell' ? shellPanels(shape) : prismsOf(shape, isFilled).map(convexOf);
}

/** The prisms that a shape is made of, but for a thin wall. `isFilled`: its holes count as full. */
export function prismsOf(whole: Exclude<Shape, { kind: 'shell' }>, isFilled = false): readonly Prism[] {
  const shape = isFilled && 'holes' in whole ? { ...whole, holes: [] } : whole;
  const moved = (strips: readonly Strip[], place: (corner: Corner) => Vector, way: Vector): Prism[] =>
    strips.map(({ corners, edges }) => ({
      base: corners.map(place),
      way,
      edges: edges.map(([from, to]) => [place(from), place(to)] as const),
    }));
  switch (shape.kind) {
    case 'across':
      return moved(stripsOf(shape), ({ x, y }) => ({ x, y: shape.from, z: y }), { x: 0, y: shape.to - shape.from, z: 0 });
    case 'plate':
      return moved(stripsOf(shape), ({ x, y }) => ({ x, y, z: shape.from + shape.slope * x }), { x: 0, y: 0, z: shape.to - shape.from });
    case 'rod': {
      const way = minus(shape.to, shape.from);
      const [first, second] = acrossOf(unit(way) ?? { x: 0, y: 0, z: 1 });
      const holes = shape.inside > 0 && !isFilled ? [circle(0, 0, shape.inside)] : [];
      return moved(
        stripsOf({ corners: circle(0, 0, shape.radius), holes }),
        ({ x, y }) => add(shape.from, add(times(first, x), times(second, y))),
        way,
      );
    }
  }
}

/** Places along a thin wall between which it has one slope and is open or not; and angles round it, rad from the top. */
function shellGrid({ profile, opening }: Extract<Shape, { kind: 'shell' }>): {
  readonly ends: readonly { readonly x: number; readonly radius: number }[];
  readonly angles: readonly number[];
  readonly isOpen: (x: number, angle: number) => boolean;
} {
  const regular = Array.from({ length: PANELS + 1 }, (_, k) => (2 * Math.PI * k) / PANELS);
  if (!opening) return { ends: profile, angles: regular, isOpen: () => false };
  const radius = radiusAlong(profile, (opening.from + opening.to) / 2);
  const half = Math.asin(Math.min(opening.wide / 2 / radius, 1));
  const [first, last] = [profile[0]!.x, profile.at(-1)!.x];
  const cuts = [opening.from, opening.to].filter((x) => x > first && x < last).map((x) => ({ x, radius: radiusAlong(profile, x) }));
  const edges = opening.side === 'top' ? [half, 2 * Math.PI - half] : [Math.PI - half, Math.PI + half];
  const isWithin = (angle: number): boolean =>
    opening.side === 'top' ? angle < half || angle > 2 * Math.PI - half : Math.abs(angle - Math.PI) < half;
  return {
    ends: [...profile, ...cuts].sort((a, b) => a.x - b.x),
    angles: [...regular, ...edges].sort((a, b) => a - b),
    isOpen: (x, angle) => x > opening.from && x < opening.to && isWithin(angle),
  };
}

function shellPanels(shell: Extract<Shape, { kind: 'shell' }>): Convex[] {
  const { height, wall } = shell;
  const thick = Math.max(wall, LEAST_WALL);
  const { ends: places, angles: round, isOpen } = shellGrid(shell);
  const panels: Convex[] = [];
  for (let i = 1; i < places.length; i++) {
    const ends = [places[i - 1]!, places[i]!] as const;
    if (ends[1].x - ends[0].x < 1e-9) continue;
    for (let panel = 1; panel < round.length; panel++) {
      const angles = [round[panel - 1]!, round[panel]!] as const;
      if (angles[1] - angles[0] < 1e-9 || isOpen((ends[0].x + ends[1].x) / 2, (angles[0] + angles[1]) / 2)) continue;
      const at = ({ x, radius }: { x: number; radius: number }, angle: number, depth: number): Vector => ({
        x,
        y: Math.max(radius - depth, 0) * Math.sin(angle),
        z: height + Math.max(radius - depth, 0) * Math.cos(angle),
      });
      const corners = ends.flatMap((end) => angles.flatMap((angle) => [at(end, angle, 0), at(end, angle, thick)]));
      const [a, b, c, , e] = corners as [Vector, Vector, Vector, Vector, Vector];
      const [inward, along] = [minus(b, a), minus(e, a)];
      const about = minus(c, a);
      panels.push(withBox(corners, [cross(about, along), cross(inward, along), cross(inward, about)], [inward, about, along]));
    }
  }
  return panels;
}

/** How far two convex pieces are apart, m, and which way; below 0 as far as one would have to be moved out of the other. */
export interface Separation {
  readonly distance: number;
  /** Of length 1, from the first to the second. */
  readonly direction: Vector;
}

/** Whether two boxes come within `reach` m of each other. */
export const boxesMeet = (a: Pick<Convex, 'low' | 'high'>, b: Pick<Convex, 'low' | 'high'>, reach = 0): boolean =>
  a.low.x - reach <= b.high.x &&
  b.low.x - reach <= a.high.x &&
  a.low.y - reach <= b.high.y &&
  b.low.y - reach <= a.high.y &&
  a.low.z - reach <= b.high.z &&
  b.low.z - reach <= a.high.z;

/** How far apart two pieces are along a direction, m: below 0 where they overlap there; the direction is from the first to the second. */
function separationAlong(a: Convex, b: Convex, axis: Vector): Separation {
  let [aLow, aHigh, bLow, bHigh] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const corner of a.corners) {
    const at = dot(corner, axis);
    if (at < aLow) aLow = at;
    if (at > aHigh) aHigh = at;
  }
  for (const corner of b.corners) {
    const at = dot(corner, axis);
    if (at < bLow) bLow = at;
    if (at > bHigh) bHigh = at;
  }
  return bLow - aHigh >= aLow - bHigh
    ? { distance: bLow - aHigh, direction: axis }
    : { distance: aLow - bHigh, direction: times(axis, -1) };
}

/**
 * Every direction along which two convex pieces can be parted, until one is enough: of two that are apart, one of these parts them.
 * Source: separating axes; Gottschalk and others (1996).
 */
export function someSeparation(a: Convex, b: Convex, isEnough: (separation: Separation) => boolean): void {
  for (const axis of a.faces) if (isEnough(separationAlong(a, b, axis))) return;
  for (const axis of b.faces) if (isEnough(separationAlong(a, b, axis))) return;
  // Of two prisms that lie one way every other direction is a face’s already.
  if (a.way && b.way && Math.abs(dot(a.way, b.way)) > 1 - 1e-9) return;
  for (const edge of a.edges)
    for (const other of b.edges) {
      const axis = unit(cross(edge, other));
      if (axis && isEnough(separationAlong(a, b, axis))) return;
    }
}

/**
 * How far apart, or how deep in one another, two convex pieces are along the direction that parts them best. Where they are apart it is at
 * most their distance, and that distance where a face of one looks to a corner of the other.
 */
export function separationOf(a: Convex, b: Convex): Separation {
  let best: Separation = { distance: -Infinity, direction: { x: 0, y: 0, z: 1 } };
  someSeparation(a, b, (one) => {
    if (one.distance > best.distance) best = one;
    return false;
  });
  return best;
}

/** A place in the car, m: x from the drive axle toward the other axle, y to the left of the middle line, z up from the floor. */
export interface Vector {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A corner of an outline, m: seen from the side x and up, seen from above x and to the left. */
export interface Corner {
  readonly x: number;
  readonly y: number;
}

/** Corners in order, and those of each hole. */
export interface Outline {
  readonly corners: readonly Corner[];
  readonly holes: readonly (readonly Corner[])[];
}

/** What a solid is made of, m. */
export type Shape =
  /** An outline seen from the side, as thick as from one place across the car to another. */
  | (Outline & { readonly kind: 'across'; readonly from: number; readonly to: number })
  /** An outline seen from above, as thick as from one height to another at the drive axle; it rises by `slope` m for each m along the car. */
  | (Outline & { readonly kind: 'plate'; readonly from: number; readonly to: number; readonly slope: number })
  /** A round bar; hollow where `inside` is above 0. */
  | { readonly kind: 'rod'; readonly from: Vector; readonly to: Vector; readonly radius: number; readonly inside: number }
  /** A thin wall round a line along the middle of the car, at a height over the floor: its radius by place. */
  | {
      readonly kind: 'shell';
      readonly height: number;
      readonly profile: readonly { readonly x: number; readonly radius: number }[];
      readonly wall: number;
      /** What is cut out of it, on top or in the underside; null for nothing. */
      readonly opening: { readonly from: number; readonly to: number; readonly wide: number; readonly side: 'top' | 'underside' } | null;
    };

/** Radius of a thin wall at a place along it, m: between the places of its profile by straight lines; of its ends beyond them. */
export function radiusAlong(profile: readonly { readonly x: number; readonly radius: number }[], x: number): number {
  const next = profile.findIndex((one) => one.x >= x);
  if (next <= 0) return profile.at(next)!.radius;
  const [a, b] = [profile[next - 1]!, profile[next]!];
  return a.radius + ((b.radius - a.radius) * (x - a.x)) / Math.max(b.x - a.x, 1e-9);
}

/** m that a corner may be off a circle that is drawn with straight lines. */
const ROUND = 0.1e-3;
/** Sides of a circle at the fewest and most. */
const SIDES = { least: 8, most: 64, mostFine: 180 };

/** How many straight lines draw a circle, m, `within` so much: a tenth of a millimetre by default. */
export const sidesOf = (radius: number, within = ROUND): number =>
  Math.min(
    Math.max(Math.ceil(Math.PI / Math.acos(1 - Math.min(within / Math.max(radius, within), 1))), SIDES.least),
    within < ROUND ? SIDES.mostFine : SIDES.most,
  );

/** A circle as corners: `circle(0, 0, 1)[0] // { x: 1, y: 0 }` */
export function circle(x: number, y: number, radius: number, within = ROUND): readonly Corner[] {
  const sides = sidesOf(radius, within);
  return Array.from({ length: sides }, (_, i) => {
    const angle = (2 * Math.PI * i) / sides;
    return { x: x + radius * Math.cos(angle), y: y + radius * Math.sin(angle) };
  });
}

/** A rectangle as corners. */
export const rectangle = (left: number, right: number, low: number, high: number): readonly Corner[] => [
  { x: left, y: low },
  { x: right, y: low },
  { x: right, y: high },
  { x: left, y: high },
];

/** m² of an outline; its corners in either order. Source: the shoelace formula. `areaOf(rectangle(0, 2, 0, 3)) // 6` */
export const areaOf = (corners: readonly Corner[]): number =>
  Math.abs(
    corners.reduce((sum, { x, y }, i) => {
      const next = corners[(i + 1) % corners.length]!;
      return sum + x * next.y - next.x * y;
    }, 0),
  ) / 2;

export const add = (a: Vector, b: Vector): Vector => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
export const minus = (a: Vector, b: Vector): Vector => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const times = (a: Vector, factor: number): Vector => ({ x: factor * a.x, y: factor * a.y, z: factor * a.z });
export const dot = (a: Vector, b: Vector): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const cross = (a: Vector, b: Vector): Vector => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
/** The vector of length 1 that way; null for one of no length. */
export function unit(a: Vector): Vector | null {
  const length = Math.hypot(a.x, a.y, a.z);
  return length > 1e-12 ? times(a, 1 / length) : null;
}

/** Two vectors of length 1 at right angles to one and to each other. */
export function acrossOf(direction: Vector): readonly [Vector, Vector] {
  const other = Math.abs(direction.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
  const first = unit(cross(direction, other))!;
  return [first, cross(direction, first)];
}

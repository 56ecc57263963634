import { Matrix, solve } from 'ml-matrix';
import { placeOverLine, type MeasuredFilm } from './measured-film.ts';
import type { Pixels } from './homography.ts';

/** How a drive wheel turned against the way of the car. */
export interface Slip {
  /** Part of the rim’s way that the car did not go, at the launch: 0 rolls, 1 spins on the spot; with its standard deviation. */
  readonly ratio: number;
  readonly deviation: number;
  /** m that the rim went further than the car until then. */
  readonly distance: number;
}

/** Why a wheel’s dot tells nothing: it turned too little to find its axle, or too far from frame to frame to count. */
export type SlipRefusal = 'turned-too-little' | 'too-fast';

/** m from the start that count as the launch. */
const LAUNCH = 0.5;
/** rad that it has to turn in all, and may turn from frame to frame; points at least. */
const LEAST_TURN = 4;
const MOST_STEP = 0.9 * Math.PI;
const FEWEST = 8;
/** Pixels that the middle of the wheel’s dot is off; part by which a wheel’s radius is not known. Our estimates. */
const DOT_OFF = 0.4;
const RADIUS_OFF = 0.01;

/**
 * The circle through points, at least squares. Source: Kåsa, IEEE Trans. Instrum. Meas. 25 (1976).
 * @returns its middle and radius; null where the points are in one line
 * @example circleThrough([[1, 0], [0, 1], [-1, 0]]) // { middle: [0, 0], radius: 1 }
 */
export function circleThrough(
  points: readonly (readonly [number, number])[],
): { readonly middle: readonly [number, number]; readonly radius: number } | null {
  if (points.length < 3) return null;
  const found = solve(
    new Matrix(points.map(([x, y]) => [2 * x, 2 * y, 1])),
    Matrix.columnVector(points.map(([x, y]) => x * x + y * y)),
    true,
  ).to1DArray() as [number, number, number];
  const [x, y, rest] = found;
  const radius = Math.sqrt(rest + x * x + y * y);
  return Number.isFinite(radius) ? { middle: [x, y], radius } : null;
}

/** Angles without jumps: of those that differ by whole turns the nearest to going on as before. */
function unwrapped(angles: readonly number[]): readonly number[] {
  const made: number[] = [];
  for (const angle of angles) {
    const last = made.at(-1);
    if (last === undefined) {
      made.push(angle);
      continue;
    }
    const step = made.length > 1 ? last - made.at(-2)! : 0;
    made.push(angle + 2 * Math.PI * Math.round((last + step - angle) / (2 * Math.PI)));
  }
  return made;
}

/**
 * How far the drive wheel turned, by a dot near its rim: its angle about the axle, which goes along with the car. The wheel stands over the
 * line of the car’s dot.
 * @param radius of the wheel, m
 * @param start when the run began, s of the film
 */
export function slipOf(
  film: MeasuredFilm,
  wheel: readonly { readonly time: number; readonly pixels: Pixels }[],
  radius: number,
  start: number,
): Slip | SlipRefusal {
  const at = new Map(film.points.map((point) => [point.time, point]));
  const places = wheel.flatMap(({ time, pixels }) => {
    const car = at.get(time);
    if (!car) return [];
    const [x, z] = placeOverLine(film, pixels, car.place[1]!);
    return [{ time, car: car.place[0]!, deviation: car.deviation[0]!, to: [x - car.place[0]!, z] as const }];
  });
  const circle = places.length < FEWEST ? null : circleThrough(places.map(({ to }) => to));
  if (!circle) return 'turned-too-little';
  const angles = unwrapped(places.map(({ to: [x, z] }) => -Math.atan2(z - circle.middle[1], x - circle.middle[0])));
  const turned = places.map(({ time }, i) => ({ time, angle: angles[i]! - angles[0]! }));
  if (turned.at(-1)!.angle < LEAST_TURN) return 'turned-too-little';
  if (angles.some((angle, i) => i > 0 && Math.abs(angle - angles[i - 1]!) > MOST_STEP)) return 'too-fast';
  const begun = turned.findLast(({ time }) => time <= start)?.angle ?? 0;
  const from = places.findLast(({ time }) => time <= start) ?? places[0]!;
  const launched = places.findIndex(({ car }) => car - from.car >= LAUNCH);
  const end = launched < 0 ? places.length - 1 : launched;
  const way = places[end]!.car - from.car;
  const rim = radius * (turned[end]!.angle - begun);
  const ratio = rim > 0 ? 1 - way / rim : 0;
  const { pixels } = wheel[0]!;
  const y = film.points[0]!.place[1]!;
  const perPixel = Math.abs(placeOverLine(film, [pixels[0] + 1, pixels[1]], y)[0] - placeOverLine(film, pixels, y)[0]);
  const angleOff = (DOT_OFF * perPixel) / circle.radius;
  return {
    ratio,
    deviation: (way / rim) * Math.hypot(places[end]!.deviation / Math.max(way, 1e-3), (radius * angleOff) / rim, RADIUS_OFF),
    distance: Math.max(rim - way, 0),
  };
}

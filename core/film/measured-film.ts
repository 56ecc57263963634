import type { Film } from '../schema/generated/film.ts';
import { cameraOf, placeAtHeight, type Camera } from './camera.ts';
import { homographyOf, inverseOf, mapped, residualsOf, type FloorPlace, type Homography, type Mark, type Pixels } from './homography.ts';
import { alongLine, lineOf, type LineFit } from './line.ts';
import { smoothed } from './smoothing.ts';

/** Pixels that a mark set with a loupe, and the middle of a dot that is followed, may be off, one standard deviation. Our estimates. */
const MARK_OFF = 0.3;
const DOT_OFF = 0.2;
/** m that the height of a dot may be off. Our estimate. */
const HEIGHT_OFF = 0.003;
/** Points of a closer parabola, and how many times the difference of its speed the usual one may be off: tried out on simulated films. */
const CLOSE_WINDOW = 5;
const ROUNDED_OFF = 0.8;
const HALF_WINDOW = 4;

/** Where the dot was on the floor, m, at a time, s, with standard deviations; along a line only how far. */
export interface FilmedPoint {
  readonly time: number;
  readonly place: readonly number[];
  readonly deviation: readonly number[];
}

/** How the floor is seen in a picture. */
export interface FloorSeen {
  readonly homography?: Homography;
  readonly line?: LineFit;
  readonly focal?: number;
  readonly camera?: Camera['place'];
  /** Pixels that each mark is seen from where it should be. */
  readonly residuals: readonly number[];
}

/** What a film tells: how the floor is seen, and where the dot was. */
export interface MeasuredFilm extends FloorSeen {
  readonly points: readonly FilmedPoint[];
  /** m that the way from the first point to each may be off, one standard deviation: less than its place, for marks move both. */
  readonly wayDeviations: readonly number[];
  /** m/s along the run. */
  readonly speed: readonly { readonly time: number; readonly speed: number; readonly deviation: number }[];
}

/** Why a film tells nothing. */
export type FilmRefusal = 'marks-in-line' | 'camera-unknown';

/** What a film says of its floor. */
export type FilmedFloor = Pick<Film, 'picture' | 'marks' | 'height' | 'camera'>;

/** Looks up places from pixels; null where the marks do not tell it. */
type Look = (pixels: Pixels, height: number) => readonly number[];

const isInLine = ({ marks }: FilmedFloor): boolean => marks.every(({ floor }) => floor.length === 1);

/** How marks that are seen where they are tell places on the floor. */
function lookOf(
  film: FilmedFloor,
  marks: readonly Mark[],
): { readonly look: Look; readonly homography: Homography; readonly focal: number | null; readonly camera: Camera['place'] | null } | null {
  const homography = homographyOf(marks);
  if (!homography) return null;
  const found = cameraOf(homography, film.picture as [number, number]);
  // What was measured on the floor goes before what the picture tells of it.
  const camera = (film.camera as Camera['place'] | undefined) ?? found?.place ?? null;
  const back = inverseOf(homography);
  return {
    homography,
    focal: found?.focal ?? null,
    camera,
    look: (pixels, height) => {
      const seen: FloorPlace = mapped(back, pixels);
      return camera && height > 0 ? placeAtHeight({ place: camera }, seen, height) : seen;
    },
  };
}

function lineLook(marks: readonly Mark[]): { readonly look: Look; readonly line: LineFit } | null {
  const line = lineOf(marks.map(({ floor: [x], pixels: [u] }) => [x, u]));
  return line && { line, look: ([u]) => [alongLine(line, u)] };
}

/** The marks with one of their coordinates off by a pixel: two for each mark. */
const nudged = (marks: readonly Mark[]): readonly (readonly Mark[])[] =>
  marks.flatMap((_, i) =>
    [0, 1].map((k) =>
      marks.map((mark, j) =>
        j === i ? { ...mark, pixels: [mark.pixels[0] + (k === 0 ? 1 : 0), mark.pixels[1] + (k === 1 ? 1 : 0)] as const } : mark,
      ),
    ),
  );

/**
 * Places and speeds of the dot from its pixels, each with what it may be off: by the dot, the clicks on the marks, and its height, their effects
 * found by moving each and adding the squares. Speed is that of a parabola through nine points; marks and height move them alike, and are left out
 * of its deviation but for their part in the scale.
 * @returns why it tells nothing, where it does not
 */
export function measureFilm(film: Film): MeasuredFilm | FilmRefusal {
  const floor = filmedFloor(film);
  if (typeof floor === 'string') return floor;
  const { base, lookAt, marks, seen } = floor;
  const others = nudged(marks).flatMap((seen) => lookAt(seen) ?? []);
  const points = film.points.map(({ time, pixels }) => {
    const at = pixels as unknown as Pixels;
    const place = base.look(at, film.height);
    const off = (other: readonly number[], by: number): readonly number[] => place.map((value, k) => (other[k]! - value) * by);
    return {
      time,
      place,
      ofDot: [off(base.look([at[0] + 1, at[1]], film.height), DOT_OFF), off(base.look([at[0], at[1] + 1], film.height), DOT_OFF)],
      // What moves all points together.
      ofRest: [
        ...others.map(({ look }) => off(look(at, film.height), MARK_OFF)),
        off(base.look(at, film.height + 1e-3), HEIGHT_OFF / 1e-3),
      ],
    };
  });
  const root = (list: readonly (readonly number[])[], k: number): number => Math.hypot(...list.map((one) => one[k]!));
  const [first] = points;
  const samples = points.map(({ time, place, ofDot }) => ({ time, value: place[0]!, deviation: root(ofDot, 0) }));
  const [speed, close] = [smoothed(samples), smoothed(samples, CLOSE_WINDOW)];
  /** m/s that marks and height put a speed off: how what they put its place off changes about it. */
  const speedOff = (i: number): number => {
    const [from, to] = [points[Math.max(i - HALF_WINDOW, 0)]!, points[Math.min(i + HALF_WINDOW, points.length - 1)]!];
    return Math.hypot(...to.ofRest.map((one, k) => one[0]! - from.ofRest[k]![0]!)) / Math.max(to.time - from.time, 1e-6);
  };
  return {
    ...seen,
    points: points.map(({ time, place, ofDot, ofRest }) => ({
      time,
      place,
      deviation: place.map((_, k) => root([...ofDot, ...ofRest], k)),
    })),
    wayDeviations: points.map(({ ofDot, ofRest }) =>
      Math.hypot(...ofRest.map((one, i) => one[0]! - first!.ofRest[i]![0]!), root(ofDot, 0), root(first!.ofDot, 0)),
    ),
    speed: speed.map(({ time, speed: value, speedDeviation }, i) => ({
      time,
      speed: value,
      // A parabola rounds off where the pull ends: there a closer one tells another speed.
      deviation: Math.hypot(speedDeviation, ROUNDED_OFF * (value - close[i]!.speed), speedOff(i)),
    })),
  };
}

/** Where along the picture a place of a line is seen. */
const seenAlong = ([a, b, c]: LineFit, x: number): number => (a * x + b) / (c * x + 1);

/** The floor of a film, with what looks places up, by its marks or by others. */
function filmedFloor(film: FilmedFloor) {
  const marks = film.marks.map(({ floor, pixels }): Mark => ({ floor: [floor[0]!, floor[1] ?? 0], pixels: pixels as [number, number] }));
  const inLine = isInLine(film);
  const lookAt = (others: readonly Mark[]): { readonly look: Look } | null => (inLine ? lineLook(others) : lookOf(film, others));
  const whole = inLine ? null : lookOf(film, marks);
  const along = inLine ? lineLook(marks) : null;
  const base = whole ?? along;
  if (!base) return 'marks-in-line';
  if (whole && !whole.camera && film.height > 0) return 'camera-unknown';
  const seen: FloorSeen = {
    ...(whole && { homography: whole.homography }),
    ...(along && { line: along.line }),
    ...(whole?.focal && { focal: whole.focal }),
    ...(whole?.camera && { camera: whole.camera }),
    residuals: whole
      ? residualsOf(whole.homography, marks)
      : marks.map(({ floor: [x], pixels: [u] }) => Math.abs(seenAlong(along!.line, x) - u)),
  };
  return { base, lookAt, marks, seen };
}

/** How the floor is seen by its marks, or why that cannot be told. */
export function floorSeenIn(film: FilmedFloor): FloorSeen | FilmRefusal {
  const floor = filmedFloor(film);
  return typeof floor === 'string' ? floor : floor.seen;
}

/** Where something is seen that stands at a place of the floor, m, or at a height over it; along one line how far across the picture, and null for how high. */
export function seenAtPlace(
  { homography, line, camera }: FloorSeen,
  [x, y = 0]: readonly number[],
  height: number,
): readonly [number, number | null] {
  if (line) return [seenAlong(line, x!), null];
  // Along the ray of the camera onto the floor: the other way round than in placeAtHeight.
  const part = camera ? 1 / (1 - height / camera[2]) : 1;
  const [cx, cy] = camera ?? [0, 0];
  return mapped(homography!, [cx + (x! - cx) * part, cy + (y - cy) * part]);
}

/** Where something is seen that stands over a line along the run, y to its left: how far along, and how high. m. Source: similar triangles. */
export function placeOverLine({ homography, camera }: FloorSeen, pixels: Pixels, y: number): readonly [x: number, z: number] {
  const [cx, cy, cz] = camera!;
  const [px, py] = mapped(inverseOf(homography!), pixels);
  const part = (y - cy) / (py - cy);
  return [cx + part * (px - cx), cz * (1 - part)];
}

/** m of floor by which the scale of a picture is found. */
const STEP = 0.1;

/** Pixels that a metre along the run takes, where something is seen on the floor. */
export function pixelsPerMetre(floor: FloorSeen, pixels: Pixels): number {
  const [x, y] = floor.line ? [alongLine(floor.line, pixels[0]), 0] : mapped(inverseOf(floor.homography!), pixels);
  const [before, after] = [seenAtPlace(floor, [x, y], 0), seenAtPlace(floor, [x + STEP, y], 0)];
  return Math.hypot(after[0] - before[0], (after[1] ?? 0) - (before[1] ?? 0)) / STEP;
}

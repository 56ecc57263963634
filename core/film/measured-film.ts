import type { Film } from '../schema/generated/film.ts';
import { cameraOf, placeAtHeight, type Camera } from './camera.ts';
import { homographyOf, inverseOf, mapped, residualsOf, type FloorPlace, type Homography, type Mark, type Pixels } from './homography.ts';
import { alongLine, lineOf, type LineFit } from './line.ts';
import { smoothed } from './smoothing.ts';

/** Pixels that a click on a mark, and the middle of a dot that is followed, may be off, one standard deviation. Our estimates. */
const MARK_OFF = 0.5;
const DOT_OFF = 0.2;
/** m that the height of a dot may be off. Our estimate. */
const HEIGHT_OFF = 0.003;

/** Where the dot was on the floor, m, at a time, s, with standard deviations; along a line only how far. */
export interface FilmedPoint {
  readonly time: number;
  readonly place: readonly number[];
  readonly deviation: readonly number[];
}

/** What a film tells: how the floor is seen, and where the dot was. */
export interface MeasuredFilm {
  readonly homography?: Homography;
  readonly line?: LineFit;
  readonly focal?: number;
  readonly camera?: Camera['place'];
  /** Pixels that each mark is seen from where it should be. */
  readonly residuals: readonly number[];
  readonly points: readonly FilmedPoint[];
  /** m/s along the run. */
  readonly speed: readonly { readonly time: number; readonly speed: number; readonly deviation: number }[];
}

/** Why a film tells nothing. */
export type FilmRefusal = 'marks-in-line' | 'camera-unknown';

/** Looks up places from pixels; null where the marks do not tell it. */
type Look = (pixels: Pixels, height: number) => readonly number[];

const isInLine = ({ marks }: Film): boolean => marks.every(({ floor }) => floor.length === 1);

/** How marks that are seen where they are tell places on the floor. */
function lookOf(
  film: Film,
  marks: readonly Mark[],
): { readonly look: Look; readonly homography: Homography; readonly camera: Camera | null } | null {
  const homography = homographyOf(marks);
  if (!homography) return null;
  const camera = cameraOf(homography, film.picture as [number, number]);
  const back = inverseOf(homography);
  return {
    homography,
    camera,
    look: (pixels, height) => {
      const seen: FloorPlace = mapped(back, pixels);
      return camera && height > 0 ? placeAtHeight(camera, seen, height) : seen;
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
  const marks = film.marks.map(({ floor, pixels }): Mark => ({ floor: [floor[0]!, floor[1] ?? 0], pixels: pixels as [number, number] }));
  const inLine = isInLine(film);
  const lookAt = (seen: readonly Mark[]): { readonly look: Look } | null => (inLine ? lineLook(seen) : lookOf(film, seen));
  const whole = inLine ? null : lookOf(film, marks);
  const along = inLine ? lineLook(marks) : null;
  const base = whole ?? along;
  if (!base) return 'marks-in-line';
  if (whole && !whole.camera && film.height > 0) return 'camera-unknown';
  const others = nudged(marks).flatMap((seen) => lookAt(seen) ?? []);
  const points = film.points.map(({ time, pixels }): FilmedPoint & { readonly own: number } => {
    const at = pixels as unknown as Pixels;
    const place = base.look(at, film.height);
    const off = (other: readonly number[], by: number): readonly number[] => place.map((value, k) => (other[k]! - value) * by);
    const ofDot = [off(base.look([at[0] + 1, at[1]], film.height), DOT_OFF), off(base.look([at[0], at[1] + 1], film.height), DOT_OFF)];
    const ofRest = [
      ...others.map(({ look }) => off(look(at, film.height), MARK_OFF)),
      off(base.look(at, film.height + 1e-3), HEIGHT_OFF / 1e-3),
    ];
    const root = (list: readonly (readonly number[])[], k: number): number => Math.sqrt(list.reduce((sum, one) => sum + one[k]! ** 2, 0));
    return { time, place, deviation: place.map((_, k) => root([...ofDot, ...ofRest], k)), own: root(ofDot, 0) };
  });
  const speed = smoothed(points.map(({ time, place, own }) => ({ time, value: place[0]!, deviation: own })));
  return {
    ...(whole && { homography: whole.homography }),
    ...(along && { line: along.line }),
    ...(whole?.camera && { focal: whole.camera.focal, camera: whole.camera.place }),
    residuals: whole
      ? residualsOf(whole.homography, marks)
      : marks.map(({ floor: [x], pixels: [u] }) => Math.abs(seenAlong(along!.line, x) - u)),
    points: points.map(({ own: _, ...point }) => point),
    speed: speed.map(({ time, speed: value, speedDeviation }, i) => ({
      time,
      speed: value,
      deviation: Math.hypot(speedDeviation, scaleOff(points, i) * value),
    })),
  };
}

/** Where along the picture a place of a line is seen. */
const seenAlong = ([a, b, c]: LineFit, x: number): number => (a * x + b) / (c * x + 1);

/** As what fraction the scale along the run may be off: what is off of the place, over how far it is from the line. */
function scaleOff(points: readonly FilmedPoint[], i: number): number {
  const { place, deviation } = points[i]!;
  const far = Math.abs(place[0]! - points[0]!.place[0]!);
  return far > 0.5 ? deviation[0]! / far : deviation[0]! / 0.5;
}

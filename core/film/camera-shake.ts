import { determinant, Matrix, SingularValueDecomposition } from 'ml-matrix';
import { brightnessAt, windowAbout, type Frame, type PictureWindow } from './frame.ts';
import type { Pixels } from './homography.ts';

/** How the camera stands in a frame, against the first: the places of its picture in the first, and how far marks are off, pixels. */
export interface CameraStand {
  /** Where what is seen at a place would have been seen in the first frame. */
  readonly steadied: (pixels: Pixels) => Pixels;
  /** Pixels that marks have moved from the first frame, root of the mean square. */
  readonly moved: number;
  /** Pixels that a turn of the camera leaves of that. */
  readonly left: number;
  /** Marks that were found. */
  readonly found: number;
}

/** Watches marks that stand on the floor. */
export interface MarkWatch {
  /** What it wants to see, a window for each mark. */
  readonly windows: () => readonly PictureWindow[];
  /** Looks at these windows of a frame; null where less than two marks are found. */
  readonly see: (frames: readonly Frame[]) => CameraStand | null;
}

/** Pixels from the middle of a mark to the edge of what is compared, and beyond that how far it is looked for. */
const HALF = 9;
const REACH = 7;
const SIDE = 2 * HALF + 1;
const ABOUT = [-1, 0, 1].flatMap((j) => [-1, 0, 1].map((i) => [i, j] as const));
/** How alike a patch has to be, 1 at most, and how much it has to show: levels of 255 by which it varies. */
const ALIKE = 0.75;
const SHOWS = 4;
/** Standard deviation of where a patch is found, pixels: a turn below it is none. */
const FOUND_TO = 0.15;

interface Patch {
  readonly values: Float64Array;
  readonly mean: number;
  readonly norm: number;
}

/** The brightness of a square about a pixel; null where it is not all in the window. */
function patchAt(frame: Frame, x: number, y: number): Patch | null {
  const { left, top, width, height } = frame;
  if (x - HALF < left || y - HALF < top || x + HALF >= left + width || y + HALF >= top + height) return null;
  const values = new Float64Array(SIDE * SIDE);
  let sum = 0;
  for (let j = 0; j < SIDE; j++)
    for (let i = 0; i < SIDE; i++) sum += values[j * SIDE + i] = brightnessAt(frame, x - HALF + i, y - HALF + j);
  const mean = sum / values.length;
  return { values, mean, norm: Math.sqrt(values.reduce((square, value) => square + (value - mean) ** 2, 0)) };
}

/** Correlation of two patches, −1 to 1, whatever the light. */
function correlation(a: Patch, b: Patch): number {
  let sum = 0;
  for (let i = 0; i < a.values.length; i++) sum += (a.values[i]! - a.mean) * (b.values[i]! - b.mean);
  return a.norm * b.norm > 0 ? sum / (a.norm * b.norm) : 0;
}

/** Where between whole pixels the greatest of three values stands: the top of a parabola through them. */
const topOf = (before: number, at: number, after: number): number => {
  const bend = before - 2 * at + after;
  return bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
};

/** Where a patch is seen again near a pixel: uphill to the highest normalised cross-correlation. Source: Lewis, *Vision Interface* (1995). */
function foundAt(frame: Frame, patch: Patch, [x, y]: readonly [number, number]): Pixels | null {
  const scores = new Map<number, number>();
  const scoreAt = (i: number, j: number): number => {
    const key = 1000 * j + i;
    const known = scores.get(key);
    if (known !== undefined) return known;
    const other = patchAt(frame, x + i, y + j);
    const score = other ? correlation(patch, other) : -1;
    scores.set(key, score);
    return score;
  };
  let [i, j] = [0, 0];
  for (;;) {
    let [bestI, bestJ] = [i, j];
    for (const [di, dj] of ABOUT) if (scoreAt(i + di, j + dj) > scoreAt(bestI, bestJ)) [bestI, bestJ] = [i + di, j + dj];
    if (bestI === i && bestJ === j) break;
    [i, j] = [bestI, bestJ];
    if (Math.max(Math.abs(i), Math.abs(j)) > REACH) return null;
  }
  const score = scoreAt(i, j);
  if (score < ALIKE) return null;
  return [x + i + topOf(scoreAt(i - 1, j), score, scoreAt(i + 1, j)), y + j + topOf(scoreAt(i, j - 1), score, scoreAt(i, j + 1))];
}

type Ray = readonly [number, number, number];

/**
 * The turn of a camera by where standing marks are seen before and after: the rotation that takes the rays nearest to each other.
 * Source: Wahba's problem, by the singular value decomposition (Markley, J. Astronaut. Sci. 36, 1988).
 * @param rays pairs of unit vectors, before and after; two at least
 * @returns 3 × 3, from before to after
 */
function turnOf(rays: readonly (readonly [before: Ray, after: Ray])[]): Matrix {
  const sum = Matrix.zeros(3, 3);
  for (const [before, after] of rays) sum.add(Matrix.columnVector([...after]).mmul(Matrix.rowVector([...before])));
  const { leftSingularVectors: u, rightSingularVectors: v } = new SingularValueDecomposition(sum, { autoTranspose: true });
  const product = u.mmul(v.transpose());
  return u.mmul(Matrix.diag([1, 1, Math.sign(determinant(product))])).mmul(v.transpose());
}

/**
 * Watches marks that stand, to tell how the camera turned since the first frame: a phone on a chair that is knocked turns, and does not travel.
 * @param picture width and height, pixels
 * @param focal length, pixels; where it is not known about the picture's width
 * @param marks where they are seen in the first frame
 */
export function markWatch(picture: readonly [width: number, height: number], focal: number, marks: readonly Pixels[]): MarkWatch {
  const [cx, cy] = [picture[0] / 2, picture[1] / 2];
  const rayOf = ([u, v]: Pixels): Ray => {
    const length = Math.hypot(u - cx, v - cy, focal);
    return [(u - cx) / length, (v - cy) / length, focal / length];
  };
  const whole = marks.map(([u, v]) => [Math.round(u - 0.5), Math.round(v - 0.5)] as const);
  const places: (readonly [number, number])[] = [...whole];
  const patches: (Patch | null)[] = [];
  const see = (frames: readonly Frame[]): CameraStand | null => {
    if (patches.length === 0) frames.forEach((frame, i) => patches.push(patchAt(frame, ...whole[i]!)));
    const found = frames.flatMap((frame, i) => {
      const patch = patches[i];
      if (!patch || patch.norm < SHOWS * SIDE) return [];
      const at = foundAt(frame, patch, places[i]!);
      if (!at) return [];
      places[i] = [Math.round(at[0]), Math.round(at[1])];
      const first = marks[i]!;
      const now: Pixels = [first[0] + at[0] - whole[i]![0], first[1] + at[1] - whole[i]![1]];
      return [{ first, now }];
    });
    if (found.length < 2) return null;
    const rootMean = (offs: readonly number[]): number => Math.sqrt(offs.reduce((sum, off) => sum + off * off, 0) / offs.length);
    const apart = ([a, b]: Pixels, [c, d]: Pixels): number => Math.hypot(a - c, b - d);
    const moved = rootMean(found.map(({ first, now }) => apart(first, now)));
    if (moved < FOUND_TO) return { steadied: (pixels) => pixels, moved, left: moved, found: found.length };
    const back = turnOf(found.map(({ first, now }) => [rayOf(first), rayOf(now)] as const)).transpose();
    const steadied = (pixels: Pixels): Pixels => {
      const [x, y, z] = back.mmul(Matrix.columnVector([...rayOf(pixels)])).to1DArray() as [number, number, number];
      return [cx + (focal * x) / z, cy + (focal * y) / z];
    };
    return { steadied, moved, left: rootMean(found.map(({ first, now }) => apart(first, steadied(now)))), found: found.length };
  };
  return { windows: () => places.map(([x, y]) => windowAbout([x + 0.5, y + 0.5], HALF + REACH + 1, picture)), see };
}

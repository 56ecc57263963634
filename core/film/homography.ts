import { Matrix, SingularValueDecomposition, solve } from 'ml-matrix';

/** A place on the floor, m: x along the run, y to its left. */
export type FloorPlace = readonly [x: number, y: number];
/** A place in the picture, pixels from its upper left corner: u to the right, v down. */
export type Pixels = readonly [u: number, v: number];
/** A mark whose place is known, and where it is seen. */
export interface Mark {
  readonly floor: FloorPlace;
  readonly pixels: Pixels;
}

/** From floor to picture, or back: 3 × 3, row by row. */
export type Homography = readonly (readonly [number, number, number])[];

/** Similarity that moves places so that their middle is the origin and their mean distance from it √2. */
function normalised(places: readonly (readonly [number, number])[]): {
  readonly by: Matrix;
  readonly places: readonly (readonly [number, number])[];
} {
  const n = places.length;
  const [x, y] = [0, 1].map((k) => places.reduce((sum, place) => sum + place[k]!, 0) / n) as [number, number];
  const mean = places.reduce((sum, [u, v]) => sum + Math.hypot(u - x, v - y), 0) / n;
  const scale = Math.SQRT2 / mean;
  return {
    by: new Matrix([
      [scale, 0, -scale * x],
      [0, scale, -scale * y],
      [0, 0, 1],
    ]),
    places: places.map(([u, v]) => [scale * (u - x), scale * (v - y)] as const),
  };
}

const rowsOf = (matrix: Matrix): Homography => matrix.to2DArray() as unknown as Homography;

/**
 * The homography of a plane by four marks or more, at least squares with more; no three of four may lie in one line.
 * Source: the normalised direct linear transform; Hartley & Zisserman, *Multiple View Geometry*, §4.4.
 * @returns floor → picture, its last number 1; null where the marks do not tell it
 * @example homographyOf of a square that is seen as it lies is the identity
 */
export function homographyOf(marks: readonly Mark[]): Homography | null {
  if (marks.length < 4 || !areApart(marks)) return null;
  const floor = normalised(marks.map((mark) => mark.floor));
  const picture = normalised(marks.map(({ pixels }) => pixels));
  const rows = floor.places.flatMap(([x, y], i) => {
    const [u, v] = picture.places[i]!;
    return [
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
      [x, y, 1, 0, 0, 0, -u * x, -u * y, -u],
    ];
  });
  // Of four marks eight equations: a row of nothing makes the matrix square.
  const svd = new SingularValueDecomposition(new Matrix(rows.length < 9 ? [...rows, Array<number>(9).fill(0)] : rows), {
    autoTranspose: true,
  });
  const { rightSingularVectors: right, diagonal } = svd;
  const least = diagonal.indexOf(Math.min(...diagonal));
  const found = Matrix.from1DArray(3, 3, right.getColumn(least));
  const back = solve(picture.by, found.mmul(floor.by));
  const last = back.get(2, 2);
  return Math.abs(last) < 1e-12 ? null : rowsOf(back.div(last));
}

/** Least area, as a fraction of that which marks span, of a triangle of three of them. */
const FLAT = 1e-3;
/** Whether some four of the marks have no three in one line, on the floor and in the picture. */
function areApart(marks: readonly Mark[]): boolean {
  const isFlat = (places: readonly (readonly [number, number])[]): boolean => {
    const span = Math.max(...places.map(([x, y]) => Math.hypot(x - places[0]![0], y - places[0]![1])));
    // All within a line: their spread across it is nothing.
    const [mx, my] = [0, 1].map((k) => places.reduce((sum, place) => sum + place[k]!, 0) / places.length) as [number, number];
    const [xx, xy, yy] = places.reduce(([a, b, c], [x, y]) => [a + (x - mx) ** 2, b + (x - mx) * (y - my), c + (y - my) ** 2] as const, [
      0, 0, 0,
    ] as readonly [number, number, number]);
    const least = (xx + yy) / 2 - Math.hypot((xx - yy) / 2, xy);
    return span === 0 || Math.sqrt(Math.max(least, 0) / places.length) < FLAT * span;
  };
  return !isFlat(marks.map(({ floor }) => floor)) && !isFlat(marks.map(({ pixels }) => pixels));
}

/** Where a homography takes a place. */
export function mapped(homography: Homography, [x, y]: readonly [number, number]): readonly [number, number] {
  const [a, b, c] = homography.map(([p, q, r]) => p * x + q * y + r) as [number, number, number];
  return [a / c, b / c];
}

/** The homography back. */
export function inverseOf(homography: Homography): Homography {
  const [[a, b, c], [d, e, f], [g, h, i]] = homography as readonly [
    readonly [number, number, number],
    readonly [number, number, number],
    readonly [number, number, number],
  ];
  const determinant = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    [(e * i - f * h) / determinant, (c * h - b * i) / determinant, (b * f - c * e) / determinant],
    [(f * g - d * i) / determinant, (a * i - c * g) / determinant, (c * d - a * f) / determinant],
    [(d * h - e * g) / determinant, (b * g - a * h) / determinant, (a * e - b * d) / determinant],
  ];
}

/** How far each mark is seen from where the homography puts it, pixels. */
export const residualsOf = (homography: Homography, marks: readonly Mark[]): readonly number[] =>
  marks.map(({ floor, pixels: [u, v] }) => {
    const [x, y] = mapped(homography, floor);
    return Math.hypot(x - u, y - v);
  });

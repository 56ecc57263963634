import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { inverseOf, mapped, type FloorPlace, type Homography, type Pixels } from './homography.ts';

/** The camera that took a picture. */
export interface Camera {
  /** Focal length, pixels. */
  readonly focal: number;
  /** Where it stood, m: x along the run, y to its left, z up. */
  readonly place: readonly [x: number, y: number, z: number];
}

/** Of the picture's width: no phone has a longer lens; what seems to has looked straight down. */
const LONGEST = 20;

type Column = readonly [number, number, number];
const length = ([x, y, z]: Column): number => Math.hypot(x, y, z);
const cross = (a: Column, b: Column): Column => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/**
 * The camera by the homography of the floor: square pixels, principal point in the middle of the picture. The columns of K⁻¹H for x and y stand
 * at right angles and are as long as each other: two equations for f², at least squares. The nearest rotation to them turns the camera.
 * Source: Zhang, IEEE Trans. PAMI 22 (2000), for one plane, and its appendix C for the rotation.
 * @returns null where the picture is too square to tell: then distance and height of the camera have to be measured
 */
export function cameraOf(homography: Homography, [width, height]: readonly [width: number, height: number]): Camera | null {
  // From the middle of the picture.
  const columns = [0, 1, 2].map((k): Column => {
    const w = homography[2]![k]!;
    return [homography[0]![k]! - (width / 2) * w, homography[1]![k]! - (height / 2) * w, w];
  });
  const [h1, h2, h3] = columns as [Column, Column, Column];
  const equations = [
    [h1[0] * h2[0] + h1[1] * h2[1], h1[2] * h2[2]],
    [h1[0] ** 2 + h1[1] ** 2 - h2[0] ** 2 - h2[1] ** 2, h1[2] ** 2 - h2[2] ** 2],
  ] as const;
  const square = -equations.reduce((sum, [a, b]) => sum + a * b, 0) / equations.reduce((sum, [, b]) => sum + b * b, 0);
  const focal = Math.sqrt(square);
  if (!(focal < LONGEST * Math.max(width, height))) return null;
  const seen = ([x, y, z]: Column): Column => [x / focal, y / focal, z];
  const [k1, k2, k3] = [seen(h1), seen(h2), seen(h3)];
  const scale = 2 / (length(k1) + length(k2));
  const times = ([x, y, z]: Column): Column => [scale * x, scale * y, scale * z];
  const [r1, r2] = [times(k1), times(k2)];
  const turned = new SingularValueDecomposition(new Matrix([r1, r2, cross(r1, r2)].map((column) => [...column])).transpose());
  const rotation = turned.leftSingularVectors.mmul(turned.rightSingularVectors.transpose());
  const [x, y, z] = rotation
    .transpose()
    .mmul(Matrix.columnVector([...times(k3)]))
    .mul(-1)
    .to1DArray() as [number, number, number];
  // The plane may be seen from either side: the camera stands above the floor.
  return { focal, place: [x, y, Math.abs(z)] };
}

/**
 * Where something at a height stands on the floor, that is seen at a place of it: c + (p − c)(1 − h/c_z), c the camera’s foot.
 * Source: similar triangles.
 */
export function placeAtHeight({ place: [x, y, z] }: Pick<Camera, 'place'>, [u, v]: FloorPlace, height: number): FloorPlace {
  const part = 1 - height / z;
  return [x + (u - x) * part, y + (v - y) * part];
}

/** Where on the floor something stands that is seen in the picture, at a height over it, m. */
export const placeOf = (homography: Homography, camera: Pick<Camera, 'place'>, pixels: Pixels, height: number): FloorPlace =>
  placeAtHeight(camera, mapped(inverseOf(homography), pixels), height);

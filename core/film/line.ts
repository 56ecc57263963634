import { Matrix, solve } from 'ml-matrix';

/** Along a line of the floor a place x, m, is seen at u = (a x + b)/(c x + 1), pixels. */
export type LineFit = readonly [a: number, b: number, c: number];

/**
 * The fit of marks along one line: linear least squares of a x + b − c u x = u. Source: a homography of a line (Hartley & Zisserman, §2.5).
 * @param marks places, m, and where they are seen, pixels along the picture; three or more
 * @returns null where they do not tell it
 * @example lineOf([[0, 100], [1, 200], [2, 300]]) // [100, 100, 0]: it is seen from straight before it
 */
export function lineOf(marks: readonly (readonly [x: number, u: number])[]): LineFit | null {
  if (new Set(marks.map(([x]) => x)).size < 3) return null;
  const rows = new Matrix(marks.map(([x, u]) => [x, 1, -u * x]));
  const found = solve(rows, Matrix.columnVector(marks.map(([, u]) => u)), true).to1DArray();
  return found.every(Number.isFinite) ? (found as unknown as LineFit) : null;
}

/** m along the line of what is seen at u: x = (u − b)/(a − c u). */
export const alongLine = ([a, b, c]: LineFit, u: number): number => (u - b) / (a - c * u);

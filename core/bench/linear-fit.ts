import { Matrix, QrDecomposition } from 'ml-matrix';
import { makeEstimate, resolutionUncertainty, type Estimate } from './estimate.ts';

/** A fit that is linear in what is sought. */
export interface LinearFit {
  readonly estimates: readonly Estimate[];
  readonly residuals: readonly number[];
  /** Standard deviation of one reading, never below the instrument's own. */
  readonly scatter: number;
  /** Of a sum of the estimates, each this many times. */
  readonly sumOf: (factors: readonly number[]) => Estimate;
}

/**
 * Ordinary least squares of `y` on columns (each a list as long as `y`), by QR. Residual scatter is estimated from the data, never below the
 * `division` that y was read in; intervals by Student's t with n − p degrees of freedom.
 * @returns null for no more readings than columns
 * Source: any textbook of regression, e.g. Draper & Smith. Example: `linearFit([[1, 1, 1], [0, 1, 2]], [1, 3, 5], 0)` // 1 + 2 x
 */
export function linearFit(columns: readonly (readonly number[])[], y: readonly number[], division: number): LinearFit | null {
  const freedom = y.length - columns.length;
  if (freedom < 1) return null;
  const design = new Matrix(columns.map((column) => [...column])).transpose();
  const decomposed = new QrDecomposition(design);
  if (!decomposed.isFullRank()) return null;
  const found = decomposed.solve(Matrix.columnVector([...y])).to1DArray();
  const residuals = y.map((value, i) => value - columns.reduce((sum, column, k) => sum + column[i]! * found[k]!, 0));
  const squares = residuals.reduce((sum, residual) => sum + residual ** 2, 0);
  const scatter = Math.max(Math.sqrt(squares / freedom), resolutionUncertainty(division));
  // (XᵀX)⁻¹ = R⁻¹ R⁻ᵀ: a factor's variance is the length of R⁻ᵀ times it.
  const { upperTriangularMatrix: upper } = decomposed;
  const sumOf = (factors: readonly number[]): Estimate => {
    const forward = [...factors];
    for (let i = 0; i < forward.length; i++) {
      for (let j = 0; j < i; j++) forward[i]! -= upper.get(j, i) * forward[j]!;
      forward[i]! /= upper.get(i, i);
    }
    const length = Math.hypot(...forward);
    return makeEstimate(
      found.reduce((sum, value, k) => sum + factors[k]! * value, 0),
      scatter * length,
      freedom,
    );
  };
  return { estimates: found.map((_, k) => sumOf(found.map((__, j) => Number(j === k)))), residuals, scatter, sumOf };
}

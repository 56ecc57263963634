/** Least diagonal of a root: a matrix that is only just positive is taken as that. */
const LEAST = 1e-12;

/**
 * Lower triangular factor L of a symmetric positive definite matrix: L Lᵀ.
 * @param matrix n·n numbers, row by row; only the lower triangle is read
 * @returns n·n numbers, row by row
 * Source: Cholesky, in any text of linear algebra.
 * @example choleskyFactor(Float64Array.of(4, 0, 2, 5), 2) // 2, 0, 1, 2
 */
export function choleskyFactor(matrix: Float64Array, n: number): Float64Array {
  const root = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= root[i * n + k]! * root[j * n + k]!;
      root[i * n + j] = i === j ? Math.sqrt(Math.max(sum, LEAST)) : sum / root[j * n + j]!;
    }
  return root;
}

/** x of L x = b, by substitution. */
export function solveLower(root: Float64Array, b: ArrayLike<number>): Float64Array {
  const n = b.length;
  const x = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= root[i * n + k]! * x[k]!;
    x[i] = sum / root[i * n + i]!;
  }
  return x;
}

/** x of Lᵀ x = b, by substitution. */
export function solveLowerTransposed(root: Float64Array, b: ArrayLike<number>): Float64Array {
  const n = b.length;
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < n; k++) sum -= root[k * n + i]! * x[k]!;
    x[i] = sum / root[i * n + i]!;
  }
  return x;
}

/** ½ ln of the determinant of the matrix a root belongs to. */
export function halfLogDeterminant(root: Float64Array, n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += Math.log(root[i * n + i]!);
  return sum;
}

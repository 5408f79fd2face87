/**
 * Lower triangular factors of symmetric matrices, row by row in flat arrays. Plain functions of their arrays: V8 does not
 * lift captured variables out of such loops, and they are most of an estimate's time.
 * Source: any text on numerical linear algebra, Cholesky's factorisation.
 */

/** Turns the lower half of a positive definite matrix of `n` rows into its Cholesky factor, in place. */
export function factorise(matrix: Float64Array, n: number): void {
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      const [rowI, rowJ] = [i * n, j * n];
      let left = matrix[rowI + j]!;
      for (let k = 0; k < j; k += 1) left -= matrix[rowI + k]! * matrix[rowJ + k]!;
      matrix[rowI + j] = i === j ? Math.sqrt(left) : left / matrix[rowJ + j]!;
    }
}

/** Solves `L·x = b` in place. */
export function solveForward(factor: Float64Array, n: number, b: Float64Array): void {
  for (let i = 0; i < n; i += 1) {
    let left = b[i]!;
    for (let k = 0; k < i; k += 1) left -= factor[i * n + k]! * b[k]!;
    b[i] = left / factor[i * n + i]!;
  }
}

/** Solves `Lᵀ·x = b` in place. */
export function solveBackward(factor: Float64Array, n: number, b: Float64Array): void {
  for (let i = n - 1; i >= 0; i -= 1) {
    const value = b[i]! / factor[i * n + i]!;
    b[i] = value;
    for (let k = 0; k < i; k += 1) b[k]! -= factor[i * n + k]! * value;
  }
}

export function dotOf(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!;
  return sum;
}

/**
 * Lower triangular factors of symmetric matrices, row by row in flat arrays. Plain functions of their arrays: V8 does not
 * lift captured variables out of such loops, and they are most of an estimate's time.
 * Source: any text on numerical linear algebra, Cholesky's factorisation.
 */

/** Turns the lower half of a positive definite matrix of `n` rows into its Cholesky factor, in place. */
export function factorise(matrix: Float64Array, n: number): void {
  for (let column = 0; column < n; column += 1) {
    let row = column;
    finishRow(matrix, n, row, column);
    for (row += 1; row + 3 < n; row += 4) finishFourRows(matrix, n, row, column);
    for (; row < n; row += 1) finishRow(matrix, n, row, column);
  }
}

/** A column's figure in one row, once all columns before it are done. */
function finishRow(matrix: Float64Array, n: number, row: number, column: number): void {
  const [own, other] = [row * n, column * n];
  let left = matrix[own + column]!;
  for (let k = 0; k < column; k += 1) left -= matrix[own + k]! * matrix[other + k]!;
  matrix[own + column] = row === column ? Math.sqrt(left) : left / matrix[other + column]!;
}

/** The same for four rows below the diagonal: four sums side by side take half the time of one after the other. */
function finishFourRows(matrix: Float64Array, n: number, row: number, column: number): void {
  const other = column * n;
  const [a, b, c, d] = [row * n, (row + 1) * n, (row + 2) * n, (row + 3) * n];
  let leftA = matrix[a + column]!;
  let leftB = matrix[b + column]!;
  let leftC = matrix[c + column]!;
  let leftD = matrix[d + column]!;
  for (let k = 0; k < column; k += 1) {
    const shared = matrix[other + k]!;
    leftA -= matrix[a + k]! * shared;
    leftB -= matrix[b + k]! * shared;
    leftC -= matrix[c + k]! * shared;
    leftD -= matrix[d + k]! * shared;
  }
  const pivot = matrix[other + column]!;
  matrix[a + column] = leftA / pivot;
  matrix[b + column] = leftB / pivot;
  matrix[c + column] = leftC / pivot;
  matrix[d + column] = leftD / pivot;
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

/**
 * A symmetric positive matrix whose entries lie near the diagonal, kept row by row: row i holds the columns
 * i − width … i. Solved by LDLᵀ in place, each row only from its first entry on.
 */
export type Banded = {
  n: number;
  width: number;
  rows: Float64Array;
  /** first column of each row that may hold something, set by who knows the couplings */
  first: Int32Array;
  /** products of one row with the pivots, kept between calls */
  work: Float64Array;
};

/** An empty matrix of n rows with entries up to `width` columns off the diagonal. */
export function banded(n: number, width: number): Banded {
  return { n, width, rows: new Float64Array(n * (width + 1)), first: new Int32Array(n), work: new Float64Array(width + 1) };
}

/** Empties the matrix for the next sum. */
export function clear(matrix: Banded): void {
  matrix.rows.fill(0);
}

/**
 * Splits the matrix into L·D·Lᵀ in its own place.
 *
 * @returns false when a pivot is not positive: the matrix was not positive
 */
export function factor(matrix: Banded): boolean {
  const { n, width, rows, first, work } = matrix;
  const stride = width + 1;
  for (let i = 0; i < n; i++) {
    const from = first[i]!;
    const at = i * stride + width - i;
    let pivot = rows[at + i]!;
    for (let j = from; j < i; j++) {
      const other = j * stride + width - j;
      let k = Math.max(from, first[j]!);
      // Four sums side by side: each addition need not wait for the one before.
      let s0 = 0;
      let s1 = 0;
      let s2 = 0;
      let s3 = 0;
      let a = k - from;
      let b = other + k;
      for (; k + 3 < j; k += 4, a += 4, b += 4) {
        s0 += work[a]! * rows[b]!;
        s1 += work[a + 1]! * rows[b + 1]!;
        s2 += work[a + 2]! * rows[b + 2]!;
        s3 += work[a + 3]! * rows[b + 3]!;
      }
      for (; k < j; k++, a++, b++) s0 += work[a]! * rows[b]!;
      work[j - from] = rows[at + j]! - (s0 + s1) - (s2 + s3);
    }
    for (let j = from; j < i; j++) {
      const product = work[j - from]!;
      const l = product / rows[j * stride + width]!;
      rows[at + j] = l;
      pivot -= l * product;
    }
    if (!(pivot > 0)) return false;
    rows[at + i] = pivot;
  }
  return true;
}

/** Solves with a factored matrix, in the right side's own place. */
export function solve(matrix: Banded, right: Float64Array): void {
  const { n, width, rows, first } = matrix;
  const stride = width + 1;
  for (let i = 0; i < n; i++) {
    const at = i * stride + width - i;
    let sum = right[i]!;
    for (let j = first[i]!; j < i; j++) sum -= rows[at + j]! * right[j]!;
    right[i] = sum;
  }
  for (let i = 0; i < n; i++) right[i] = right[i]! / rows[i * stride + width]!;
  for (let i = n - 1; i >= 0; i--) {
    const at = i * stride + width - i;
    const x = right[i]!;
    for (let j = first[i]!; j < i; j++) right[j] = right[j]! - rows[at + j]! * x;
  }
}

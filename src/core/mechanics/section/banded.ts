/** So many pivots are taken together: each of the columns behind them is then read and written once for all of them. */
const TOGETHER = 4;

/**
 * A symmetric positive matrix whose entries lie near the diagonal, its lower half kept column by column: column j holds
 * the rows j … j + width, and a few zeros behind them, so that pivots taken together need not be told apart at the end
 * of the band. Solved by LDLᵀ in place.
 */
export type Banded = {
  n: number;
  width: number;
  /** entries from one column to the next */
  stride: number;
  columns: Float64Array;
  /** last row of each column that may hold something, set by who knows the couplings */
  last: Int32Array;
};

/** An empty matrix of n rows with entries up to `width` rows below the diagonal. */
export function banded(n: number, width: number): Banded {
  const stride = width + TOGETHER;
  return { n, width, stride, columns: new Float64Array((n + TOGETHER) * stride), last: new Int32Array(n) };
}

/** Empties the matrix for the next sum. */
export function clear({ columns }: Banded): void {
  columns.fill(0);
}

/**
 * Last row of each column that may hold something, splitting included.
 *
 * @param first the first column that each row is coupled to
 */
export function endsOf(first: Int32Array): Int32Array {
  const last = Int32Array.from(first, (_, row) => row);
  first.forEach((column, row) => {
    if (row > last[column]!) last[column] = row;
  });
  // What a column holds is carried on into those behind it.
  for (let j = 1; j < last.length; j++) if (last[j]! < last[j - 1]!) last[j] = last[j - 1]!;
  return last;
}

/** Where the entry of a row and a column at or before it is kept. */
export function entryAt({ stride }: Banded, row: number, column: number): number {
  return column * stride + row - column;
}

/** Takes what the columns `from` … `to` − 1 of a panel make of a later one of it. */
function withinPanel({ stride, columns, last }: Banded, from: number, value: number): void {
  const at = value * stride;
  for (let k = from; k < value; k++) {
    const pivot = k * stride;
    const l = columns[pivot + value - k]! / columns[pivot]!;
    if (l === 0) continue;
    const shift = pivot + value - k;
    const count = last[k]! - value;
    for (let r = 0; r <= count; r++) columns[at + r] = columns[at + r]! - l * columns[shift + r]!;
  }
}

/**
 * Splits the matrix into L·D·Lᵀ in its own place. Source: Golub and Van Loan, Matrix Computations, banded LDLᵀ in its
 * outer product form.
 *
 * @returns false when a pivot is not positive: the matrix was not positive
 */
export function factor(matrix: Banded): boolean {
  const { n, stride, columns, last } = matrix;
  for (let k = 0; k < n; k += TOGETHER) {
    const panel = Math.min(TOGETHER, n - k);
    let end = 0;
    for (let p = 0; p < panel; p++) {
      withinPanel(matrix, k, k + p);
      if (!(columns[(k + p) * stride]! > 0)) return false;
      end = Math.max(end, last[k + p]!);
    }
    if (panel === TOGETHER) {
      const [a, b, c, d] = [k * stride, (k + 1) * stride, (k + 2) * stride, (k + 3) * stride];
      const [da, db, dc, dd] = [1 / columns[a]!, 1 / columns[b]!, 1 / columns[c]!, 1 / columns[d]!];
      let i = k + TOGETHER;
      // Two columns side by side: what the panel holds is read once for both.
      for (; i < end; i += 2) {
        let va = a + i - k;
        let vb = b + i - k - 1;
        let vc = c + i - k - 2;
        let vd = d + i - k - 3;
        let at = i * stride;
        let next = at + stride;
        const to = at + end - i;
        const la = columns[va]! * da;
        const lb = columns[vb]! * db;
        const lc = columns[vc]! * dc;
        const ld = columns[vd]! * dd;
        columns[at] = columns[at]! - la * columns[va]! - lb * columns[vb]! - lc * columns[vc]! - ld * columns[vd]!;
        const ma = columns[++va]! * da;
        const mb = columns[++vb]! * db;
        const mc = columns[++vc]! * dc;
        const md = columns[++vd]! * dd;
        for (at++; at <= to; at++, next++, va++, vb++, vc++, vd++) {
          const pa = columns[va]!;
          const pb = columns[vb]!;
          const pc = columns[vc]!;
          const pd = columns[vd]!;
          columns[at] = columns[at]! - la * pa - lb * pb - lc * pc - ld * pd;
          columns[next] = columns[next]! - ma * pa - mb * pb - mc * pc - md * pd;
        }
      }
      if (i === end) {
        const [va, vb, vc, vd] = [a + i - k, b + i - k - 1, c + i - k - 2, d + i - k - 3];
        columns[i * stride]! -= columns[va]! ** 2 * da + columns[vb]! ** 2 * db + columns[vc]! ** 2 * dc + columns[vd]! ** 2 * dd;
      }
    }
    for (let p = 0; p < panel; p++) {
      const at = (k + p) * stride;
      const over = 1 / columns[at]!;
      const to = at + last[k + p]! - k - p;
      for (let r = at + 1; r <= to; r++) columns[r] = columns[r]! * over;
    }
  }
  return true;
}

/** Solves with a factored matrix, in the right side's own place. */
export function solve({ n, stride, columns, last }: Banded, right: Float64Array): void {
  for (let k = 0; k < n; k++) {
    const x = right[k]!;
    if (x === 0) continue;
    const shift = k * stride - k;
    for (let r = k + 1; r <= last[k]!; r++) right[r] = right[r]! - columns[shift + r]! * x;
  }
  for (let k = 0; k < n; k++) right[k] = right[k]! / columns[k * stride]!;
  for (let k = n - 1; k >= 0; k--) {
    const shift = k * stride - k;
    let sum = right[k]!;
    for (let r = k + 1; r <= last[k]!; r++) sum -= columns[shift + r]! * right[r]!;
    right[k] = sum;
  }
}

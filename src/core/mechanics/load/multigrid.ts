/**
 * One level of −Σ w·(h_neighbour − h) + κ·h = b on a square grid, row by row. Nodes that are not free keep their value;
 * a weight of 0 is no tie. `east[i]` ties node i with i + 1, `north[i]` with i + columns.
 */
export type Level = {
  columns: number;
  rows: number;
  free: Uint8Array;
  east: Float64Array;
  north: Float64Array;
  kappa: Float64Array;
  b: Float64Array;
  h: Float64Array;
  residual: Float64Array;
  /** one over the node's own coefficient, 0 where its value is kept; filled by `prepare` */
  inverse: Float64Array;
};

/** An empty level. */
export function levelOf(columns: number, rows: number, free: Uint8Array): Level {
  const n = columns * rows;
  const blank = (): Float64Array => new Float64Array(n);
  return {
    columns,
    rows,
    free,
    east: blank(),
    north: blank(),
    kappa: blank(),
    b: blank(),
    h: blank(),
    residual: blank(),
    inverse: blank(),
  };
}

/** The level and its coarser ones, each of every second node, down to a handful. */
export function hierarchy(fine: Level): Level[] {
  const levels = [fine];
  for (let level = fine; level.columns > 5 && level.rows > 5;) {
    const [n, m] = [(level.columns + 1) >> 1, (level.rows + 1) >> 1];
    level = levelOf(n, m, new Uint8Array(n * m));
    levels.push(level);
  }
  return levels;
}

/** A node's own value and its share of those around it. */
function gathered(values: Float64Array, columns: number, rows: number, x: number, y: number): number {
  const at = y * columns + x;
  if (x > 0 && y > 0 && x + 1 < columns && y + 1 < rows) {
    const [below, above] = [at - columns, at + columns];
    const sides = values[at - 1]! + values[at + 1]! + values[below]! + values[above]!;
    const corners = values[below - 1]! + values[below + 1]! + values[above - 1]! + values[above + 1]!;
    return values[at]! + sides / 2 + corners / 4;
  }
  let sum = 0;
  for (let dj = -1; dj <= 1; dj++)
    for (let di = -1; di <= 1; di++) {
      const [i, j] = [x + di, y + dj];
      if (i < 0 || j < 0 || i >= columns || j >= rows) continue;
      sum += values[j * columns + i]! * (di === 0 ? 1 : 0.5) * (dj === 0 ? 1 : 0.5);
    }
  return sum;
}

/** Readies a level whose weights and springs have changed for being swept. */
export function prepare({ columns: n, rows: m, free, east, north, kappa, inverse }: Level): void {
  for (let at = 0; at < n * m; at++) {
    if (!free[at]) {
      inverse[at] = 0;
      continue;
    }
    // The last node of a row and the last row have no tie onwards: what stands before the first of a row is 0 as well.
    const diagonal = east[at]! + (at > 0 ? east[at - 1]! : 0) + north[at]! + (at >= n ? north[at - n]! : 0) + kappa[at]!;
    inverse[at] = diagonal > 0 ? 1 / diagonal : 0;
  }
}

/** Carries weights and springs of a level to the next coarser one. */
export function coarsen(fine: Level, coarse: Level): void {
  const { columns: n, rows: m } = coarse;
  const { columns: N, rows: M } = fine;
  for (let j = 0; j < m; j++) {
    for (let i = 0; i < n; i++) {
      const at = j * n + i;
      const f = 2 * j * N + 2 * i;
      coarse.free[at] = fine.free[f]!;
      // Springs of the nodes around come together: 1 + 4·½ + 4·¼ shares.
      coarse.kappa[at] = gathered(fine.kappa, N, M, 2 * i, 2 * j);
      // Two ties in a row are half as strong, and two such rows lie side by side.
      coarse.east[at] = 2 * i + 2 < N ? (fine.east[f]! + fine.east[f + 1]!) / 2 : 0;
      coarse.north[at] = 2 * j + 2 < M ? (fine.north[f]! + fine.north[f + N]!) / 2 : 0;
    }
  }
}

/** What a node's neighbours and its load ask of it, at the border of the grid. */
function asked({ columns: n, east, north, b, h }: Level, at: number): number {
  let sum = b[at]!;
  if (at + 1 < h.length) sum += east[at]! * h[at + 1]!;
  if (at > 0) sum += east[at - 1]! * h[at - 1]!;
  if (at + n < h.length) sum += north[at]! * h[at + n]!;
  if (at >= n) sum += north[at - n]! * h[at - n]!;
  return sum;
}

/** One sweep over the nodes of one colour, then those of the other. */
export function redBlack(level: Level): void {
  const { columns: n, rows: m, east, north, b, h, inverse } = level;
  for (let colour = 0; colour < 2; colour++) {
    for (let j = 0; j < m; j++) {
      const from = j * n + ((j + colour) & 1);
      const to = (j + 1) * n;
      if (j === 0 || j === m - 1) {
        for (let at = from; at < to; at += 2) if (inverse[at]) h[at] = asked(level, at) * inverse[at]!;
        continue;
      }
      // Between the first row and the last every neighbour is there; where a row ends its tie is 0.
      for (let at = from; at < to; at += 2) {
        const value = inverse[at]!;
        if (value === 0) continue;
        const sum = b[at]! + east[at]! * h[at + 1]! + east[at - 1]! * h[at - 1]! + north[at]! * h[at + n]! + north[at - n]! * h[at - n]!;
        h[at] = sum * value;
      }
    }
  }
}

function residual(level: Level): void {
  const { columns: n, rows: m, east, north, b, h, residual: r, inverse } = level;
  for (let j = 0; j < m; j++) {
    const border = j === 0 || j === m - 1;
    for (let at = j * n; at < (j + 1) * n; at++) {
      const value = inverse[at]!;
      if (value === 0) r[at] = 0;
      else if (border) r[at] = asked(level, at) - h[at]! / value;
      else
        r[at] =
          b[at]! +
          east[at]! * h[at + 1]! +
          east[at - 1]! * h[at - 1]! +
          north[at]! * h[at + n]! +
          north[at - n]! * h[at - n]! -
          h[at]! / value;
    }
  }
}

/**
 * One V-cycle: smooth, correct from the coarser grid, smooth. Weights must have been carried down by `coarsen`, and every
 * level readied by `prepare`.
 *
 * @param levels from `hierarchy`
 * @param [from=0] the finest level to work on
 */
export function vCycle(levels: readonly Level[], from = 0): void {
  const level = levels[from]!;
  if (from === levels.length - 1) {
    for (let i = 0; i < 12; i++) redBlack(level);
    return;
  }
  redBlack(level);
  redBlack(level);
  residual(level);
  const coarse = levels[from + 1]!;
  const { columns: n, rows: m } = coarse;
  const { columns: N, rows: M, residual: r } = level;
  coarse.h.fill(0);
  for (let j = 0; j < m; j++) for (let i = 0; i < n; i++) coarse.b[j * n + i] = gathered(r, N, M, 2 * i, 2 * j);
  vCycle(levels, from + 1);
  prolong(coarse.h, n, m, level);
  redBlack(level);
  redBlack(level);
}

/** Spreads values of a coarser grid over a finer one, straight between nodes; onto free nodes only. */
function prolong(values: Float64Array, n: number, m: number, fine: Level): void {
  const { columns: N, rows: M, h, inverse } = fine;
  for (let y = 0; y < M; y++) {
    const low = (y >> 1) * n;
    const high = y & 1 ? Math.min((y >> 1) + 1, m - 1) * n : low;
    for (let x = 0; x < N; x++) {
      const at = y * N + x;
      if (inverse[at] === 0) continue;
      const i = x >> 1;
      const i1 = x & 1 ? Math.min(i + 1, n - 1) : i;
      h[at] = h[at]! + (values[low + i]! + values[low + i1]! + values[high + i]! + values[high + i1]!) / 4;
    }
  }
}

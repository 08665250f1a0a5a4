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
};

/** An empty level. */
export function levelOf(columns: number, rows: number, free: Uint8Array): Level {
  const n = columns * rows;
  const blank = (): Float64Array => new Float64Array(n);
  return { columns, rows, free, east: blank(), north: blank(), kappa: blank(), b: blank(), h: blank(), residual: blank() };
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
      let kappa = 0;
      for (let dj = -1; dj <= 1; dj++)
        for (let di = -1; di <= 1; di++) {
          const [x, y] = [2 * i + di, 2 * j + dj];
          if (x < 0 || y < 0 || x >= N || y >= M) continue;
          kappa += fine.kappa[y * N + x]! * (di === 0 ? 1 : 0.5) * (dj === 0 ? 1 : 0.5);
        }
      coarse.kappa[at] = kappa;
      // Two ties in a row are half as strong, and two such rows lie side by side.
      coarse.east[at] = 2 * i + 2 < N ? (fine.east[f]! + fine.east[f + 1]!) / 2 : 0;
      coarse.north[at] = 2 * j + 2 < M ? (fine.north[f]! + fine.north[f + N]!) / 2 : 0;
    }
  }
}

/** One sweep over the nodes of one colour, then those of the other. */
export function redBlack(level: Level): void {
  const { columns: n, rows: m, free, east, north, kappa, b, h } = level;
  for (let colour = 0; colour < 2; colour++) {
    for (let j = 0; j < m; j++) {
      for (let i = (j + colour) & 1; i < n; i += 2) {
        const at = j * n + i;
        if (!free[at]) continue;
        const e = i + 1 < n ? east[at]! : 0;
        const w = i > 0 ? east[at - 1]! : 0;
        const u = j + 1 < m ? north[at]! : 0;
        const d = j > 0 ? north[at - n]! : 0;
        const sum = b[at]! + (e ? e * h[at + 1]! : 0) + (w ? w * h[at - 1]! : 0) + (u ? u * h[at + n]! : 0) + (d ? d * h[at - n]! : 0);
        const diagonal = e + w + u + d + kappa[at]!;
        if (diagonal > 0) h[at] = sum / diagonal;
      }
    }
  }
}

function residual(level: Level): void {
  const { columns: n, rows: m, free, east, north, kappa, b, h, residual: r } = level;
  for (let j = 0; j < m; j++) {
    for (let i = 0; i < n; i++) {
      const at = j * n + i;
      if (!free[at]) {
        r[at] = 0;
        continue;
      }
      const here = h[at]!;
      let sum = b[at]! - kappa[at]! * here;
      if (i + 1 < n && east[at]) sum += east[at]! * (h[at + 1]! - here);
      if (i > 0 && east[at - 1]) sum += east[at - 1]! * (h[at - 1]! - here);
      if (j + 1 < m && north[at]) sum += north[at]! * (h[at + n]! - here);
      if (j > 0 && north[at - n]) sum += north[at - n]! * (h[at - n]! - here);
      r[at] = sum;
    }
  }
}

/**
 * One V-cycle: smooth, correct from the coarser grid, smooth. Weights must have been carried down by `coarsen`.
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
  for (let j = 0; j < m; j++) {
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let dj = -1; dj <= 1; dj++)
        for (let di = -1; di <= 1; di++) {
          const [x, y] = [2 * i + di, 2 * j + dj];
          if (x < 0 || y < 0 || x >= N || y >= M) continue;
          sum += r[y * N + x]! * (di === 0 ? 1 : 0.5) * (dj === 0 ? 1 : 0.5);
        }
      coarse.b[j * n + i] = sum;
    }
  }
  vCycle(levels, from + 1);
  prolong(coarse.h, n, m, level, true);
  redBlack(level);
  redBlack(level);
}

/** Spreads values of a coarser grid over a finer one, straight between nodes; onto free nodes only. */
export function prolong(values: Float64Array, n: number, m: number, fine: Level, add: boolean): void {
  const { columns: N, rows: M, free, h } = fine;
  for (let y = 0; y < M; y++) {
    for (let x = 0; x < N; x++) {
      const at = y * N + x;
      if (!free[at]) continue;
      const [i, j] = [x >> 1, y >> 1];
      const i1 = x & 1 ? Math.min(i + 1, n - 1) : i;
      const j1 = y & 1 ? Math.min(j + 1, m - 1) : j;
      const value = (values[j * n + i]! + values[j * n + i1]! + values[j1 * n + i]! + values[j1 * n + i1]!) / 4;
      h[at] = add ? h[at]! + value : value;
    }
  }
}

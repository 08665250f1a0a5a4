import type { Point } from '../outline';

/** Heights on a square grid, row by row from the front left; NaN off the piece. */
export type HeightGrid = { x0: number; y0: number; step: number; columns: number; rows: number; heights: Float64Array };

/**
 * Height of a grid at a place, straight between its nodes; beyond its edge that of its nearest place.
 *
 * @param grid heights
 * @param at a place in the plan
 * @param [patched=false] whether a missing node is left out of the mean instead of making the height unknown
 * @returns NaN where it is unknown
 */
export function readGrid({ x0, y0, step, columns, rows, heights }: HeightGrid, [x, y]: Point, patched = false): number {
  const u = Math.min(columns - 1 - 1e-9, Math.max(0, (x - x0) / step));
  const v = Math.min(rows - 1 - 1e-9, Math.max(0, (y - y0) / step));
  const [i, j] = [Math.floor(u), Math.floor(v)];
  const [s, t] = [u - i, v - j];
  let sum = 0;
  let weight = 0;
  for (let corner = 0; corner < 4; corner++) {
    const [right, far] = [corner & 1, corner >> 1];
    const w = (right ? s : 1 - s) * (far ? t : 1 - t);
    if (w <= 0) continue;
    const z = heights[(j + far) * columns + i + right]!;
    if (Number.isNaN(z)) {
      if (!patched) return NaN;
      continue;
    }
    sum += w * z;
    weight += w;
  }
  return weight > 0 ? sum / weight : NaN;
}

import type { Point, Polygon } from '../outline';
import type { Columns } from '../press';

/** Heights on a square grid, row by row from the front left; NaN off the piece. */
export type HeightGrid = { x0: number; y0: number; step: number; columns: number; rows: number; heights: Float64Array };

/** The covered piece over its whole plan, with everything a load on it needs to know. */
export type CoveredSurface = {
  grid: HeightGrid;
  /** outline of the padding */
  polygon: Polygon;
  /** 1 where there is padding */
  there: Uint8Array;
  /** 1 where the height was found over the plan; elsewhere it is from the sections */
  inner: Uint8Array;
  /** height without a cover, wadding smoothed on, and the board's top face */
  rest: Float64Array;
  base: Float64Array;
  columns: Columns;
  /** index of the layers that are padding proper: not wadding, not hollows */
  foams: number[];
  converged: boolean;
};

/** Height of a grid at a place, straight between its nodes; NaN where a node is missing. */
export function readGrid({ x0, y0, step, columns, rows, heights }: HeightGrid, [x, y]: Point): number {
  const u = Math.min(columns - 1 - 1e-9, Math.max(0, (x - x0) / step));
  const v = Math.min(rows - 1 - 1e-9, Math.max(0, (y - y0) / step));
  const [i, j] = [Math.floor(u), Math.floor(v)];
  const at = j * columns + i;
  const [s, t] = [u - i, v - j];
  const low = s > 0 ? heights[at]! * (1 - s) + heights[at + 1]! * s : heights[at]!;
  if (t <= 0) return low;
  const high = s > 0 ? heights[at + columns]! * (1 - s) + heights[at + columns + 1]! * s : heights[at + columns]!;
  return low * (1 - t) + high * t;
}

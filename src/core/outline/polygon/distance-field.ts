import { lineCrossings } from './polygon-queries';
import type { Polygon } from '../types';

/** Places of a square grid: node (i, j) lies at x0 + i·step, y0 + j·step. */
export type GridPlaces = { x0: number; y0: number; step: number; columns: number; rows: number };

/**
 * Which nodes of a grid lie inside a polygon, and how far each lies from its line.
 *
 * @param polygon closed
 * @param places the grid
 * @param band nodes farther than this from the line say `band`, mm
 * @returns inside: 1 or 0 for each node; away: mm
 */
export function distanceField(polygon: Polygon, places: GridPlaces, band: number): { inside: Uint8Array; away: Float64Array } {
  const { x0, y0, step, columns, rows } = places;
  const inside = new Uint8Array(columns * rows);
  const square = new Float64Array(columns * rows).fill(band * band);
  for (let j = 0; j < rows; j++) {
    const crossings = lineCrossings(polygon, [x0, y0 + j * step], [1, 0]);
    for (let c = 0; c + 1 < crossings.length; c += 2) {
      const first = Math.max(0, Math.ceil(crossings[c]! / step - 1e-9));
      const last = Math.min(columns - 1, Math.floor(crossings[c + 1]! / step + 1e-9));
      for (let i = first; i <= last; i++) inside[j * columns + i] = 1;
    }
  }
  const n = polygon.length;
  for (let e = 0; e < n; e++) {
    const [ax, ay] = polygon[e]!;
    const [bx, by] = polygon[(e + 1) % n]!;
    const dx = bx - ax;
    const dy = by - ay;
    const l2 = dx * dx + dy * dy || 1;
    const i0 = Math.max(0, Math.ceil((Math.min(ax, bx) - band - x0) / step));
    const i1 = Math.min(columns - 1, Math.floor((Math.max(ax, bx) + band - x0) / step));
    const j0 = Math.max(0, Math.ceil((Math.min(ay, by) - band - y0) / step));
    const j1 = Math.min(rows - 1, Math.floor((Math.max(ay, by) + band - y0) / step));
    for (let j = j0; j <= j1; j++) {
      const py = y0 + j * step - ay;
      for (let i = i0; i <= i1; i++) {
        const px = x0 + i * step - ax;
        const t = Math.max(0, Math.min(1, (px * dx + py * dy) / l2));
        const ox = px - t * dx;
        const oy = py - t * dy;
        const d = ox * ox + oy * oy;
        if (d < square[j * columns + i]!) square[j * columns + i] = d;
      }
    }
  }
  return { inside, away: square.map(Math.sqrt) };
}

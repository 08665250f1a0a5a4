import type { Point, Polygon } from '../../outline';
import type { Half } from '../section/section';
import { heightAt } from '../section/section';

/** Heights of the cover near the rim, read off the sections of all stations: by place round the board and by depth. */
export type EdgeHeights = (at: Point, depth: number) => number;

const DEPTHS = 14;

/** So many sides of a polygon share one box, which is looked at before they are. */
const BOXED = 12;

/** Length along a closed polygon to the place on it nearest a point, mm; asked for places beside each other, soon found. */
function lengthAlong(polygon: Polygon, lengths: Float64Array): (at: Point) => number {
  const n = polygon.length;
  const boxes = Array.from({ length: Math.ceil(n / BOXED) }, (_, k) => {
    const corners = Array.from({ length: Math.min(BOXED, n - k * BOXED) + 1 }, (_, i) => polygon[(k * BOXED + i) % n]!);
    const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
    return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
  });
  let nearest = 0;
  return ([x, y]) => {
    // The side that was nearest to the last place bounds what is worth looking at.
    const [seedX, seedY] = polygon[nearest]!;
    let best = ((seedX - x) ** 2 + (seedY - y) ** 2) * (1 + 1e-9) + 1e-9;
    let s = 0;
    boxes.forEach(({ minX, maxX, minY, maxY }, k) => {
      const outX = Math.max(0, minX - x, x - maxX);
      const outY = Math.max(0, minY - y, y - maxY);
      if (outX * outX + outY * outY > best) return;
      for (let i = k * BOXED; i < Math.min(n, (k + 1) * BOXED); i++) {
        const [ax, ay] = polygon[i]!;
        const [bx, by] = polygon[(i + 1) % n]!;
        const dx = bx - ax;
        const dy = by - ay;
        const l2 = dx * dx + dy * dy;
        const t = l2 > 0 ? Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / l2)) : 0;
        const ox = ax + t * dx - x;
        const oy = ay + t * dy - y;
        const d = ox * ox + oy * oy;
        if (d < best) {
          best = d;
          s = lengths[i]! + t * Math.sqrt(l2);
          nearest = i;
        }
      }
    });
    return s;
  };
}

/**
 * Joins the sections of the stations to one edge all round: between two stations, heights go over from the one to
 * the other evenly.
 *
 * @param board outline of the board
 * @param sections each station's place on it, and its half section
 * @param zone how far in from the rim it is asked, mm
 */
export function edgeHeights(board: Polygon, sections: readonly { point: Point; half: Half }[], zone: number): EdgeHeights {
  const lengths = new Float64Array(board.length + 1);
  for (let i = 0; i < board.length; i++) {
    const [a, b] = [board[i]!, board[(i + 1) % board.length]!];
    lengths[i + 1] = lengths[i]! + Math.hypot(b[0] - a[0], b[1] - a[1]);
  }
  const round = lengths[board.length]!;
  const along = lengthAlong(board, lengths);
  const stations = sections
    .map(({ point, half }) => {
      const rim = half.stack.layers.reduce((most, layer) => Math.max(most, half.stack.x[layer.to]!), 0) || half.stack.edge.x;
      const heights = Float64Array.from({ length: DEPTHS + 1 }, (_, k) => {
        const u = Math.max(0, rim - (zone * k) / DEPTHS);
        return heightAt(half.cover, Math.min(u, half.cover.reduce((most, p) => Math.max(most, p[0]), 0) - 1e-6)) ?? half.cover[0]![1];
      });
      return { s: along(point), heights };
    })
    .sort((a, b) => a.s - b.s);
  const read = (heights: Float64Array, depth: number): number => {
    const k = Math.min(DEPTHS - 1e-9, (Math.max(0, depth) / zone) * DEPTHS);
    const i = Math.floor(k);
    return heights[i]! + (heights[i + 1]! - heights[i]!) * (k - i);
  };
  return (at, depth) => {
    const s = along(at);
    let i = 0;
    while (i < stations.length && stations[i]!.s <= s) i++;
    const before = stations[(i + stations.length - 1) % stations.length]!;
    const after = stations[i % stations.length]!;
    const gap = (after.s - before.s + round) % round || round;
    const t = Math.min(1, ((s - before.s + round) % round) / gap);
    return read(before.heights, depth) * (1 - t) + read(after.heights, depth) * t;
  };
}

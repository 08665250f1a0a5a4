import type { Point, Polygon } from '../../outline';
import type { Half } from '../section/section';
import { heightAt } from '../section/section';

/** Heights of the cover near the rim, read off the sections of all stations: by place round the board and by depth. */
export type EdgeHeights = (at: Point, depth: number) => number;

const DEPTHS = 14;

/** Length along a closed polygon to the place on it nearest a point, mm. */
function along(polygon: Polygon, lengths: Float64Array, [x, y]: Point): number {
  let best = Infinity;
  let s = 0;
  const n = polygon.length;
  for (let i = 0; i < n; i++) {
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
    }
  }
  return s;
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
  const stations = sections
    .map(({ point, half }) => {
      const rim = half.stack.layers.reduce((most, layer) => Math.max(most, half.stack.x[layer.to]!), 0) || half.stack.edge.x;
      const heights = Float64Array.from({ length: DEPTHS + 1 }, (_, k) => {
        const u = Math.max(0, rim - (zone * k) / DEPTHS);
        return heightAt(half.cover, Math.min(u, half.cover.reduce((most, p) => Math.max(most, p[0]), 0) - 1e-6)) ?? half.cover[0]![1];
      });
      return { s: along(board, lengths, point), heights };
    })
    .sort((a, b) => a.s - b.s);
  const read = (heights: Float64Array, depth: number): number => {
    const k = Math.min(DEPTHS - 1e-9, (Math.max(0, depth) / zone) * DEPTHS);
    const i = Math.floor(k);
    return heights[i]! + (heights[i + 1]! - heights[i]!) * (k - i);
  };
  return (at, depth) => {
    const s = along(board, lengths, at);
    let i = 0;
    while (i < stations.length && stations[i]!.s <= s) i++;
    const before = stations[(i + stations.length - 1) % stations.length]!;
    const after = stations[i % stations.length]!;
    const gap = (after.s - before.s + round) % round || round;
    const t = Math.min(1, ((s - before.s + round) % round) / gap);
    return read(before.heights, depth) * (1 - t) + read(after.heights, depth) * t;
  };
}

import fitCurve from 'fit-curve';
import type { OutlineNode } from './nodes';
import type { Point, Polygon } from '../types';

/** A polyline that turns by more than this at one point has a corner there, radians. */
const CORNER = 0.35;

function turnAt(a: Point, b: Point, c: Point): number {
  const turn = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]);
  return Math.atan2(Math.sin(turn), Math.cos(turn));
}

function farthest(points: readonly Point[]): number {
  const [a, b] = [points[0]!, points.at(-1)!];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  return Math.max(0, ...points.map(([x, y]) => Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / length));
}

/**
 * Makes a free outline with few nodes out of a polyline with many: straight where it is straight, Bézier curves
 * (Schneider's least-squares fit) where it bends, corners kept.
 *
 * @param polygon closed polyline, mm
 * @param [tolerance=0.1] how far the outline may stand off the polyline, mm
 */
export function fitNodes(polygon: Polygon, tolerance = 0.1): OutlineNode[] {
  const n = polygon.length;
  const corners = polygon.flatMap((b, i) => (Math.abs(turnAt(polygon[(i + n - 1) % n]!, b, polygon[(i + 1) % n]!)) > CORNER ? [i] : []));
  // A ring without corners is cut at its two ends across: the fit needs somewhere to begin.
  const starts =
    corners.length >= 2 ? corners : [...new Set([...corners, extreme(polygon, 1), extreme(polygon, -1)])].sort((a, b) => a - b);
  return starts.flatMap((from, k): OutlineNode[] => {
    const to = starts[(k + 1) % starts.length]!;
    const count = ((to - from + n) % n || n) + 1;
    const run = Array.from({ length: count }, (_, i) => polygon[(from + i) % n]!);
    if (farthest(run) <= tolerance) return [{ x: run[0]![0], y: run[0]![1], radius: 0, to: { kind: 'line' } }];
    const curves = fitCurve(
      run.map(([x, y]) => [x, y]),
      tolerance * tolerance,
    ) as [number, number][][];
    return curves.map(([a, c1, c2]) => ({ x: a![0], y: a![1], radius: 0, to: { kind: 'curve', c1: c1!, c2: c2! } }));
  });
}

function extreme(polygon: Polygon, way: 1 | -1): number {
  let best = 0;
  polygon.forEach((p, i) => {
    if (p[1] * way < polygon[best]![1] * way) best = i;
  });
  return best;
}

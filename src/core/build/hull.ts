import type { Point } from '../outline';

function cross(o: Point, a: Point, b: Point): number {
  return (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
}

/**
 * The upper taut string over a set of points from the leftmost to the rightmost: what is left after dropping
 * every point that lies below a line between two others (monotone chain).
 *
 * @param points sorted by x, then z
 */
export function upperHull(points: readonly Point[]): Point[] {
  const hull: Point[] = [];
  for (const p of points) {
    while (hull.length >= 2 && cross(hull[hull.length - 2]!, hull[hull.length - 1]!, p) >= 0) hull.pop();
    hull.push(p);
  }
  return hull;
}

import type { Point, Polygon } from '../types';

/**
 * What is kept of a closed line between two places along an axis (Sutherland and Hodgman).
 *
 * @param polygon closed
 * @param axis 0 across, 1 front to back
 * @param from the lower place, mm; −∞ for no limit
 * @param to the upper one
 */
export function between(polygon: Polygon, axis: 0 | 1, from: number, to: number): Polygon {
  const half = (points: Polygon, limit: number, sign: 1 | -1): Polygon =>
    points.flatMap((a, i): Point[] => {
      const b = points[(i + 1) % points.length]!;
      const [da, db] = [sign * (a[axis] - limit), sign * (b[axis] - limit)];
      const t = da / (da - db || 1);
      const cross: Point = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
      if (da <= 0) return db <= 0 ? [a] : [a, cross];
      return db <= 0 ? [cross] : [];
    });
  return half(half(polygon, to, 1), from, -1);
}

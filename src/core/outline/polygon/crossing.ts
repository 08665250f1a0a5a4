import type { Point, Polygon } from '../types';

function side(a: Point, b: Point, p: Point): number {
  return (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]);
}

/**
 * Where a closed polyline crosses itself first, or null. Neighbouring sides are swept in order of their left ends, so
 * that only sides which overlap in x are compared.
 *
 * @param polygon closed polyline
 */
export function crossesItself(polygon: Polygon): Point | null {
  const n = polygon.length;
  const sides = polygon.map((a, i) => {
    const b = polygon[(i + 1) % n]!;
    return { i, a, b, low: Math.min(a[0], b[0]), high: Math.max(a[0], b[0]), bottom: Math.min(a[1], b[1]), top: Math.max(a[1], b[1]) };
  });
  sides.sort((p, q) => p.low - q.low);
  for (let k = 0; k < n; k++) {
    const p = sides[k]!;
    for (let m = k + 1; m < n && sides[m]!.low <= p.high; m++) {
      const q = sides[m]!;
      if (q.bottom > p.top || q.top < p.bottom) continue;
      const gap = Math.abs(p.i - q.i);
      if (gap <= 1 || gap === n - 1) continue;
      const [d1, d2] = [side(p.a, p.b, q.a), side(p.a, p.b, q.b)];
      const [d3, d4] = [side(q.a, q.b, p.a), side(q.a, q.b, p.b)];
      if (d1 > 0 === d2 > 0 || d3 > 0 === d4 > 0 || d1 === d2) continue;
      const t = d1 / (d1 - d2);
      return [q.a[0] + (q.b[0] - q.a[0]) * t, q.a[1] + (q.b[1] - q.a[1]) * t];
    }
  }
  return null;
}

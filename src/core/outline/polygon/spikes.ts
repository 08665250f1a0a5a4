import type { Point, Polygon } from '../types';

/** A line turns back on itself where it bends by more than this (cosine of 165°). */
const BACK = -0.966;

/**
 * An outline without places where it runs out and straight back: slivers that sides which hardly cross leave behind.
 *
 * @param outline a closed outline, mm
 */
export function withoutSpikes(outline: Polygon): Polygon {
  const turnsBack = (a: Point, b: Point, c: Point): boolean => {
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
    const size = Math.hypot(ux, uy) * Math.hypot(vx, vy);
    return size === 0 || (ux * vx + uy * vy) / size < BACK;
  };
  let points = [...outline];
  for (let before = Infinity; points.length < before && points.length > 3;) {
    before = points.length;
    points = points.filter((point, i) => !turnsBack(points[(i + before - 1) % before]!, point, points[(i + 1) % before]!));
  }
  return points;
}

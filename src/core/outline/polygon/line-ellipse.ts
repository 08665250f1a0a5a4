import type { Point } from '../types';

/**
 * Where a line from one place through another crosses an ellipse, as shares of the way between them, ahead only.
 *
 * @param ellipse its middle, and how wide and how long it is
 * @param from where the line begins
 * @param through a place on it
 */
export function lineEllipse(ellipse: { x: number; y: number; width: number; length: number }, from: Point, through: Point): number[] {
  const scaled = (p: Point): Point => [(2 * (p[0] - ellipse.x)) / ellipse.width, (2 * (p[1] - ellipse.y)) / ellipse.length];
  const [p, q] = [scaled(from), scaled(through)];
  const d: Point = [q[0] - p[0], q[1] - p[1]];
  const A = d[0] * d[0] + d[1] * d[1];
  const B = p[0] * d[0] + p[1] * d[1];
  const C = p[0] * p[0] + p[1] * p[1] - 1;
  const root = B * B - A * C;
  if (root <= 0) return [];
  return [(-B - Math.sqrt(root)) / A, (-B + Math.sqrt(root)) / A].filter((u) => u > 0);
}

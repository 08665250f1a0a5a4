import { flatten } from './flatten';
import { pointAt, segmentLength } from './segment';
import type { Outline, Point, Polygon } from '../types';

/** Length once round an outline, mm; exact for lines and arcs, to 0.001 mm for curves. */
export function perimeter(outline: Outline): number {
  return outline.segments.reduce((sum, segment) => sum + segmentLength(segment), 0);
}

/**
 * Area inside an outline, mm²: the shoelace sum over the ends of its segments plus, exactly, the circular segment
 * r²(θ − sin θ)/2 of each arc and the area between each Bézier curve and its chord.
 */
export function outlineArea(outline: Outline): number {
  let area = 0;
  for (const segment of outline.segments) {
    const a = pointAt(segment, 0);
    const b = pointAt(segment, 1);
    area += (a[0] * b[1] - b[0] * a[1]) / 2;
    if (segment.kind === 'arc') area += (segment.radius ** 2 * (segment.sweep - Math.sin(segment.sweep))) / 2;
    if (segment.kind === 'curve') {
      const from = segment.from;
      const rel = ([x, y]: Point): Point => [x - from[0], y - from[1]];
      const cross = (p: Point, q: Point): number => p[0] * q[1] - p[1] * q[0];
      const [p1, p2, p3] = [rel(segment.c1), rel(segment.c2), rel(segment.to)];
      // With P₀ at nothing, ∮(x dy − y dx)/2 of the curve is (3·P₁×P₂ + 3·P₁×P₃ + 6·P₂×P₃)/20; its chord adds none.
      area += (3 * cross(p1, p2) + 3 * cross(p1, p3) + 6 * cross(p2, p3)) / 20;
    }
  }
  return area;
}

/** Area of a closed polyline, mm²; positive when counter-clockwise. */
export function polygonArea(polygon: Polygon): number {
  let area = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [x0, y0] = polygon[i]!;
    const [x1, y1] = polygon[(i + 1) % polygon.length]!;
    area += x0 * y1 - x1 * y0;
  }
  return area / 2;
}

/** Centroid of a closed polyline. */
export function polygonCentroid(polygon: Polygon): Point {
  let x = 0;
  let y = 0;
  let area = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [x0, y0] = polygon[i]!;
    const [x1, y1] = polygon[(i + 1) % polygon.length]!;
    const cross = x0 * y1 - x1 * y0;
    area += cross / 2;
    x += (x0 + x1) * cross;
    y += (y0 + y1) * cross;
  }
  return [x / (6 * area), y / (6 * area)];
}

/** Length once round a closed polyline, mm. */
export function polygonPerimeter(polygon: Polygon): number {
  return polygon.reduce((sum, p, i) => {
    const q = polygon[(i + 1) % polygon.length]!;
    return sum + Math.hypot(q[0] - p[0], q[1] - p[1]);
  }, 0);
}

/** The smallest upright rectangle round a polyline. */
export function bounds(polygon: Polygon): { minX: number; minY: number; maxX: number; maxY: number; width: number; height: number } {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y] of polygon) {
    minX = Math.min(minX, x);
    minY = Math.min(minY, y);
    maxX = Math.max(maxX, x);
    maxY = Math.max(maxY, y);
  }
  return { minX, minY, maxX, maxY, width: maxX - minX, height: maxY - minY };
}

/** Width and depth of an outline, mm. */
export function outlineSize(outline: Outline): { width: number; depth: number } {
  const box = bounds(flatten(outline));
  return { width: box.width, depth: box.height };
}

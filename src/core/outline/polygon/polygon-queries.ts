import polylabel from 'polylabel';
import { polygonPerimeter } from './measure';
import type { Point, Polygon } from '../types';

/** Whether a point lies inside a closed polyline (even–odd rule). */
export function isInside(polygon: Polygon, [x, y]: Point): boolean {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [xi, yi] = polygon[i]!;
    const [xj, yj] = polygon[j]!;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}

/** Shortest distance from a point to a closed polyline, mm. */
export function distanceTo(polygon: Polygon, [x, y]: Point): number {
  let best = Infinity;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [ax, ay] = polygon[j]!;
    const [bx, by] = polygon[i]!;
    const dx = bx - ax;
    const dy = by - ay;
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    best = Math.min(best, (ax + t * dx - x) ** 2 + (ay + t * dy - y) ** 2);
  }
  return Math.sqrt(best);
}

/**
 * Where a straight line crosses a closed polyline, as distances along the line, sorted. A convex outline gives
 * none or two.
 *
 * @param polygon closed polyline
 * @param origin a point on the line
 * @param direction unit vector along it
 */
export function lineCrossings(polygon: Polygon, origin: Point, direction: Point): number[] {
  const side = polygon.map(([x, y]) => (x - origin[0]) * direction[1] - (y - origin[1]) * direction[0]);
  const along = polygon.map(([x, y]) => (x - origin[0]) * direction[0] + (y - origin[1]) * direction[1]);
  const found: number[] = [];
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    // One end counts, the other does not: a line through a vertex crosses once.
    if (side[j]! >= 0 === side[i]! >= 0) continue;
    const t = side[j]! / (side[j]! - side[i]!);
    found.push(along[j]! + (along[i]! - along[j]!) * t);
  }
  return found.sort((a, b) => a - b);
}

/**
 * Distance from the origin to a star-shaped outline in any direction, in logarithmic time.
 *
 * @param polygon counter-clockwise, seeing all of itself from the origin
 * @returns a function of the angle (radians) giving the distance, mm
 */
export function reachFrom(polygon: Polygon): (angle: number) => number {
  const angles = polygon.map(([x, y]) => Math.atan2(y, x));
  let first = 0;
  for (let i = 1; i < angles.length; i++) if (angles[i]! < angles[first]!) first = i;
  const order = polygon.map((_, i) => (first + i) % polygon.length);
  const sorted = order.map((i) => angles[i]!);
  return (angle) => {
    let low = 0;
    let high = sorted.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (sorted[middle]! <= angle) low = middle + 1;
      else high = middle;
    }
    const a = polygon[order[(low + order.length - 1) % order.length]!]!;
    const b = polygon[order[low % order.length]!]!;
    const dx = Math.cos(angle);
    const dy = Math.sin(angle);
    const cross = dx * (b[1] - a[1]) - dy * (b[0] - a[0]);
    return Math.abs(cross) < 1e-12 ? Math.hypot(a[0], a[1]) : (a[0] * b[1] - a[1] * b[0]) / cross;
  };
}

/**
 * Whether all of a counter-clockwise polyline can be seen from a place inside it, so that every ray from there meets
 * its edge once.
 */
export function seesAllFrom(polygon: Polygon, [x, y]: Point): boolean {
  return polygon.every(([ax, ay], i) => {
    const [bx, by] = polygon[(i + 1) % polygon.length]!;
    return (ax - x) * (by - y) - (ay - y) * (bx - x) > 0;
  });
}

/** The place inside a closed polyline that lies farthest from its edge, and how far, mm (to 0.5 mm). */
export function deepest(polygon: Polygon): { at: Point; depth: number } {
  const ring = polygon.map(([x, y]): [number, number] => [x, y]);
  const found = polylabel([[...ring, ring[0]!]], 0.5) as [number, number] & { distance: number };
  return { at: [found[0], found[1]], depth: found.distance };
}

/** How far along a closed polyline the place nearest a point is, mm. */
export function distanceAlong(polygon: Polygon, [x, y]: Point): number {
  let s = 0;
  let best = Infinity;
  let found = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [ax, ay] = polygon[i]!;
    const [bx, by] = polygon[(i + 1) % polygon.length]!;
    const [dx, dy] = [bx - ax, by - ay];
    const length = Math.hypot(dx, dy);
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (length * length || 1)));
    const d = Math.hypot(ax + t * dx - x, ay + t * dy - y);
    if (d < best - 1e-9) [best, found] = [d, s + t * length];
    s += length;
  }
  return found;
}

/** Places of a line this much farther off than the nearest are as near, mm. */
const AS_NEAR = 0.01;

/**
 * How far along a closed polyline the place nearest a corner is, mm. Beside an inside corner a line drawn inside it has two nearest
 * places, one on either side of its own corner: then it is the one half-way between them, so that a mirrored outline has mirrored places.
 *
 * @param polygon the line
 * @param corner of the outline that it was drawn inside
 */
export function cornerAlong(polygon: Polygon, [x, y]: Point): number {
  const total = polygonPerimeter(polygon);
  let s = 0;
  const near = polygon.map(([ax, ay], i) => {
    const [bx, by] = polygon[(i + 1) % polygon.length]!;
    const [dx, dy] = [bx - ax, by - ay];
    const length = Math.hypot(dx, dy);
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (length * length || 1)));
    const place = { at: s + t * length, away: Math.hypot(ax + t * dx - x, ay + t * dy - y) };
    s += length;
    return place;
  });
  const least = Math.min(...near.map(({ away }) => away));
  const tied = near.filter(({ away }) => away < least + AS_NEAR).map(({ at }) => at);
  const first = tied[0]!;
  // Counted from the first, the shorter way round.
  const beyond = tied.map((at) => ((at - first + 1.5 * total) % total) - total / 2);
  return (first + (Math.min(...beyond) + Math.max(...beyond)) / 2 + total) % total;
}

/** The place at a distance along a closed polyline, counted on past its end. */
export function pointAlong(polygon: Polygon, at: number): Point {
  const total = polygonPerimeter(polygon);
  let left = ((at % total) + total) % total;
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i]!;
    const b = polygon[(i + 1) % polygon.length]!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (left <= length) return [a[0] + ((b[0] - a[0]) * left) / length, a[1] + ((b[1] - a[1]) * left) / length];
    left -= length;
  }
  return polygon[0]!;
}

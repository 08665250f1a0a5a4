import { FillRule, unionD, type PathD } from 'clipper2-ts';

export type Point = readonly [x: number, y: number];

/** Decimal places that outlines are joined in. */
const PLACES = 4;

export const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);

/** Length of a line from its first point to its last, mm. */
export function lineLength(points: readonly Point[]): number {
  let length = 0;
  for (let i = 1; i < points.length; i++) length += distance(points[i - 1]!, points[i]!);
  return length;
}

/** Area inside an outline, + where it runs counter-clockwise, mm² (shoelace). */
export function signedArea(outline: readonly Point[]): number {
  let twice = 0;
  let [px, py] = outline.at(-1) ?? [0, 0];
  for (const [x, y] of outline) {
    twice += px * y - x * py;
    [px, py] = [x, y];
  }
  return twice / 2;
}

/** The box round points, mm. */
export function boxOf(points: readonly Point[]): { minX: number; minY: number; maxX: number; maxY: number } {
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const [x, y] of points) {
    if (x < box.minX) box.minX = x;
    if (x > box.maxX) box.maxX = x;
    if (y < box.minY) box.minY = y;
    if (y > box.maxY) box.maxY = y;
  }
  return box;
}

/** Distance of a place from an outline, mm. */
export function fromOutline(outline: readonly Point[], [x, y]: Point): number {
  let least = Infinity;
  let [ax, ay] = outline.at(-1) ?? [Infinity, Infinity];
  for (const [bx, by] of outline) {
    const [dx, dy] = [bx - ax, by - ay];
    const square = dx * dx + dy * dy;
    const t = square > 0 ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / square)) : 0;
    const [ox, oy] = [x - ax - t * dx, y - ay - t * dy];
    const off = ox * ox + oy * oy;
    if (off < least) least = off;
    [ax, ay] = [bx, by];
  }
  return Math.sqrt(least);
}

/** Whether a place lies inside an outline: an upward ray crosses it an odd number of times. */
export function isWithin(outline: readonly Point[], [x, y]: Point): boolean {
  let inside = false;
  let [px, py] = outline.at(-1) ?? [0, 0];
  for (const [qx, qy] of outline) {
    if (qx > x !== px > x && y < ((py - qy) * (x - qx)) / (px - qx) + qy) inside = !inside;
    [px, py] = [qx, qy];
  }
  return inside;
}

/** How far along a ray it meets the sides of an outline, mm: the nearest and the farthest; null where it meets none. */
function crossings(outline: readonly Point[], [x, y]: Point, [dx, dy]: Point): { first: number; last: number } | null {
  let [first, last] = [Infinity, -Infinity];
  let [ax, ay] = outline.at(-1) ?? [0, 0];
  for (const [bx, by] of outline) {
    const [ex, ey] = [bx - ax, by - ay];
    const cross = dx * ey - dy * ex;
    if (Math.abs(cross) >= 1e-9) {
      const along = ((ax - x) * ey - (ay - y) * ex) / cross;
      const beside = ((ax - x) * dy - (ay - y) * dx) / cross;
      // A ray through a corner of the outline meets both of its sides.
      if (beside >= -1e-9 && beside <= 1 + 1e-9 && along >= -1e-6) {
        if (along < first) first = along;
        if (along > last) last = along;
      }
    }
    [ax, ay] = [bx, by];
  }
  return last >= first ? { first, last } : null;
}

/**
 * How far along a ray it leaves an outline for the last time, mm; null where it never meets it.
 *
 * @param from where the ray begins
 * @param towards its direction, of length one
 */
export function lastCrossing(outline: readonly Point[], from: Point, towards: Point): number | null {
  return crossings(outline, from, towards)?.last ?? null;
}

/** The same where it meets the outline first. */
export function firstCrossing(outline: readonly Point[], from: Point, towards: Point): number | null {
  return crossings(outline, from, towards)?.first ?? null;
}

/** Where two stretches cross between their ends; null where they do not. */
function crossing([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point, [dx, dy]: Point): Point | null {
  const [ux, uy, vx, vy] = [bx - ax, by - ay, dx - cx, dy - cy];
  const cross = ux * vy - uy * vx;
  if (Math.abs(cross) < 1e-12) return null;
  const t = ((cx - ax) * vy - (cy - ay) * vx) / cross;
  const s = ((cx - ax) * uy - (cy - ay) * ux) / cross;
  return t > 1e-9 && t < 1 - 1e-9 && s > 1e-9 && s < 1 - 1e-9 ? [ax + t * ux, ay + t * uy] : null;
}

/** The first place where an outline crosses itself, with the length of the loop there, mm. */
export function selfCrossing(outline: readonly Point[]): { place: Point; loop: number } | null {
  const n = outline.length;
  const sides = outline
    .map((a, i) => {
      const b = outline[(i + 1) % n]!;
      return { i, a, b, low: Math.min(a[0], b[0]), high: Math.max(a[0], b[0]), bottom: Math.min(a[1], b[1]), top: Math.max(a[1], b[1]) };
    })
    .sort((p, q) => p.low - q.low);
  for (let k = 0; k < n; k++) {
    const one = sides[k]!;
    for (let m = k + 1; m < n && sides[m]!.low <= one.high; m++) {
      const other = sides[m]!;
      const gap = Math.abs(one.i - other.i);
      if (gap === 1 || gap === n - 1 || other.bottom > one.top || other.top < one.bottom) continue;
      const place = crossing(one.a, one.b, other.a, other.b);
      if (!place) continue;
      const [from, to] = [Math.min(one.i, other.i), Math.max(one.i, other.i)];
      const between = lineLength([place, ...outline.slice(from + 1, to + 1), place]);
      const around = lineLength([...outline, outline[0]!]);
      return { place, loop: Math.min(between, around - between) };
    }
  }
  return null;
}

/** Outlines taken together as one: the largest ring of their union. */
export function together(outlines: readonly (readonly Point[])[]): Point[] {
  const paths: PathD[] = outlines.map((outline) => {
    const path = outline.map(([x, y]) => ({ x, y }));
    return signedArea(outline) < 0 ? path.reverse() : path;
  });
  const rings = unionD(paths, [], FillRule.NonZero, PLACES).map((ring) => ring.map(({ x, y }): Point => [x, y]));
  return rings.reduce<Point[]>((most, ring) => (Math.abs(signedArea(ring)) > Math.abs(signedArea(most)) ? ring : most), []);
}

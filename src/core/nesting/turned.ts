import simplify from 'simplify-js';
import { bounds, offsetPolygon, type Point, type Polygon } from '../outline';
import type { Turn } from './types';

const ROUND = (value: number): number => Math.round(value * 1e6) / 1e6;

/** A place turned about the origin by quarters. */
function turnPoint([x, y]: Point, turn: Turn): Point {
  if (turn === 90) return [-y, x];
  if (turn === 180) return [-x, -y];
  return turn === 270 ? [y, -x] : [x, y];
}

/**
 * An outline turned by quarters, its least x and y nothing again.
 *
 * @param outline mm
 * @param turn anticlockwise, degrees
 * @param [point] a place on it that is turned along
 */
export function turned(outline: Polygon, turn: Turn, point: Point | null = null): { outline: Polygon; point: Point | null } {
  const all = outline.map((item) => turnPoint(item, turn));
  const { minX, minY } = bounds(all);
  const home = ([x, y]: Point): Point => [ROUND(x - minX), ROUND(y - minY)];
  return { outline: all.map(home), point: point && home(turnPoint(point, turn)) };
}

/** An outline whose least x and y are nothing, and how far it was moved for that. */
export function atOrigin(outline: Polygon): { outline: Polygon; by: Point } {
  const { minX, minY } = bounds(outline);
  return { outline: outline.map(([x, y]): Point => [ROUND(x - minX), ROUND(y - minY)]), by: [minX, minY] };
}

/** Whether an outline is its own box. */
export function isBox(outline: Polygon): boolean {
  if (outline.length !== 4) return false;
  const { width, height } = bounds(outline);
  return outline.every(
    ([x, y]) => (Math.abs(x) < 1e-6 || Math.abs(x - width) < 1e-6) && (Math.abs(y) < 1e-6 || Math.abs(y - height) < 1e-6),
  );
}

/** A chain of straights no farther from the outline than this stands for it, on its outer side, mm. */
const NEAR = 0.4;

/**
 * An outline with fewer corners that has the whole of it inside, grown by half of what is left between two pieces.
 *
 * @param outline whose least x and y are nothing
 * @param by mm
 * @returns the grown one, its own least x and y at −by
 */
export function grown(outline: Polygon, by: number): Polygon {
  const box = bounds(outline);
  if (isBox(outline))
    return [
      [-by, -by],
      [box.width + by, -by],
      [box.width + by, box.height + by],
      [-by, box.height + by],
    ];
  // A curve is grown a hair further than it is thinned by, and never beyond its own box: what must fit edge to edge does.
  const thin = simplified(outline, NEAR);
  const out = offsetPolygon(thin, by + NEAR) ?? thin;
  return out.map(([x, y]): Point => [Math.min(Math.max(x, -by), box.width + by), Math.min(Math.max(y, -by), box.height + by)]);
}

/** A ring with fewer corners, none of them off it. */
function simplified(ring: Polygon, off: number): Polygon {
  if (ring.length < 8) return [...ring];
  const closed = [...ring, ring[0]!].map(([x, y]) => ({ x, y }));
  return simplify(closed, off, true)
    .slice(0, -1)
    .map(({ x, y }): Point => [x, y]);
}

import { wayOf, type Choices } from '../cover';
import { bounds, offsetPolygon, type Point, type Polygon } from '../outline';
import { wholeUp } from '../ties';
import type { FixModel } from './reads';

/** A row of staples on the board's face or edge, where a part of the cover is back-tacked: what it holds, and where each stands. */
export type TackedRow = { name: string; inset: number; places: { x: number; y: number }[] };

/** A ring walked from its near right corner round to its near left one, and from both straight on to the board's own near edge. */
function openNear(ring: Polygon, board: Polygon): Point[] {
  const { minY } = bounds(ring);
  const isNear = ([, y]: Point): boolean => y < minY + 1;
  const near = ring.flatMap((place, i) => (isNear(place) ? [i] : []));
  const [right, left] = [1, -1].map((sign) => near.reduce((best, i) => (sign * ring[i]![0] > sign * ring[best]![0] ? i : best), near[0]!));
  const count = (left! - right! + ring.length) % ring.length;
  const walked = Array.from({ length: count + 1 }, (_, k) => ring[(right! + k) % ring.length]!);
  const { minY: edge } = bounds(board);
  return [[ring[right!]![0], edge], ...walked, [ring[left!]![0], edge]];
}

/** Places along a line, no farther apart than the pitch, the first a share of one in from its beginning. */
function along(line: readonly Point[], pitch: number, share: number): TackedRow['places'] {
  const sides = line.slice(1).map((b, i): [Point, Point, number] => [line[i]!, b, Math.hypot(b[0] - line[i]![0], b[1] - line[i]![1])]);
  const length = sides.reduce((sum, [, , side]) => sum + side, 0);
  const count = wholeUp(length / pitch);
  const places: TackedRow['places'] = [];
  let [k, gone] = [0, 0];
  for (let n = 0; n < count; n++) {
    const at = ((n + share) / count) * length;
    while (k < sides.length - 1 && gone + sides[k]![2] < at) gone += sides[k++]![2];
    const [a, b, side] = sides[k]!;
    const t = side > 0 ? (at - gone) / side : 0;
    places.push({ x: a[0] + (b[0] - a[0]) * t, y: a[1] + (b[1] - a[1]) * t });
  }
  return places;
}

/**
 * The rows in which parts of a cover are stapled on the board itself, before what holds the cover behind it. Two rows on one line stand
 * half a pitch on from each other.
 *
 * @param model the built piece
 * @param choices of its covering
 * @returns in the order of work; none for a way that tacks nothing
 */
export function tackedRows({ board, rule }: Pick<FixModel, 'board' | 'rule'>, { covering }: Pick<Choices, 'covering'>): TackedRow[] {
  const rows = wayOf(covering.way).tackedRows?.(covering) ?? [];
  return rows.map(({ name, inset, leavesNear }, k) => {
    const ring = (inset > 0 ? offsetPolygon(board, -inset) : null) ?? board;
    const line = leavesNear ? openNear(ring, board) : [...ring, ring[0]!];
    const before = rows.slice(0, k).filter((row) => row.inset === inset).length;
    return { name, inset, places: along(line, rule('staplePitch'), before % 2 === 0 ? 0.25 : 0.75) };
  });
}

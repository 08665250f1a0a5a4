import type { Point } from '../../outline';
import { cornerPlaces, placeAt, stretches, type Level, type Stretch } from './levels';
import { onRing, type Ring } from './ring';

/** Where a seam runs out into another, its end is so far short of it that a panel keeps an edge there, mm. */
const TIP = 1.5;
/** Halvings of a span until a place on the surface is known to a hundredth of a millimetre. */
const HALVINGS = 24;

/** A seam inside the edge that leaves one side out: it runs straight on over the two corners there, into the edge seam. */
export type RunOut = {
  level: Level;
  /** from where it comes out of the edge to where it goes back in */
  over: Stretch;
  /** the sides that it goes along, in order, the first and last with the corner that they run out over */
  sides: [number, number][];
};

/** The side of a piece that lies nearest, between its two corners; null where there are none. */
function nearSide(ring: Ring): { side: [number, number]; corners: number[] } | null {
  const corners = cornerPlaces(ring);
  if (corners.length < 2) return null;
  const front = placeAt(ring, 0);
  const n = ring.places.length;
  const side = stretches(ring, corners).find(([from, to]) => [front, front + n].some((at) => at >= from && at <= to));
  return side ? { side, corners } : null;
}

/** Where the way in from a place crosses a line in the plan, as a length from the shoulder. */
function crossing(ring: Ring, place: number, [a, b]: readonly [Point, Point], [low, high]: readonly [number, number]): number {
  const off = (v: number): number => {
    const [x, y] = onRing(ring.places[place]!, v);
    return (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]);
  };
  let [from, to] = [low, high];
  const sign = off(to);
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (from + to) / 2;
    if (off(middle) * sign > 0) to = middle;
    else from = middle;
  }
  return (from + to) / 2;
}

/**
 * A seam so far in from the edge on every side but the near one. There it does not end in the air: from the corner inside
 * it runs straight on to the edge, square to it, and along the near side the panel goes to the edge seam itself.
 *
 * @param ring the covered surface
 * @param inset the seam as it would go all round
 * @param top the edge seam that it runs out into
 * @returns null where the near side has no two corners, and so no ends
 */
export function runOut(ring: Ring, inset: Level, top: Level): RunOut | null {
  const found = nearSide(ring);
  if (!found) return null;
  const { side, corners } = found;
  const n = ring.places.length;
  const at = (i: number): number => ((i % n) + n) % n;
  const plan = (i: number, v: number): Point => {
    const [x, y] = onRing(ring.places[at(i)]!, v);
    return [x, y];
  };
  const level = Float64Array.from(inset);
  const ends = (
    [
      [side[0], 1],
      [side[1], -1],
    ] as const
  ).map(([corner, way]) => {
    const inside = plan(corner, inset[at(corner)]!);
    // Square to the near edge: the place of it that lies beside the corner inside.
    const [a, b] = [plan(side[0], top[at(side[0])]!), plan(side[1], top[at(side[1])]!)];
    const along = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const t = ((inside[0] - a[0]) * (b[0] - a[0]) + (inside[1] - a[1]) * (b[1] - a[1])) / along ** 2;
    const foot: Point = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
    let end = corner;
    let nearest = Infinity;
    for (let i = corner + way; way > 0 ? i < side[1] : i > side[0]; i += way) {
      const [x, y] = plan(i, top[at(i)]!);
      const off = Math.hypot(x - foot[0], y - foot[1]);
      if (off < nearest) [nearest, end] = [off, i];
    }
    const line = [inside, plan(end, top[at(end)]!)] as const;
    for (let i = corner + way; i !== end; i += way) {
      const [value, edge] = [inset[at(i)]!, top[at(i)]!];
      level[at(i)] = Math.min(edge - TIP, crossing(ring, at(i), line, [value, edge]));
    }
    level[at(end)] = top[at(end)]! - TIP;
    return end;
  }) as [number, number];
  for (let i = ends[0] + 1; i < ends[1]; i++) level[at(i)] = top[at(i)]!;
  // Counted on from the end nearer the next corner: the near side is the one left out.
  const over = { from: at(ends[1]), to: at(ends[1]) + n - (ends[1] - ends[0]) };
  const bordered = stretches(ring, corners).filter(([from]) => at(from) !== at(side[0]));
  const turned = (i: number): number => (i < over.from ? i + n : i);
  const sides = bordered.map(([from, to]): [number, number] => [turned(from), turned(from) + (to - from)]).sort((a, b) => a[0] - b[0]);
  sides[0] = [over.from, sides[0]![1]];
  sides[sides.length - 1] = [sides.at(-1)![0], over.to];
  return { level, over, sides };
}

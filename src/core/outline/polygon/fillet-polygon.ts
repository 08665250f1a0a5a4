import { cornerNamed, edgeNamed } from '../edge-part';
import type { Outline, Point, Segment } from '../types';

/** A corner of a straight-edged base: where it is, its name, the name of the edge that leaves it, its radius. */
export type Corner = { at: Point; name: string; edgeAfter: string; radius: number };

function turnAt(before: Point, at: Point, after: Point): number {
  const a = Math.atan2(at[1] - before[1], at[0] - before[0]);
  const b = Math.atan2(after[1] - at[1], after[0] - at[0]);
  return Math.atan2(Math.sin(b - a), Math.cos(b - a));
}

/**
 * How far a corner's radius reaches along each of its two edges: r·tan(|θ|/2) for a turn of θ.
 *
 * @param corners the corners, counter-clockwise
 * @param index which corner
 */
export function tangentLength(corners: Corner[], index: number): number {
  const n = corners.length;
  const turn = turnAt(corners[(index + n - 1) % n]!.at, corners[index]!.at, corners[(index + 1) % n]!.at);
  return corners[index]!.radius * Math.tan(Math.abs(turn) / 2);
}

/**
 * Turns named corners with radii into an outline of lines and arcs. Radii are taken as they are: whether they fit
 * is `checkPiece`'s to say.
 *
 * @param corners at least three, counter-clockwise; inside corners are rounded too
 */
export function filletPolygon(corners: Corner[]): Outline {
  const n = corners.length;
  const segments: Segment[] = [];
  for (let i = 0; i < n; i++) {
    const corner = corners[i]!;
    const next = corners[(i + 1) % n]!;
    const before = corners[(i + n - 1) % n]!;
    const along: Point = unit(corner.at, next.at);
    const back: Point = unit(corner.at, before.at);
    const reach = tangentLength(corners, i);
    const turn = turnAt(before.at, corner.at, next.at);
    if (corner.radius > 0 && Math.abs(turn) > 1e-6) {
      const start: Point = [corner.at[0] + back[0] * reach, corner.at[1] + back[1] * reach];
      // Walking counter-clockwise the inside is to the left: an outside corner's centre lies a radius to the left of
      // the edge that arrives, an inside corner's to its right.
      const side = corner.radius * Math.sign(turn);
      const centre: Point = [start[0] + back[1] * side, start[1] - back[0] * side];
      segments.push({
        kind: 'arc',
        edge: cornerNamed(corner.name),
        centre,
        radius: corner.radius,
        start: Math.atan2(start[1] - centre[1], start[0] - centre[0]),
        sweep: turn,
      });
    }
    const reachNext = tangentLength(corners, (i + 1) % n);
    const from: Point = [corner.at[0] + along[0] * reach, corner.at[1] + along[1] * reach];
    const to: Point = [next.at[0] - along[0] * reachNext, next.at[1] - along[1] * reachNext];
    if (Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-6) {
      segments.push({ kind: 'line', edge: edgeNamed(corner.edgeAfter), from, to });
    }
  }
  return { segments };
}

function unit(from: Point, to: Point): Point {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
}

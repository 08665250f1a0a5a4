import { curvatureAt, pointAt, segmentLength, stretch, tangentAt } from './segment';
import type { EdgePart, Point, Segment } from '../types';

const ROUNDS = 40;
/** mm; two offset edges that pass nearer than this have met */
const MET = 1e-7;

function offsetPoint(segment: Segment, u: number, distance: number): Point {
  const [x, y] = pointAt(segment, u);
  const [tx, ty] = tangentAt(segment, u);
  return [x - ty * distance, y + tx * distance];
}

/**
 * Rounds the joint of two segments of any kind: the circle of that radius which touches both is found where both,
 * moved sideways by the radius, meet (Newton's method on their two parameters).
 *
 * @param before the segment that arrives at the joint
 * @param after the segment that leaves it
 * @param radius mm
 * @param corner which it is
 * @returns the two shortened segments with the arc between them, or null when the radius does not fit
 */
export function fillet(before: Segment, after: Segment, radius: number, corner: EdgePart): [Segment, Segment, Segment] | null {
  const [a, b] = [tangentAt(before, 1), tangentAt(after, 0)];
  const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
  if (Math.abs(turn) < 1e-4 || radius <= 0) return null;
  const side = Math.sign(turn) * radius;
  const reach = radius * Math.tan(Math.abs(turn) / 2);
  let u = 1 - reach / segmentLength(before);
  let v = reach / segmentLength(after);
  for (let round = 0; round < ROUNDS; round++) {
    if (!(u > -0.5 && u < 1.5 && v > -0.5 && v < 1.5)) return null;
    const p = offsetPoint(before, u, side);
    const q = offsetPoint(after, v, side);
    const [ex, ey] = [p[0] - q[0], p[1] - q[1]];
    if (Math.hypot(ex, ey) < MET) break;
    // A curve moved sideways by d runs at (1 − κd) times its own speed, in its own direction.
    const speed = (segment: Segment, at: number): Point => {
      const h = 1e-6;
      const [s, e] = [pointAt(segment, at - h), pointAt(segment, at + h)];
      const stretched = 1 - curvatureAt(segment, at) * side;
      return [((e[0] - s[0]) / (2 * h)) * stretched, ((e[1] - s[1]) / (2 * h)) * stretched];
    };
    const [px, py] = speed(before, u);
    const [qx, qy] = speed(after, v);
    const det = -px * qy + py * qx;
    if (Math.abs(det) < 1e-12) return null;
    u -= (-ex * qy + ey * qx) / det;
    v -= (px * ey - py * ex) / det;
  }
  const centre = offsetPoint(before, u, side);
  const [start, end] = [pointAt(before, u), pointAt(after, v)];
  const met = offsetPoint(after, v, side);
  if (Math.hypot(met[0] - centre[0], met[1] - centre[1]) > 1e-4 || u <= 1e-9 || v >= 1 - 1e-9 || u >= 1 || v <= 0) return null;
  const from = Math.atan2(start[1] - centre[1], start[0] - centre[0]);
  let sweep = Math.atan2(end[1] - centre[1], end[0] - centre[0]) - from;
  while (sweep > Math.PI) sweep -= 2 * Math.PI;
  while (sweep < -Math.PI) sweep += 2 * Math.PI;
  if (Math.sign(sweep) !== Math.sign(turn)) return null;
  return [stretch(before, 0, u), { kind: 'arc', edge: corner, centre, radius, start: from, sweep }, stretch(after, v, 1)];
}

import { bounds } from './polygon/measure';
import { flatten } from './polygon/flatten';
import type { Notch } from './schema/notch';
import { cornerNamed, jointPart, notchNamed, samePart } from './edge-part';
import { pointAt, pointOn, parameterAt, stretch, tangentAt } from './polygon/segment';
import type { Outline, Point, Polygon, Segment } from './types';

/** Every edge is looked at in this many places for where a notch begins and ends. */
const LOOKS = 48;
/** The cut is carried this far outside, so that it clears a bowed or rounded edge, mm. */
const OUTSIDE = 3000;

type Frame = { origin: Point; out: Point; side: Point; halfWidth: [number, number]; depth: number };

/** Where the neighbours of a corner's arc, or two segments, would meet; null where there is no such corner. */
export function cornerPoint(outline: Outline, name: string): { point: Point; before: Segment; after: Segment } | null {
  const n = outline.segments.length;
  const wanted = cornerNamed(name);
  for (let i = 0; i < n; i++) {
    const segment = outline.segments[i]!;
    const before = outline.segments[(i + n - 1) % n]!;
    const after = outline.segments[(i + 1) % n]!;
    if (samePart(segment.edge, wanted) && segment.kind === 'arc') {
      const [p, q] = [pointAt(segment, 0), pointAt(segment, 1)];
      const [a, b] = [tangentAt(before, 1), tangentAt(after, 0)];
      const det = a[0] * b[1] - a[1] * b[0];
      if (Math.abs(det) < 1e-9) return { point: pointAt(segment, 0.5), before, after };
      const t = ((q[0] - p[0]) * b[1] - (q[1] - p[1]) * b[0]) / det;
      return { point: [p[0] + a[0] * t, p[1] + a[1] * t], before, after };
    }
    if (samePart(jointPart(before.edge, segment.edge), wanted)) return { point: pointAt(segment, 0), before, after: segment };
  }
  return null;
}

/** The corners a notch can be cut at, and the edges, by name. */
export function notchPlaces(outline: Outline): { corners: string[]; edges: string[] } {
  const corners: string[] = [];
  const edges = new Set<string>();
  const n = outline.segments.length;
  outline.segments.forEach((segment, i) => {
    const before = outline.segments[(i + n - 1) % n]!;
    if (segment.edge.kind === 'corner') corners.push(segment.edge.name);
    if (segment.edge.kind !== 'edge') return;
    edges.add(segment.edge.name);
    const [a, b] = [tangentAt(before, 1), tangentAt(segment, 0)];
    const joint = jointPart(before.edge, segment.edge);
    if (before.edge.kind === 'edge' && joint.kind === 'corner' && a[0] * b[1] - a[1] * b[0] > 0.05) corners.push(joint.name);
  });
  return { corners, edges: [...edges] };
}

function frameOf(outline: Outline, notch: Notch): Frame | string {
  if (notch.at.kind === 'corner') {
    const corner = cornerPoint(outline, notch.at.name);
    if (!corner) return `There is no ${notch.at.name} corner to cut a notch at`;
    const box = bounds(flatten(outline, 0.5));
    const [sx, sy] = [corner.point[0] >= (box.minX + box.maxX) / 2 ? 1 : -1, corner.point[1] >= (box.minY + box.maxY) / 2 ? 1 : -1];
    // From the corner inwards by the width, outwards as far as need be.
    const out: Point = [0, sy];
    const side: Point = [sx, 0];
    return { origin: corner.point, out, side, halfWidth: [-notch.width, OUTSIDE], depth: notch.depth };
  }
  const { name, along } = notch.at;
  const matching = outline.segments.filter(({ edge }) => edge.kind === 'edge' && edge.name === name);
  if (matching.length === 0) return `There is no ${name} edge to cut a notch in`;
  const segment = matching[Math.floor((matching.length - 1) / 2)]!;
  const middle = matching.length % 2 === 1 ? pointOn(segment, 0.5) : pointAt(segment, 1);
  const [tx, ty] = matching.length % 2 === 1 ? tangentAt(segment, parameterAt(segment, 0.5)) : tangentAt(segment, 1);
  return {
    origin: [middle[0] + tx * along, middle[1] + ty * along],
    out: [ty, -tx],
    side: [tx, ty],
    halfWidth: [-notch.width / 2, notch.width / 2],
    depth: notch.depth,
  };
}

/** The notch's rectangle, counter-clockwise. */
function rectangleOf({ origin, out, side, halfWidth: [a, b], depth }: Frame): Polygon {
  const at = (s: number, o: number): Point => [origin[0] + side[0] * s + out[0] * o, origin[1] + side[1] * s + out[1] * o];
  const ring = [at(a, -depth), at(b, -depth), at(b, OUTSIDE), at(a, OUTSIDE)];
  const [p, q, r] = [ring[0]!, ring[1]!, ring[2]!];
  return (q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]) > 0 ? ring : ring.reverse();
}

function within(ring: Polygon, [x, y]: Point): boolean {
  return ring.every(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    return (bx - ax) * (y - ay) - (by - ay) * (x - ax) > 1e-9;
  });
}

type Crossing = { segment: number; u: number; into: boolean };

function crossings(outline: Outline, ring: Polygon): Crossing[] {
  const found: Crossing[] = [];
  outline.segments.forEach((segment, index) => {
    let before = within(ring, pointAt(segment, 0));
    for (let k = 1; k <= LOOKS; k++) {
      const now = within(ring, pointAt(segment, k / LOOKS));
      if (now !== before) {
        let [low, high] = [(k - 1) / LOOKS, k / LOOKS];
        for (let i = 0; i < 50; i++) {
          const middle = (low + high) / 2;
          if (within(ring, pointAt(segment, middle)) === before) low = middle;
          else high = middle;
        }
        found.push({ segment: index, u: (low + high) / 2, into: now });
      }
      before = now;
    }
  });
  return found;
}

/** Which side of the ring a point on its boundary lies on, and how far along it. */
function placeOn(ring: Polygon, [x, y]: Point): number {
  let best = Infinity;
  let place = 0;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const squared = (bx - ax) ** 2 + (by - ay) ** 2;
    const t = Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / squared));
    const d = Math.hypot(ax + (bx - ax) * t - x, ay + (by - ay) * t - y);
    if (d < best) [best, place] = [d, i + t];
  });
  return place;
}

/**
 * Cuts a notch out of an outline.
 *
 * @param outline counter-clockwise
 * @param notch where and how large, mm
 * @returns the outline without it, or in words why it cannot be cut
 */
export function cutNotch(outline: Outline, notch: Notch): Outline | string {
  const frame = frameOf(outline, notch);
  if (typeof frame === 'string') return frame;
  const ring = rectangleOf(frame);
  const found = crossings(outline, ring);
  if (found.length !== 2)
    return found.length === 0
      ? 'The notch does not reach the edge; make it deeper or move it'
      : 'The notch cuts the base in pieces; make it smaller or move it';
  const enter = found.find((crossing) => crossing.into)!;
  const leave = found.find((crossing) => !crossing.into)!;
  const segments: Segment[] = [];
  const n = outline.segments.length;
  // Outside the notch the way leads from where it leaves round to where it enters.
  const tail = outline.segments[leave.segment]!;
  const head = outline.segments[enter.segment]!;
  if (leave.segment === enter.segment && leave.u < enter.u) segments.push(stretch(tail, leave.u, enter.u));
  else {
    segments.push(stretch(tail, leave.u, 1));
    for (let i = leave.segment + 1; i % n !== enter.segment; i++) segments.push(outline.segments[i % n]!);
    segments.push(stretch(head, 0, enter.u));
  }
  const from = pointAt(head, enter.u);
  const to = pointAt(tail, leave.u);
  // The notch's own sides are walked clockwise from where the outline enters it.
  const inner: Point[] = [];
  const [a, b] = [placeOn(ring, from), placeOn(ring, to)];
  let place = a;
  for (let guard = 0; guard < 5; guard++) {
    const next = place === Math.floor(place) ? place - 1 : Math.floor(place);
    const passed = (a - next + 4) % 4;
    const goal = (a - b + 4) % 4;
    if (passed >= goal) break;
    inner.push(ring[((next % 4) + 4) % 4]!);
    place = ((next % 4) + 4) % 4;
  }
  const points = [from, ...inner, to];
  const edge = notchNamed(notch.id);
  const sides = points.slice(1).flatMap((p, i): Segment[] => {
    const q = points[i]!;
    return Math.hypot(p[0] - q[0], p[1] - q[1]) < 1e-6 ? [] : [{ kind: 'line', edge, from: q, to: p }];
  });
  const left = segments.filter(
    (segment) => segment.kind !== 'line' || Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1]) > 1e-6,
  );
  return { segments: [...left, ...sides] };
}

/** The least a notch is dragged to, mm. */
const LEAST = { width: 10, depth: 2 };

/**
 * Where a notch is taken hold of in the plan, and what it becomes when it is moved: a corner notch by its inside
 * corner (width and depth), an edge notch by the middle of its bottom (place and depth).
 *
 * @param outline before any notch is cut
 * @param notch the notch
 * @returns null when there is no such corner or edge
 */
export function notchGrip(outline: Outline, notch: Notch): { at: Point; moved: (to: Point) => Notch } | null {
  const frame = frameOf(outline, notch);
  if (typeof frame === 'string') return null;
  const { origin, out, side } = frame;
  const inward = notch.at.kind === 'corner' ? notch.width : 0;
  const whole = (mm: number): number => Math.round(mm);
  return {
    at: [origin[0] - side[0] * inward - out[0] * notch.depth, origin[1] - side[1] * inward - out[1] * notch.depth],
    moved: ([x, y]) => {
      const along = (x - origin[0]) * side[0] + (y - origin[1]) * side[1];
      const depth = Math.max(LEAST.depth, whole(-((x - origin[0]) * out[0] + (y - origin[1]) * out[1])));
      if (notch.at.kind === 'corner') return { ...notch, depth, width: Math.max(LEAST.width, whole(-along)) };
      return { ...notch, depth, at: { ...notch.at, along: whole(notch.at.along + along) } };
    },
  };
}

export type { Notch };

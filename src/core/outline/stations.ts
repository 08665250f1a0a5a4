import { perimeter } from './polygon/measure';
import { jointPart, jointWords, partWords, samePart } from './edge-part';
import { curvatureAt, parameterAt, pointAt, segmentLength, stretch, tangentAt } from './polygon/segment';
import { compared, isLess, TIE, wholeUp } from '../ties';
import type { EdgePart, Outline, Point, Segment } from './types';

/** A numbered place round the edge. */
export type Place = {
  id: string;
  /** distance along the outline from the front middle, mm */
  at: number;
  point: Point;
  /** unit vector out of the piece */
  normal: Point;
  /** plan curvature, 1/mm; 0 on a straight edge */
  curvature: number;
  /** which part of the edge it lies on, and what that is called where it is read */
  part: EdgePart;
  edge: string;
  /** the bend of the edge here if this is a corner, radians; 0 elsewhere */
  turn: number;
};

/** A bend this sharp is a corner, radians. */
export const CORNER_BEND = 0.3;

/** Two stations nearer than this are one. */
const SAME = 1;

/**
 * `t` is the segment's own parameter. `rank` settles which of two places that are nearly one is kept: a corner, an edge
 * middle, a centre line.
 */
type Candidate = {
  s: number;
  rank: number;
  segment: Segment;
  t: number;
  corner?: { turn: number; normal: Point; part: EdgePart; edge: string };
};

function outward([x, y]: Point): Point {
  return [y, -x];
}

/** Curves are looked at in this many stretches for where they cross a centre line. */
const LOOKS = 16;

/** Where a segment crosses the two centre lines, as its own parameters. */
function centreCrossings(segment: Segment): number[] {
  const found: number[] = [];
  for (const axis of [0, 1] as const) {
    if (segment.kind === 'line') {
      const a = segment.from[axis];
      const b = segment.to[axis];
      if (a !== b && Math.min(a, b) <= 0 && Math.max(a, b) >= 0) found.push(-a / (b - a));
      continue;
    }
    if (segment.kind === 'arc') {
      // Crossings of an axis that a centred circle has lie on its quarters; other arcs are searched like curves.
      const quarters = Array.from({ length: 8 }, (_, quarter) => ((quarter * Math.PI) / 2 - Math.PI - segment.start) / segment.sweep);
      const matching = quarters.filter((t) => t >= -1e-9 && t < 1 - 1e-9 && Math.abs(pointAt(segment, t)[axis]) < 1e-6);
      if (matching.length > 0) {
        found.push(...matching.map((t) => Math.max(0, t)));
        continue;
      }
    }
    for (let k = 0; k < LOOKS; k++) {
      let [low, high] = [k / LOOKS, (k + 1) / LOOKS];
      const before = pointAt(segment, low)[axis];
      const after = pointAt(segment, high)[axis];
      if (Math.abs(before) < 1e-6) found.push(low);
      if (Math.abs(before) < 1e-6 || Math.abs(after) < 1e-6 || before > 0 === after > 0) continue;
      for (let i = 0; i < 50; i++) {
        const middle = (low + high) / 2;
        if (pointAt(segment, middle)[axis] > 0 === before > 0) low = middle;
        else high = middle;
      }
      found.push((low + high) / 2);
    }
  }
  return found;
}

/** A bend smaller than this is none: two pieces of one smooth edge, radians. */
const LEAST_TURN = 0.05;
/** An edge shorter than this needs no station of its own in its middle, mm. */
const SHORT = 40;

/** How the edge bends from one segment to the next, and which way is out there. */
function joint(before: Segment, after: Segment): { turn: number; normal: Point } {
  const [a, b] = [tangentAt(before, 1), tangentAt(after, 0)];
  const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
  const [na, nb] = [outward(a), outward(b)];
  const size = Math.hypot(na[0] + nb[0], na[1] + nb[1]) || 1;
  return { turn, normal: [(na[0] + nb[0]) / size, (na[1] + nb[1]) / size] };
}

/** How far along its length a segment is at its parameter. */
function lengthAt(segment: Segment, u: number): number {
  return u <= 0 ? 0 : segmentLength(stretch(segment, 0, Math.min(1, u)));
}

/** Where a straight edge goes over into a curve the place is the straight one's, on the left as on the right. */
const straightness = ({ segment }: Candidate): number => Number(segment.kind === 'line');

function mandatory(outline: Outline): Candidate[] {
  const found: Candidate[] = [];
  const { segments } = outline;
  const n = segments.length;
  const lengths = segments.map(segmentLength);
  const joints = segments.map((segment, i) => joint(segments[(i + n - 1) % n]!, segment));
  let s = 0;
  segments.forEach((segment, i) => {
    const before = segments[(i + n - 1) % n]!;
    const isCorner = segment.kind === 'arc' && segment.edge.kind === 'corner';
    if (n > 1 && Math.abs(joints[i]!.turn) > LEAST_TURN)
      found.push({
        s,
        rank: 3,
        segment,
        t: 0,
        corner: { ...joints[i]!, part: jointPart(before.edge, segment.edge), edge: jointWords(before.edge, segment.edge) },
      });
    if (isCorner) {
      const corner = { turn: segment.sweep, normal: outward(tangentAt(segment, 0.5)), part: segment.edge, edge: partWords(segment.edge) };
      found.push({ s: s + lengths[i]! / 2, rank: 3, segment, t: 0.5, corner });
    } else if (n > 1 && (!samePart(before.edge, segment.edge) || Math.abs(joints[i]!.turn) > LEAST_TURN)) {
      // An edge begins here: its middle may lie on a later piece of it.
      let length = lengths[i]!;
      let last = i;
      while (
        samePart(segments[(last + 1) % n]!.edge, segment.edge) &&
        Math.abs(joints[(last + 1) % n]!.turn) <= LEAST_TURN &&
        last - i < n - 1
      ) {
        last += 1;
        length += lengths[last % n]!;
      }
      let to = length / 2;
      let k = i;
      while (to > lengths[k % n]! && k < last) to -= lengths[k++ % n]!;
      const item = segments[k % n]!;
      if (length >= SHORT)
        found.push({ s: s + length / 2, rank: 2, segment: item, t: parameterAt(item, Math.min(1, to / lengths[k % n]!)) });
    }
    for (const t of centreCrossings(segment)) found.push({ s: s + lengthAt(segment, t), rank: 1, segment, t });
    s += lengths[i]!;
  });
  return found;
}

function locate(outline: Outline, s: number): { segment: Segment; t: number } {
  let left = s;
  for (const segment of outline.segments) {
    const length = segmentLength(segment);
    if (left <= length + TIE) return { segment, t: parameterAt(segment, Math.min(1, left / length)) };
    left -= length;
  }
  return { segment: outline.segments.at(-1)!, t: 1 };
}

/**
 * Numbers the places round an edge where the cover is measured: corners, edge middles and centre lines always,
 * and between them as many at even distances as keep neighbours within the spacing. Number 1 is the middle of the
 * front; the tape goes counter-clockwise as seen from above (front, right, back, left), wherever the outline starts.
 *
 * @param outline lines, arcs and curves, counter-clockwise
 * @param [options.spacing=110] largest distance between neighbours, mm
 */
export function stations(outline: Outline, options: { spacing?: number } = {}): Place[] {
  const spacing = options.spacing ?? 110;
  const total = perimeter(outline);
  // The front middle is the place farthest forward on the centre line.
  const candidates = mandatory(outline);
  const onCentre = candidates.filter((c) => Math.abs(pointAt(c.segment, c.t)[0]) < SAME);
  const pool = onCentre.length > 0 ? onCentre : candidates;
  const foremost = pool.reduce((a, b) => (isLess(pointAt(b.segment, b.t)[1], pointAt(a.segment, a.t)[1]) ? b : a));
  // A corner and a centre line that are nearly one place are the corner, wherever the outline was begun.
  const first = candidates
    .filter((c) => Math.abs(((c.s - foremost.s + total * 1.5) % total) - total / 2) < SAME)
    .reduce((a, b) => (b.rank > a.rank ? b : a));
  const turned = candidates
    .map((c) => ({ ...c, at: (((c.s - first.s) % total) + total) % total }))
    .map((c) => (total - c.at < SAME ? { ...c, at: 0 } : c))
    .sort((a, b) => compared(a.at, b.at) || b.rank - a.rank || straightness(b) - straightness(a));
  const retained: typeof turned = [];
  for (const c of turned) {
    const last = retained.at(-1);
    if (last && c.at - last.at < SAME) {
      if (c.rank > last.rank) retained[retained.length - 1] = c;
      continue;
    }
    retained.push(c);
  }
  const places: Omit<Place, 'id'>[] = [];
  retained.forEach((c, i) => {
    const next = retained[i + 1]?.at ?? total;
    const gaps = Math.max(1, wholeUp((next - c.at) / spacing));
    for (let k = 0; k < gaps; k++) {
      const at = c.at + ((next - c.at) * k) / gaps;
      const here = k === 0 ? c : locate(outline, (first.s + at) % total);
      const corner = k === 0 ? c.corner : undefined;
      places.push({
        at,
        point: pointAt(here.segment, here.t),
        normal: corner?.normal ?? outward(tangentAt(here.segment, here.t)),
        curvature: corner && here.t === 0 ? 0 : curvatureAt(here.segment, here.t),
        part: corner?.part ?? here.segment.edge,
        edge: corner?.edge ?? partWords(here.segment.edge),
        turn: corner?.turn ?? 0,
      });
    }
  });
  return places.map((place, i) => ({ id: String(i + 1), ...place }));
}

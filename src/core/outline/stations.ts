import { perimeter } from './measure';
import { pointOn, segmentLength } from './segment';
import type { Outline, Point, Segment } from './types';

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
  edge: string;
  /** the bend of the edge here if this is a corner, radians; 0 elsewhere */
  turn: number;
};

/** Two stations nearer than this are one. */
const SAME = 1;

/** `rank` settles which of two places that are nearly one is kept: a corner, an edge middle, a centre line. */
type Candidate = { s: number; rank: number; segment: Segment; t: number; corner?: { turn: number; normal: Point; edge: string } };

function tangent(segment: Segment, t: number): Point {
  if (segment.kind === 'arc') {
    const angle = segment.start + segment.sweep * t;
    return [-Math.sin(angle), Math.cos(angle)];
  }
  const length = segmentLength(segment);
  return [(segment.to[0] - segment.from[0]) / length, (segment.to[1] - segment.from[1]) / length];
}

function outward([x, y]: Point): Point {
  return [y, -x];
}

/** Where a segment crosses the two centre lines, as shares of its length. */
function centreCrossings(segment: Segment): number[] {
  const found: number[] = [];
  for (const axis of [0, 1] as const) {
    if (segment.kind === 'line') {
      const a = segment.from[axis];
      const b = segment.to[axis];
      if (a !== b && Math.min(a, b) <= 0 && Math.max(a, b) >= 0) found.push(-a / (b - a));
      continue;
    }
    for (let quarter = 0; quarter < 8; quarter++) {
      const angle = (quarter * Math.PI) / 2 - Math.PI;
      const t = (angle - segment.start) / segment.sweep;
      const at = pointOn(segment, t);
      if (t >= -1e-9 && t < 1 - 1e-9 && Math.abs(at[axis]) < 1e-6) found.push(Math.max(0, t));
    }
  }
  return found;
}

function mandatory(outline: Outline): Candidate[] {
  const found: Candidate[] = [];
  let s = 0;
  outline.segments.forEach((segment, i) => {
    const length = segmentLength(segment);
    const whole = segment.kind === 'arc' && Math.abs(segment.sweep) > Math.PI;
    const before = outline.segments[(i + outline.segments.length - 1) % outline.segments.length]!;
    if (segment.kind === 'line' && before.kind === 'line') {
      const a = tangent(before, 1);
      const b = tangent(segment, 0);
      const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
      const na = outward(a);
      const nb = outward(b);
      const size = Math.hypot(na[0] + nb[0], na[1] + nb[1]);
      const normal: Point = [(na[0] + nb[0]) / size, (na[1] + nb[1]) / size];
      const edge = `${before.edge} ${segment.edge} corner`;
      found.push({ s, rank: 3, segment, t: 0, corner: { turn, normal, edge: cornerName(edge) } });
    }
    const corner =
      segment.kind === 'arc' && !whole ? { turn: segment.sweep, normal: outward(tangent(segment, 0.5)), edge: segment.edge } : undefined;
    if (!whole) found.push({ s: s + length / 2, rank: corner ? 3 : 2, segment, t: 0.5, corner });
    for (const t of centreCrossings(segment)) found.push({ s: s + length * t, rank: 1, segment, t });
    s += length;
  });
  return found;
}

/** “front right corner”, never “right front corner”. */
function cornerName(edge: string): string {
  const words = edge.split(' ');
  const depth = words.includes('front') ? 'front' : 'back';
  const side = words.includes('left') ? 'left' : 'right';
  return `${depth} ${side} corner`;
}

function locate(outline: Outline, s: number): { segment: Segment; t: number } {
  let left = s;
  for (const segment of outline.segments) {
    const length = segmentLength(segment);
    if (left <= length + 1e-9) return { segment, t: Math.min(1, left / length) };
    left -= length;
  }
  return { segment: outline.segments.at(-1)!, t: 1 };
}

/**
 * Numbers the places round an edge where the cover is measured: corners, edge middles and centre lines always,
 * and between them as many at even distances as keep neighbours within the spacing. Number 1 is the middle of the
 * front; the tape goes counter-clockwise as seen from above (front, right, back, left), wherever the outline starts.
 *
 * @param outline lines and arcs, counter-clockwise
 * @param [options.spacing=110] largest distance between neighbours, mm
 */
export function stations(outline: Outline, options: { spacing?: number } = {}): Place[] {
  const spacing = options.spacing ?? 110;
  const total = perimeter(outline);
  // The front middle is the place farthest forward on the centre line.
  const candidates = mandatory(outline);
  const onCentre = candidates.filter((c) => Math.abs(pointOn(c.segment, c.t)[0]) < SAME);
  const first = (onCentre.length > 0 ? onCentre : candidates).reduce((a, b) =>
    pointOn(b.segment, b.t)[1] < pointOn(a.segment, a.t)[1] ? b : a,
  );
  const turned = candidates
    .map((c) => ({ ...c, at: (((c.s - first.s) % total) + total) % total }))
    .map((c) => (total - c.at < SAME / 2 ? { ...c, at: 0 } : c))
    .sort((a, b) => a.at - b.at || b.rank - a.rank);
  const kept: typeof turned = [];
  for (const c of turned) {
    const last = kept.at(-1);
    if (last && c.at - last.at < SAME) {
      if (c.rank > last.rank) kept[kept.length - 1] = c;
      continue;
    }
    kept.push(c);
  }
  const places: Omit<Place, 'id'>[] = [];
  kept.forEach((c, i) => {
    const next = kept[i + 1]?.at ?? total;
    const gaps = Math.max(1, Math.ceil((next - c.at) / spacing - 1e-9));
    for (let k = 0; k < gaps; k++) {
      const at = c.at + ((next - c.at) * k) / gaps;
      const here = k === 0 ? c : locate(outline, (first.s + at) % total);
      const corner = k === 0 ? c.corner : undefined;
      places.push({
        at,
        point: pointOn(here.segment, here.t),
        normal: corner?.normal ?? outward(tangent(here.segment, here.t)),
        curvature: here.segment.kind === 'arc' ? 1 / here.segment.radius : 0,
        edge: corner?.edge ?? here.segment.edge,
        turn: corner?.turn ?? 0,
      });
    }
  });
  return places.map((place, i) => ({ id: String(i + 1), ...place }));
}

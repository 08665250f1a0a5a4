import type { OutlineNode } from '../schema/shapes';
import { pointAt, stretch } from '../polygon/segment';
import type { Outline, Point, Segment } from '../types';

/**
 * Segments as the nodes of a free outline; arcs of more than a half circle are cut in two.
 *
 * @param segments in order
 */
export function nodesOf(segments: readonly Segment[]): OutlineNode[] {
  return segments.flatMap((segment): OutlineNode[] => {
    const [x, y] = pointAt(segment, 0);
    if (segment.kind === 'line') return [{ x, y, radius: 0, to: { kind: 'line' } }];
    if (segment.kind === 'curve')
      return [{ x, y, radius: 0, to: { kind: 'curve', c1: [segment.c1[0], segment.c1[1]], c2: [segment.c2[0], segment.c2[1]] } }];
    const parts = Math.ceil(Math.abs(segment.sweep) / (Math.PI * 0.9));
    return Array.from({ length: parts }, (_, k) => {
      const part = stretch(segment, k / parts, (k + 1) / parts);
      const sweep = segment.sweep / parts;
      const [px, py] = pointAt(part, 0);
      return { x: px, y: py, radius: 0, to: { kind: 'arc' as const, rise: Math.sign(sweep) * segment.radius * (1 - Math.cos(sweep / 2)) } };
    });
  });
}

/** Each segment is looked at in this many places for where it crosses the centre line. */
const LOOKS = 32;

/**
 * The right half of an outline, from where it crosses the centre line in front to where it crosses behind, as nodes
 * that can be mirrored. Points just off the centre line are put on it.
 *
 * @param outline counter-clockwise
 * @returns null when the outline does not cross its centre line in front and behind
 */
export function rightHalf(outline: Outline): OutlineNode[] | null {
  const hits: { segment: number; u: number; at: Point; right: boolean }[] = [];
  outline.segments.forEach((segment, index) => {
    for (let k = 0; k < LOOKS; k++) {
      let [low, high] = [k / LOOKS, (k + 1) / LOOKS];
      const before = pointAt(segment, low)[0] > 1e-9;
      if (before === pointAt(segment, high)[0] > 1e-9) continue;
      for (let i = 0; i < 50; i++) {
        const middle = (low + high) / 2;
        if (pointAt(segment, middle)[0] > 1e-9 === before) low = middle;
        else high = middle;
      }
      hits.push({ segment: index, u: high, at: pointAt(segment, high), right: !before });
    }
  });
  const front = hits.filter((hit) => hit.right).sort((a, b) => a.at[1] - b.at[1])[0];
  const back = hits.filter((hit) => !hit.right).sort((a, b) => b.at[1] - a.at[1])[0];
  if (!front || !back) return null;
  const n = outline.segments.length;
  const run: Segment[] = [];
  if (front.segment === back.segment && front.u < back.u) run.push(stretch(outline.segments[front.segment]!, front.u, back.u));
  else {
    run.push(stretch(outline.segments[front.segment]!, front.u, 1));
    for (let i = front.segment + 1; i % n !== back.segment; i++) run.push(outline.segments[i % n]!);
    run.push(stretch(outline.segments[back.segment]!, 0, back.u));
  }
  const segments = run.filter((segment) => {
    const [a, b] = [pointAt(segment, 0), pointAt(segment, 1)];
    return Math.hypot(a[0] - b[0], a[1] - b[1]) > 1e-6;
  });
  const nodes = nodesOf(segments);
  nodes[0] = { ...nodes[0]!, x: 0 };
  return [...nodes, { x: 0, y: back.at[1], radius: 0, to: { kind: 'line' } }];
}

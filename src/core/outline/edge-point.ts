import type { EdgePart } from './schema/edge';
import { samePart } from './edge-part';
import { pointAt } from './polygon/segment';
import type { Outline, Point } from './types';

/** Chords that a bent segment is walked in: a hundredth of a millimetre on a bowed front. */
const STEPS = 96;

/**
 * A place on a named edge, told as a tape tells it: so far from the edge's own middle, to the right or to the back. Beyond
 * the edge's end it is its end.
 *
 * @param outline of the base
 * @param part the edge
 * @param along mm from its middle
 * @returns null where the base has no such edge
 */
export function pointOnEdge(outline: Outline, part: EdgePart, along: number): Point | null {
  const n = outline.segments.length;
  const entries = outline.segments.map(({ edge }) => samePart(edge, part));
  if (!entries.includes(true)) return null;
  // From the first segment of the edge: the one before it belongs to another.
  const start = entries.findIndex((is, i) => is && !entries[(i + n - 1) % n]);
  const from = Math.max(0, start);
  const line: Point[] = [];
  for (let k = 0; k < n && entries[(from + k) % n]; k++) {
    const segment = outline.segments[(from + k) % n]!;
    const steps = segment.kind === 'line' ? 1 : STEPS;
    for (let i = 0; i <= steps; i++) line.push(pointAt(segment, i / steps));
  }
  const steps = line.slice(1).map(([x, y], i) => Math.hypot(x - line[i]![0], y - line[i]![1]));
  const length = steps.reduce((sum, step) => sum + step, 0);
  const [first, last] = [line[0]!, line.at(-1)!];
  const [dx, dy] = [last[0] - first[0], last[1] - first[1]];
  const rising = Math.abs(dx) >= Math.abs(dy) ? dx >= 0 : dy > 0;
  let left = Math.min(length, Math.max(0, length / 2 + (rising ? along : -along)));
  for (const [i, step] of steps.entries()) {
    if (left <= step || i === steps.length - 1) {
      const share = step > 0 ? Math.min(1, left / step) : 0;
      const [a, b] = [line[i]!, line[i + 1]!];
      return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
    }
    left -= step;
  }
  return first;
}

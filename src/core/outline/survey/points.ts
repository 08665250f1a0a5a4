import type { BaseShape } from '../schema/shapes';
import type { NodeLine, OutlineNode } from '../editing/nodes';
import type { Point } from '../types';

function node([x, y]: Point, to: NodeLine, name?: string): OutlineNode {
  return { x, y, radius: 0, to, ...(name ? { name } : {}) };
}

/**
 * Points from the distances to two fixed points: on the line of the two, x = (a² − b² + c²)/2c from the first, and
 * √(a² − x²) to its side.
 *
 * @param apart distance c between the two fixed points, mm
 * @param a distance from the first, mm
 * @param b distance from the second, mm
 * @returns the point with the first fixed point at the origin and the second at (c, 0), or null when the tapes cannot meet
 */
export function byTwoTapes(apart: number, a: number, b: number): Point | null {
  const x = (a * a - b * b + apart * apart) / (2 * apart);
  const squared = a * a - x * x;
  // A point on the line itself is measured with a little slack.
  if (squared < -apart * 0.5) return null;
  return [x, Math.sqrt(Math.max(0, squared))];
}

/** The ring measured by two tapes, in the order it was taken. */
export function twoTapesNodes(shape: Extract<BaseShape, { type: 'two-tapes' }>): OutlineNode[] {
  const kind = shape.join === 'smooth' ? 'smooth' : 'line';
  return shape.rows.flatMap(({ a, b }) => {
    const at = byTwoTapes(shape.apart, a, b);
    return at ? [node(at, { kind })] : [];
  });
}

/** The ring measured to the left and right of a line from front to back: up the right side, down the left. */
export function offsetNodes(shape: Extract<BaseShape, { type: 'offsets' }>): OutlineNode[] {
  const kind = shape.join === 'smooth' ? 'smooth' : 'line';
  const right: Point[] = shape.rows.map(({ at, right: x }) => [x, at]);
  const left: Point[] = [...shape.rows].reverse().map(({ at, left: x }) => [-x, at]);
  // Front and back are straight across, whatever the sides do; an end of no width is a point both sides share.
  const ring: OutlineNode[] = [];
  right.forEach((p, i) => ring.push(node(p, { kind: i < right.length - 1 ? kind : 'line' }, i < right.length - 1 ? 'right' : 'back')));
  left.forEach((p, i) => ring.push(node(p, { kind: i < left.length - 1 ? kind : 'line' }, i < left.length - 1 ? 'left' : 'front')));
  return ring.filter((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return Math.hypot(a.x - b.x, a.y - b.y) > 1e-6;
  });
}

/** A saddle's plan: nose, widths and tail joined as a flexible rule would lie; an end of no length is cut straight across. */
export function saddleNodes(shape: Extract<BaseShape, { type: 'saddle' }>): OutlineNode[] {
  const rows = shape.rows;
  const [first, last] = [rows[0]!, rows.at(-1)!];
  const half: OutlineNode[] = [node([0, first.at - shape.nose], { kind: shape.nose > 0 ? 'smooth' : 'line' }, 'front')];
  rows.forEach((row, i) => {
    const smooth = i < rows.length - 1 || shape.tail > 0;
    half.push(node([row.width / 2, row.at], { kind: smooth ? 'smooth' : 'line' }, i < rows.length - 1 ? 'right' : 'back'));
  });
  half.push(node([0, last.at + shape.tail], { kind: 'line' }));
  return half;
}

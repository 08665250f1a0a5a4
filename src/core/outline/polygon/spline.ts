import type { Point } from '../types';

/** A closed run is continued this far past its ends: what a natural end does there has died away to 10⁻⁷ by then. */
const OVERLAP = 13;

/** Slopes of the natural cubic spline through points at chord-length knots (Thomas' algorithm), per axis. */
function slopes(points: readonly Point[], knots: readonly number[]): Point[] {
  const n = points.length - 1;
  const h = knots.slice(1).map((k, i) => k - knots[i]!);
  const axis = (a: 0 | 1): number[] => {
    const diagonal = new Float64Array(n + 1);
    const right = new Float64Array(n + 1);
    const upper = new Float64Array(n + 1);
    for (let i = 0; i <= n; i++) {
      let lower = 0;
      if (i === 0) {
        diagonal[0] = 2;
        upper[0] = 1;
        right[0] = (3 * (points[1]![a] - points[0]![a])) / h[0]!;
      } else if (i === n) {
        lower = 1;
        diagonal[n] = 2;
        right[n] = (3 * (points[n]![a] - points[n - 1]![a])) / h[n - 1]!;
      } else {
        lower = h[i]!;
        diagonal[i] = 2 * (h[i - 1]! + h[i]!);
        upper[i] = h[i - 1]!;
        right[i] =
          3 * ((h[i]! * (points[i]![a] - points[i - 1]![a])) / h[i - 1]! + (h[i - 1]! * (points[i + 1]![a] - points[i]![a])) / h[i]!);
      }
      if (i > 0) {
        const share = lower / diagonal[i - 1]!;
        diagonal[i]! -= share * upper[i - 1]!;
        right[i]! -= share * right[i - 1]!;
      }
    }
    const found = new Array<number>(n + 1);
    for (let i = n; i >= 0; i--) found[i] = (right[i]! - (i < n ? upper[i]! * found[i + 1]! : 0)) / diagonal[i]!;
    return found;
  };
  const [x, y] = [axis(0), axis(1)];
  return x.map((value, i): Point => [value, y[i]!]);
}

/**
 * The curve a flexible rule takes when it is held against points: the natural cubic spline over chord length, which
 * bends least. Its pieces are returned as Bézier curves.
 *
 * @param points at least two, no two neighbours alike
 * @param [closed=false] whether the rule goes round and joins itself
 * @returns one {from, c1, c2, to} for each gap
 */
export function spline(points: readonly Point[], closed = false): { from: Point; c1: Point; c2: Point; to: Point }[] {
  const n = points.length;
  const at = (i: number): Point => points[((i % n) + n) % n]!;
  const run = closed ? Array.from({ length: n + 1 + 2 * OVERLAP }, (_, i) => at(i - OVERLAP)) : [...points];
  const knots = [0];
  for (let i = 1; i < run.length; i++)
    knots.push(knots[i - 1]! + Math.max(1e-9, Math.hypot(run[i]![0] - run[i - 1]![0], run[i]![1] - run[i - 1]![1])));
  const slope = slopes(run, knots);
  const first = closed ? OVERLAP : 0;
  return Array.from({ length: closed ? n : n - 1 }, (_, k) => {
    const i = first + k;
    const third = (knots[i + 1]! - knots[i]!) / 3;
    const [from, to] = [run[i]!, run[i + 1]!];
    const [a, b] = [slope[i]!, slope[i + 1]!];
    return { from, c1: [from[0] + a[0] * third, from[1] + a[1] * third], c2: [to[0] - b[0] * third, to[1] - b[1] * third], to };
  });
}

import type { Point } from '../../outline';

/** Where the cover begins in the middle of a cut: its slope there, and its height where it hangs free over a hollow. */
export type Start = { slope: number; height: number | null };

/**
 * The pulled line over a set of places, taken in order from the middle to the rim: it keeps to the outside and
 * leaves out every place it passes over (Graham's scan).
 *
 * @param xs coordinates
 * @param zs coordinates
 * @param order the places as they follow; at the last one the line is held
 * @param path receives the places that the line touches
 * @returns how many it touches
 */
export function pullLine(xs: Float64Array, zs: Float64Array, order: Int32Array, path: Int32Array): number {
  let n = 0;
  for (let k = 0; k < order.length; k++) {
    const i = order[k]!;
    while (n >= 2) {
      const a = path[n - 2]!;
      const b = path[n - 1]!;
      const turn = (xs[b]! - xs[a]!) * (zs[i]! - zs[a]!) - (zs[b]! - zs[a]!) * (xs[i]! - xs[a]!);
      if (turn < -1e-13) break;
      n--;
    }
    path[n++] = i;
  }
  return n;
}

/** The same for points that stand in order: those that the line touches. */
export function pulledPoints(points: readonly Point[]): Point[] {
  const path = new Int32Array(points.length);
  const n = pullLine(
    Float64Array.from(points, (p) => p[0]),
    Float64Array.from(points, (p) => p[1]),
    Int32Array.from(points, (_, i) => i),
    path,
  );
  return [...path.subarray(0, n)].map((i) => points[i]!);
}

/** Length of an open line, mm. */
export function lineLength(points: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += Math.hypot(points[i]![0] - points[i - 1]![0], points[i]![1] - points[i - 1]![1]);
  return sum;
}

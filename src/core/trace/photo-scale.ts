import type { Point } from '../outline';
import type { Trace } from '../piece';

/** Turns picture points (y down) into plan points, mm (y up). */
export type PictureToPlan = (point: Point) => Point;

/** Solves eight linear equations by elimination with pivoting; null when the four corners say nothing. */
function solveEight(rows: number[][]): number[] | null {
  const n = 8;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[pivot]![c]!)) pivot = r;
    if (Math.abs(rows[pivot]![c]!) < 1e-9) return null;
    [rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!];
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const share = rows[r]![c]! / rows[c]![c]!;
      for (let k = c; k <= n; k++) rows[r]![k]! -= share * rows[c]![k]!;
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!);
}

/** So near the horizon a dot is metres: as a share of how far off the known corners are. */
const HORIZON = 0.02;

/**
 * Squares a picture up: the projective map that takes four picture points to four plan points,
 * x = (a·u + b·v + c)/(g·u + h·v + 1), and y likewise.
 *
 * @param from four picture points
 * @param to where they lie in the plan, mm
 * @returns null when three of them lie on one line; the map gives NaN for what lies on the horizon or beyond it
 */
export function squareUp(from: readonly [Point, Point, Point, Point], to: readonly [Point, Point, Point, Point]): PictureToPlan | null {
  // Coordinates near one keep the equations well balanced.
  const reach = Math.max(1, ...from.flatMap(([u, v]) => [Math.abs(u), Math.abs(v)]));
  const rows = from.flatMap(([pu, pv], i) => {
    const [u, v] = [pu / reach, pv / reach];
    const [x, y] = to[i]!;
    return [
      [u, v, 1, 0, 0, 0, -u * x, -v * x, x],
      [0, 0, 0, u, v, 1, -u * y, -v * y, y],
    ];
  });
  const m = solveEight(rows);
  if (!m || m.some((value) => !Number.isFinite(value))) return null;
  const [a, b, c, d, e, f, g, h] = m as [number, number, number, number, number, number, number, number];
  const depth = ([pu, pv]: Point): number => (g * pu + h * pv) / reach + 1;
  // On the camera's own side of the horizon every place has the sign that the known corners have.
  const side = depth(from[0]);
  return ([pu, pv]) => {
    const [u, v] = [pu / reach, pv / reach];
    const w = depth([pu, pv]);
    if (w / side < HORIZON) return [NaN, NaN];
    return [(a * u + b * v + c) / w, (d * u + e * v + f) / w];
  };
}

/**
 * How a traced photo becomes plan millimetres: by two points whose distance is known, or by the four corners of a
 * rectangle of known size, taken from its lower left corner counter-clockwise.
 *
 * @param trace the marks and what is known of them
 * @returns the map, or in words what is still missing
 */
export function photoScale({ marks, scale }: Pick<Trace, 'marks' | 'scale'>): PictureToPlan | string {
  if (scale.kind === 'two') {
    if (marks.length < 2) return 'Mark the two points whose distance you know';
    const [a, b] = [marks[0]!, marks[1]!];
    const dots = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (dots < 2) return 'The two known points lie on each other';
    const k = scale.apart / dots;
    return ([u, v]) => [u * k, -v * k];
  }
  if (marks.length < 4) return 'Mark the four corners of the known rectangle, lower left first, counter-clockwise';
  const { width, height } = scale;
  const corners = marks.slice(0, 4) as unknown as [Point, Point, Point, Point];
  const map = squareUp(corners, [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ]);
  return map ?? 'Three of the four corners lie on one line';
}

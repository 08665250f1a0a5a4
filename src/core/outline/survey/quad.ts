import type { BaseShape } from '../schema/shapes';
import type { Point } from '../types';

type Quad = Extract<BaseShape, { type: 'quad' }>;

/** A measurement, what it became, and what was taken off or put on, mm (for an angle: radians). */
export type ClosingShare = { label: string; unit: 'length' | 'angle'; measured: number; taken: number };
/** What a set of measurements with one too many says of itself. `error` is how far they do not close, mm. */
export type Closing = { error: number; words: string; shares: ClosingShare[] };

const LABELS = ['Front', 'Right', 'Back', 'Left', 'Front left to back right', 'Front right to back left'] as const;
/** Which two corners each measurement joins; corners counter-clockwise from the front left. */
const JOINS = [
  [0, 1],
  [1, 2],
  [2, 3],
  [3, 0],
  [0, 2],
  [1, 3],
] as const;
const ROUNDS = 100;
/** Corners that move by less than this in a round have come to rest, mm. */
const SETTLED = 1e-8;

function measurements(quad: Quad): number[] {
  return [quad.front, quad.right, quad.back, quad.left, quad.diagonalA, quad.diagonalB];
}

/** The corner a distance `a` from p and `b` from q, on the left of the way from p to q; null when they cannot meet. */
function meet(p: Point, q: Point, a: number, b: number): Point | null {
  const [dx, dy] = [q[0] - p[0], q[1] - p[1]];
  const c = Math.hypot(dx, dy);
  const x = (a * a - b * b + c * c) / (2 * c);
  const squared = a * a - x * x;
  if (squared < 0) return null;
  const y = Math.sqrt(squared);
  return [p[0] + (dx * x - dy * y) / c, p[1] + (dy * x + dx * y) / c];
}

/** What the second diagonal must be if the other five measurements are right; null when those cannot meet. */
export function expectedDiagonal(quad: Quad): number | null {
  const [fl, fr]: Point[] = [
    [0, 0],
    [quad.front, 0],
  ];
  const br = meet(fl!, fr!, quad.diagonalA, quad.right);
  const bl = br && meet(fl!, br, quad.left, quad.back);
  return bl ? Math.hypot(bl[0] - fr![0], bl[1] - fr![1]) : null;
}

/** Solves a small dense system by elimination with pivoting. */
function solve(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[pivot]![c]!)) pivot = r;
    [rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!];
    for (let r = c + 1; r < n; r++) {
      const share = rows[r]![c]! / rows[c]![c]!;
      for (let k = c; k <= n; k++) rows[r]![k]! -= share * rows[c]![k]!;
    }
  }
  const found = new Array<number>(n).fill(0);
  for (let r = n - 1; r >= 0; r--) {
    let sum = rows[r]![n]!;
    for (let k = r + 1; k < n; k++) sum -= rows[r]![k]! * found[k]!;
    found[r] = sum / rows[r]![r]!;
  }
  return found;
}

/**
 * Four sides and two diagonals are one measurement more than a quadrilateral needs: its corners are placed so that
 * the squares of all six differences are least (Gauss–Newton). Source: docs/models.md, "Taking the outline".
 *
 * @param quad the six measurements, mm
 * @returns the corners counter-clockwise from the front left and how the measurements close, or null when sides and
 *   diagonals cannot meet at all
 */
export function closeQuad(quad: Quad): { corners: [Point, Point, Point, Point]; closing: Closing } | null {
  const measured = measurements(quad);
  const expected = expectedDiagonal(quad);
  const start: (Point | null)[] = [[0, 0], [quad.front, 0], meet([0, 0], [quad.front, 0], quad.diagonalA, quad.right), null];
  if (!start[2]) return null;
  start[3] = meet([0, 0], start[2], quad.left, quad.back) ?? meet([0, 0], [quad.front, 0], quad.left, quad.diagonalB);
  if (!start[3] || expected === null) return null;
  // Unknowns: x of the front right, then x and y of the two back corners. Front left and the front's bearing are held.
  const free = [start[1]![0], ...start[2]!, ...start[3]!];
  const cornersOf = (v: number[]): Point[] => [
    [0, 0],
    [v[0]!, 0],
    [v[1]!, v[2]!],
    [v[3]!, v[4]!],
  ];
  const slot = [-1, 0, 1, 3];
  let settled = false;
  for (let round = 0; round < ROUNDS; round++) {
    const corners = cornersOf(free);
    const normal = Array.from({ length: 5 }, () => new Array<number>(5).fill(0));
    const right = new Array<number>(5).fill(0);
    JOINS.forEach(([i, j], m) => {
      const [dx, dy] = [corners[j]![0] - corners[i]![0], corners[j]![1] - corners[i]![1]];
      const length = Math.hypot(dx, dy);
      const row = new Array<number>(5).fill(0);
      const put = (corner: number, sign: number): void => {
        if (corner === 0) return;
        row[slot[corner]!]! += (sign * dx) / length;
        if (corner > 1) row[slot[corner]! + 1]! += (sign * dy) / length;
      };
      put(j, 1);
      put(i, -1);
      const residual = measured[m]! - length;
      row.forEach((a, p) => {
        right[p]! += a * residual;
        row.forEach((b, q) => (normal[p]![q]! += a * b));
      });
    });
    const step = solve(normal, right);
    step.forEach((by, i) => (free[i]! += by));
    settled = Math.max(...step.map(Math.abs)) < SETTLED;
    if (settled) break;
  }
  // Corners that do not come to rest are no answer.
  if (!settled) return null;
  const corners = cornersOf(free);
  const shares = JOINS.map(([i, j], m): ClosingShare => ({
    label: LABELS[m]!,
    unit: 'length',
    measured: measured[m]!,
    taken: Math.hypot(corners[j]![0] - corners[i]![0], corners[j]![1] - corners[i]![1]),
  }));
  const error = quad.diagonalB - expected;
  return {
    corners: corners as [Point, Point, Point, Point],
    closing: {
      error,
      shares,
      words: `The diagonal from front right to back left is ${round1(Math.abs(error))} mm ${error >= 0 ? 'longer' : 'shorter'} than the other five measurements allow (${round1(expected)} mm)`,
    },
  };
}

function round1(value: number): number {
  return Math.round(value * 10) / 10;
}

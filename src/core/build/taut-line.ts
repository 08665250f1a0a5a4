import type { Point } from '../outline';

/** A cover line in a cut: from one staple line over the top to the other, x along the cut, z up. */
export type TautLine = {
  /** the whole covered line, left staple to right staple */
  points: Point[];
  /** the line the wadding lies on: the bare stack's own taut line */
  bare: Point[];
  /** outer face of the wadding, left end to right end; empty without wadding */
  wadding: Point[];
};

/** Wadding is trimmed this far short of the cover's staple line, so that the staples bite wood, mm. */
const WADDING_STOP = 10;

/** Angle between two rays of a rounded corner, radians: small enough that the arc is true to 0.01 mm. */
const FAN = Math.PI / 60;

function distance(a: Point, b: Point): number {
  return Math.hypot(b[0] - a[0], b[1] - a[1]);
}

/** Length of an open polyline, mm. */
export function pathLength(points: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += distance(points[i - 1]!, points[i]!);
  return sum;
}

/**
 * The shortest string from one staple to the other round the outside of all points: Graham's scan, taken in the
 * order of the angle about a place inside the board, dropping every point the string passes outside of.
 */
function pullString(points: readonly Point[], left: Point, right: Point, inside: number): Point[] {
  // A place inside the board at its lower edge: everything the string goes round is seen from there.
  const middle: Point = [(left[0] + right[0]) / 2, inside];
  // Clockwise from straight down: left side, top, right side.
  const bearing = ([x, z]: Point): number => Math.atan2(-(x - middle[0]), -(z - middle[1]));
  const clockwise = (p: Point): number => (bearing(p) + 2 * Math.PI) % (2 * Math.PI);
  const first = clockwise(left);
  const last = clockwise(right);
  const ordered = points
    .map((p) => ({ p, angle: clockwise(p), far: distance(p, middle) }))
    // Wadding folded under the board lies lower than the staple but farther out: it is passed on the way.
    .filter(({ p, angle }) => p[0] < left[0] || p[0] > right[0] || (angle > first && angle < last))
    .sort((a, b) => a.angle - b.angle || a.far - b.far);
  const path: Point[] = [left];
  for (const p of [...ordered.map((o) => o.p), right]) {
    while (path.length >= 2 && !turnsRight(path[path.length - 2]!, path[path.length - 1]!, p)) path.pop();
    path.push(p);
  }
  return path;
}

function turnsRight(a: Point, b: Point, c: Point): boolean {
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) < -1e-12;
}

/**
 * The line a cover takes when it is pulled taut over rigid padding: the shortest string from one staple line over
 * the stack to the other, which is the convex hull of the section; wadding of even thickness is laid over the bare
 * taut line first (Minkowski sum with a disc), as far as it reaches. Source: docs/models.md, "The taut line".
 *
 * @param stack corners and surface points of board and pads in the cut, mm
 * @param board left and right end of the board in the cut, its thickness, and the height of its top face at its two
 *   ends, mm; a flat board's top face is z = 0
 * @param returnUnder from the board's edge to the staple line, mm, left and right
 * @param wadding thickness under the cover and reach beyond the top edge, mm
 */
export function tautLine(
  stack: readonly Point[],
  board: { left: number; right: number; thickness: number; leftZ?: number; rightZ?: number },
  returnUnder: { left: number; right: number },
  wadding: { thickness: number; reach: number },
): TautLine {
  const { leftZ = 0, rightZ = 0 } = board;
  const left: Point = [board.left + returnUnder.left, leftZ - board.thickness];
  const right: Point = [board.right - returnUnder.right, rightZ - board.thickness];
  const inside = Math.min(leftZ, rightZ) - board.thickness / 2;
  const corners: Point[] = [
    [board.left, leftZ],
    [board.right, rightZ],
    [board.left, left[1]],
    [board.right, right[1]],
  ];
  const bare = pullString([...stack, ...corners], left, right, inside);
  if (wadding.thickness <= 0) return { points: bare, bare, wadding: [] };
  const face = waddingFace(bare, wadding);
  return { points: pullString([...face, ...corners], left, right, inside), bare, wadding: face };
}

/** The wadding's outer face: the bare line moved out by its thickness between the two ends it reaches. */
function waddingFace(bare: readonly Point[], wadding: { thickness: number; reach: number }): Point[] {
  const steep = steepEnds(bare);
  const total = pathLength(bare);
  const from = Math.max(WADDING_STOP, steep.left - wadding.reach);
  const to = Math.min(total - WADDING_STOP, steep.right + wadding.reach);
  const face: Point[] = [];
  let s = 0;
  let lastAngle: number | null = null;
  for (let i = 1; i < bare.length; i++) {
    const a = bare[i - 1]!;
    const b = bare[i]!;
    const length = distance(a, b);
    if (length < 1e-9) continue;
    const t0 = Math.max(0, (from - s) / length);
    const t1 = Math.min(1, (to - s) / length);
    s += length;
    if (t1 <= t0) continue;
    const angle = Math.atan2(b[0] - a[0], -(b[1] - a[1]));
    if (lastAngle !== null) face.push(...fan(a, lastAngle, angle, wadding.thickness));
    lastAngle = angle;
    // The outside is to the left of a path that goes from left over the top to the right.
    const normal: Point = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length];
    for (const t of [t0, t1]) {
      face.push([a[0] + (b[0] - a[0]) * t + normal[0] * wadding.thickness, a[1] + (b[1] - a[1]) * t + normal[1] * wadding.thickness]);
    }
  }
  return face;
}

/** Points round a corner between two outward directions. */
function fan(at: Point, from: number, to: number, radius: number): Point[] {
  let turn = to - from;
  while (turn > Math.PI) turn -= 2 * Math.PI;
  while (turn < -Math.PI) turn += 2 * Math.PI;
  const steps = Math.ceil(Math.abs(turn) / FAN);
  const points: Point[] = [];
  for (let k = 1; k < steps; k++) {
    const angle = from + (turn * k) / steps;
    points.push([at[0] + radius * Math.cos(angle), at[1] + radius * Math.sin(angle)]);
  }
  return points;
}

/**
 * Where the top of a covered line ends and its sides begin: the first places from the middle at which it falls
 * more steeply than 45°, as lengths along the line.
 *
 * @param points a covered line, left to right
 */
export function steepEnds(points: readonly Point[]): { left: number; right: number } {
  let s = 0;
  let left: number | null = null;
  let right: number | null = null;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    const rise = b[1] - a[1];
    const run = b[0] - a[0];
    const flat = run > 0 && Math.abs(rise) <= run * (1 + 1e-9);
    if (flat) {
      if (left === null) left = s;
      right = s + Math.hypot(run, rise);
    }
    s += Math.hypot(run, rise);
  }
  return { left: left ?? s / 2, right: right ?? s / 2 };
}

import { bounds, crossesItself, distanceTo, isInside, polygonArea, polygonCentroid, type Point, type Polygon } from '../../outline';
import { freeId, type Correction, type Pinned } from '../../piece';
import { photoScale } from '../../trace';
import type { CoverPiece } from '../laying/cloth-piece';

/** The sides of a piece on the bench: near, right, far, left. */
export const PINNED_SIDES = ['near', 'right', 'far', 'left'] as const;
export type PinnedSide = (typeof PINNED_SIDES)[number];

/** A pinned piece laid on the computed one. Lengths mm; + is a pinned one that is larger. */
export type PinnedCompared = {
  /** both turned and shifted on each other */
  pinned: Polygon;
  computed: Polygon;
  /** mean difference along each side */
  sides: Record<PinnedSide, number>;
  /** what it is wider and deeper by */
  width: number;
  depth: number;
  /** the largest single difference, and where */
  worst: { at: Point; by: number };
};

/** Fewer places make no outline. */
const LEAST_POINTS = 3;
/** Places along an outline that are compared. */
const STEPS = 240;
/** A cloth laid on the bench by hand lies askew by no more than this, degrees, and so finely it is turned back. */
const ASKEW = { most: 15, step: 0.5 };
/** Another way round is believed where it leaves less than this share of the squares apart. */
const QUARTER = 0.25;

/**
 * The outline that was marked on a cloth while it was pinned on: read by tape from a middle line, or off a photo squared up.
 *
 * @param pinned as it was taken
 * @returns the outline, mm, anticlockwise; or in words what it still lacks
 */
export function pinnedOutline({ rows, trace }: Pick<Pinned, 'rows' | 'trace'>): Polygon | string {
  const points = trace ? tracedPoints(trace) : rowPoints(rows);
  if (typeof points === 'string') return points;
  if (crossesItself(points)) return 'Its outline crosses itself: undo the last point';
  return polygonArea(points) < 0 ? [...points].reverse() : points;
}

function tracedPoints(trace: NonNullable<Pinned['trace']>): Point[] | string {
  const map = photoScale(trace);
  if (typeof map === 'string') return map;
  if (trace.points.length < LEAST_POINTS) return 'Click round the line that was marked on the cloth';
  const points = trace.points.map((point) => map(point));
  return points.some(([x, y]) => Number.isNaN(x) || Number.isNaN(y)) ? 'A point lies beyond the photo’s horizon: undo it' : points;
}

function rowPoints(rows: Pinned['rows']): Point[] | string {
  if (rows.length < 2) return 'Read its width at two places at least';
  const sorted = [...rows].sort((a, b) => a.at - b.at);
  if (sorted.some(({ at }, i) => i > 0 && at - sorted[i - 1]!.at < 1)) return 'Two readings are at one place';
  return [...sorted.map(({ at, right }): Point => [right, at]), ...sorted.reverse().map(({ at, left }): Point => [-left, at])];
}

/** Even places along a closed line, with the outward direction of each. */
function along(line: Polygon): { at: Point; out: Point }[] {
  const sides = line.map((a, i): { a: Point; b: Point; length: number } => {
    const b = line[(i + 1) % line.length]!;
    return { a, b, length: Math.hypot(b[0] - a[0], b[1] - a[1]) };
  });
  const step = sides.reduce((sum, { length }) => sum + length, 0) / STEPS;
  return sides.flatMap(({ a, b, length }) => {
    const n = Math.max(1, Math.round(length / step));
    const out: Point = length > 0 ? [(b[1] - a[1]) / length, (a[0] - b[0]) / length] : [0, 0];
    return Array.from({ length: n }, (_, k): { at: Point; out: Point } => {
      const t = (k + 0.5) / n;
      return { at: [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t], out };
    });
  });
}

/** How far a place lies outside (+) or inside (−) an outline. */
const beyond = (outline: Polygon, at: Point): number => (isInside(outline, at) ? -1 : 1) * distanceTo(outline, at);

function turned(line: Polygon, degrees: number, from: Point, to: Point): Polygon {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return line.map(([x, y]): Point => {
    const [u, v] = [x - from[0], y - from[1]];
    return [to[0] + u * cos - v * sin, to[1] + u * sin + v * cos];
  });
}

/** Which side of a piece a direction looks out of. */
function sideOf([x, y]: Point): PinnedSide {
  return Math.abs(x) > Math.abs(y) ? (x > 0 ? 'right' : 'left') : y > 0 ? 'far' : 'near';
}

/**
 * Lays what was marked on a pinned cloth on the computed piece: middle on middle, turned until they differ least.
 *
 * @param outline as it was marked
 * @param piece the computed one; its finished line is what a pin marks
 */
export function comparePinned(outline: Polygon, piece: Pick<CoverPiece, 'sewn' | 'outline'>): PinnedCompared {
  const computed = piece.sewn.length > 2 ? piece.sewn : piece.outline;
  const [from, to] = [polygonCentroid(outline), polygonCentroid(computed)];
  const misfit = (degrees: number): number =>
    along(turned(outline, degrees, from, to)).reduce((sum, { at }) => sum + distanceTo(computed, at) ** 2, 0);
  const near = (quarter: number): { turn: number; apart: number } => {
    let found = { turn: quarter, apart: misfit(quarter) };
    for (let d = -ASKEW.most; d <= ASKEW.most; d += ASKEW.step) {
      const value = misfit(quarter + d);
      if (value < found.apart - 1e-9) found = { turn: quarter + d, apart: value };
    }
    return found;
  };
  // A photo may be taken from any side of the bench; as it was laid counts, unless another way round fits far better.
  const upright = near(0);
  const best = [90, 180, 270].map(near).reduce((least, result) => (result.apart < QUARTER * least.apart ? result : least), upright);
  const pinned = turned(outline, best.turn, from, to);
  const sums = Object.fromEntries(PINNED_SIDES.map((side) => [side, { by: 0, n: 0 }])) as Record<PinnedSide, { by: number; n: number }>;
  let worst: PinnedCompared['worst'] = { at: to, by: 0 };
  const fit = { uu: 0, vv: 0, uv: 0, u: 0, v: 0 };
  for (const { at, out } of along(pinned)) {
    const by = beyond(computed, at);
    // Stretched by a across and b along about its middle a line moves by a·x·nx + b·y·ny: a and b by least squares.
    const [u, v] = [(at[0] - to[0]) * out[0], (at[1] - to[1]) * out[1]];
    fit.uu += u * u;
    fit.vv += v * v;
    fit.uv += u * v;
    fit.u += u * by;
    fit.v += v * by;
    const sum = sums[sideOf(out)];
    sum.by += by;
    sum.n += 1;
    if (Math.abs(by) > Math.abs(worst.by)) worst = { at, by };
  }
  const sides = Object.fromEntries(PINNED_SIDES.map((side) => [side, sums[side].n > 0 ? sums[side].by / sums[side].n : 0])) as Record<
    PinnedSide,
    number
  >;
  const whole = fit.uu * fit.vv - fit.uv * fit.uv;
  const [across, deep] = whole > 1e-9 ? [(fit.u * fit.vv - fit.v * fit.uv) / whole, (fit.v * fit.uu - fit.u * fit.uv) / whole] : [0, 0];
  const size = bounds(pinned);
  return { pinned, computed, sides, width: across * size.width, depth: deep * size.height, worst };
}

/** Less than this is the breadth of the chalk, mm. */
const CHALK = 1.5;

/** What the difference comes to, in words. */
export function pinnedWords({ width, depth }: Pick<PinnedCompared, 'width' | 'depth'>): string {
  const one = (by: number, more: string, less: string): string[] =>
    Math.abs(by) < CHALK ? [] : [`${Math.round(Math.abs(by))} mm ${by > 0 ? more : less}`];
  const phrases = [...one(width, 'wider', 'narrower'), ...one(depth, 'deeper', 'shallower')];
  return phrases.length > 0
    ? `The pinned one is ${phrases.join(' and ')} than the computed one`
    : 'They match, to the width of a chalk line';
}

/** The note by which a correction that came from pinning on is known again. */
const NOTE = 'pinned on';

/**
 * The corrections that make the computed piece as large as the pinned one; those from an earlier pinning of it are replaced.
 *
 * @param piece id of the cloth piece
 * @param compared what was found
 * @param had the corrections there are
 * @param day when
 */
export function pinnedCorrections(
  piece: string,
  { width, depth }: Pick<PinnedCompared, 'width' | 'depth'>,
  had: readonly Correction[],
  day: string,
): Correction[] {
  // What is corrected already is in the computed piece: the new difference comes on top of it.
  const before = had.filter((candidate) => candidate.piece === piece && candidate.note === NOTE);
  const retained = had.filter((candidate) => !before.includes(candidate));
  const earlier = (what: Correction['what']): number =>
    before.filter((candidate) => candidate.what === what).reduce((sum, { by }) => sum + by, 0);
  const made: Correction[] = [];
  for (const [what, by] of [
    ['width', width],
    ['depth', depth],
  ] as const) {
    const whole = Math.round(earlier(what) - by);
    if (Math.abs(whole) >= CHALK)
      made.push({ id: freeId([...retained, ...made], 'c'), piece, what, where: null, by: whole, note: NOTE, day });
  }
  return [...retained, ...made];
}

/** How large an outline is, mm. */
export function pinnedSize(outline: Polygon): { width: number; depth: number } {
  const box = bounds(outline);
  return { width: box.width, depth: box.height };
}

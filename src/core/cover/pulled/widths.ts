import { between, bounds, type Point, type Polygon } from '../../outline';
import { flatPiece, type CoverPiece, type PieceLine } from '../laying/cloth-piece';
import type { SeamPlan } from '../details/seam-plans';

/** A cloth that is joined from widths: its pieces from one side to the other, and the seams between them. */
export type Widths = { pieces: CoverPiece[]; seams: SeamPlan[] };

/** How a cloth lies on its roll, and what its seams take. */
export type Roll = { width: number; axis: 0 | 1; allowance: number; threadFactor: number };

/** A line's straight parts that lie between two places, one by one. */
function partsBetween({ kind, points, closed }: PieceLine, axis: 0 | 1, from: number, to: number): PieceLine[] {
  if (closed) {
    const retained = between(points, axis, from, to);
    return retained.length > 2 ? [{ kind, points: retained, closed }] : [];
  }
  return points.slice(1).flatMap((b, i): PieceLine[] => {
    const a = points[i]!;
    const d = b[axis] - a[axis];
    const [s, e] = d === 0 ? [0, 1] : [(from - a[axis]) / d, (to - a[axis]) / d].sort((p, q) => p - q);
    const [t0, t1] = [Math.max(0, s!), Math.min(1, e!)];
    if (t0 >= t1 || (d === 0 && (a[axis] < from || a[axis] > to))) return [];
    const at = (t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
    return [{ kind, points: [at(t0), at(t1)], closed: false }];
  });
}

/** Where the seams lie: a whole width in the middle, what is left shared by the two sides, and theirs likewise. */
function seamsAt(low: number, high: number, { width, allowance }: Roll): number[] {
  const middle = (low + high) / 2;
  const whole = width - 2 * allowance;
  const at: number[] = [];
  for (let out = whole / 2; middle + out < high; out += whole) {
    at.unshift(middle - out);
    at.push(middle + out);
  }
  return at;
}

const NAMES: Record<0 | 1, readonly [low: string, high: string]> = { 0: ['left', 'right'], 1: ['front', 'back'] };

/**
 * Joins a cloth that is wider than its roll from widths, as it has always been done: a whole width in the middle and what
 * is left of it at either side, so that no seam runs down the middle of a seat.
 *
 * @param piece the cloth in one
 * @param roll usable width, along which axis of the piece the roll's width lies, seam allowance and thread for a seam
 * @returns null where it comes off the roll in one
 */
export function inWidths(piece: CoverPiece, roll: Roll): Widths | null {
  const box = bounds(piece.outline);
  const { axis } = roll;
  const [low, high] = axis === 0 ? [box.minX, box.maxX] : [box.minY, box.maxY];
  if (high - low <= roll.width) return null;
  const at = seamsAt(low, high, roll);
  const names = [...at, 0].map((_, k) => {
    const out = k - at.length / 2;
    if (out === 0) return 'middle';
    return `${NAMES[axis][out < 0 ? 0 : 1]}${Math.abs(out) > 1 ? ` ${Math.abs(out)}` : ''}`;
  });
  return joinedAt(piece, roll, at, { names, seam: 'width', note: 'Join the widths first, pattern to pattern.' });
}

/** What the parts of a joined cloth are called, and its seams. */
type Joined = { names: readonly string[]; seam: 'width' | 'hidden'; note: string };

const SEAMS = { width: 'Width seam', hidden: 'Hidden seam' } as const;

/**
 * Joins a cloth at places along one of its axes.
 *
 * @param piece the cloth in one
 * @param roll along which axis it is joined, seam allowance and thread for a seam
 * @param at the places, rising, mm
 * @param joined what its parts and seams are called
 */
function joinedAt(piece: CoverPiece, roll: Omit<Roll, 'width'>, at: readonly number[], { names, seam, note }: Joined): Widths {
  const { axis, allowance } = roll;
  const ends = [-Infinity, ...at, Infinity];
  const pieces = names.map((name, k): CoverPiece => {
    const [from, to] = [ends[k]!, ends[k + 1]!];
    const local = (line: Polygon): Polygon => between(line, axis, from, to);
    const inside = (p: { x: number; y: number }): boolean => [p.x, p.y][axis]! >= from && [p.x, p.y][axis]! <= to;
    return {
      ...piece,
      ...flatPiece(`${piece.name}, ${name}`, piece.count, between(piece.outline, axis, from - allowance, to + allowance)),
      id: seam === 'hidden' ? `${piece.id}-${name}` : `${piece.id}-${k + 1}`,
      sewn: local(piece.sewn),
      stapleLine: local(piece.stapleLine),
      trimLine: local(piece.trimLine),
      centreMarks: piece.centreMarks.filter(([x, y]) => inside({ x, y })),
      lines: [
        ...piece.lines.flatMap((line) => partsBetween(line, axis, from, to)),
        ...[from, to]
          .filter(Number.isFinite)
          .map((place): PieceLine => ({ kind: 'stitch', points: across(piece.outline, axis, place), closed: false })),
      ],
      marks: piece.marks.filter(inside),
      motif: piece.motif && inside(piece.motif) ? piece.motif : null,
      note: [piece.note, note].filter(Boolean).join(' '),
    };
  });
  const seams = at.map((place, k): SeamPlan => {
    const [a, b] = across(piece.outline, axis, place) as [Point, Point];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    return {
      id: `${seam}-${k + 1}`,
      name: `${SEAMS[seam]}${seam === 'width' ? ` ${k + 1}` : ''}`,
      length,
      welted: false,
      partners: [pieces[k]!, pieces[k + 1]!].map(({ name }) => ({ piece: name, edge: `${seam}-${k + 1}`, flat: length })),
      ease: 0,
      notches: 0,
      thread: (length * roll.threadFactor) / 100,
      layers: 2,
    };
  });
  return { pieces, seams };
}

/**
 * Cuts the part of a cloth that nobody will see from plain cloth: good cloth above the join, lining cloth below it.
 *
 * @param piece the cloth in one
 * @param at where the join lies, from front to back, mm
 * @param roll seam allowance and thread for a seam
 * @returns null where the join lies beside the cloth
 */
export function withHidden(piece: CoverPiece, at: number, roll: Pick<Roll, 'allowance' | 'threadFactor'>): Widths | null {
  const { minY, maxY } = bounds(piece.outline);
  if (at <= minY + 2 * roll.allowance || at >= maxY - 2 * roll.allowance) return null;
  const note = 'Joined below what is seen; press the seam upwards.';
  const { pieces, seams } = joinedAt(piece, { ...roll, axis: 1 }, [at], { names: ['below', 'above'], seam: 'hidden', note });
  const [below, above] = pieces as [CoverPiece, CoverPiece];
  // What is seen comes first, and keeps its name.
  return {
    pieces: [
      { ...above, name: piece.name, id: piece.id },
      { ...below, cloth: 'lining', motif: null },
    ],
    seams,
  };
}

/** The stretch of a straight line across a piece, from its one edge to the other. */
function across(outline: Polygon, axis: 0 | 1, place: number): Point[] {
  const other = outline.flatMap((a, i): number[] => {
    const b = outline[(i + 1) % outline.length]!;
    if (a[axis] <= place === b[axis] <= place) return [];
    const t = (place - a[axis]) / (b[axis] - a[axis]);
    return [a[1 - axis]! + (b[1 - axis]! - a[1 - axis]!) * t];
  });
  const at = (value: number): Point => (axis === 0 ? [place, value] : [value, place]);
  return [at(Math.min(...other)), at(Math.max(...other))];
}

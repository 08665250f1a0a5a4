import type { Point } from '../../outline';
import type { Correction } from '../../piece';
import { flatPiece, type CoverPiece } from '../laying/cloth-piece';

/** Where a place of a pulled cover comes to when so much is taken off its width or depth. */
export function slackOpening(blank: CoverPiece, corrections: readonly Correction[]): (at: Point) => Point {
  const by = (what: Correction['what']): number => corrections.filter((c) => c.what === what).reduce((sum, c) => sum + c.by, 0);
  const [fx, fy] = [(blank.width - by('width')) / blank.width, (blank.height - by('depth')) / blank.height];
  return ([x, y]) => [x * fx, y * fy];
}

/**
 * A piece whose every place comes to another: outline, finished line, notches, marks and lines, with the size and area that it then has.
 *
 * @param piece as it was
 * @param at where a place of it comes to
 */
export function movedPiece(piece: CoverPiece, at: (place: Point) => Point): CoverPiece {
  const shifted = <T extends { x: number; y: number }>(item: T): T => {
    const [x, y] = at([item.x, item.y]);
    return { ...item, x, y };
  };
  return {
    ...piece,
    ...flatPiece(piece.name, piece.count, piece.outline.map(at)),
    sewn: piece.sewn.map(at),
    stapleLine: piece.stapleLine.map(at),
    trimLine: piece.trimLine.map(at),
    centreMarks: piece.centreMarks.map(at),
    notches: piece.notches.map(shifted),
    marks: piece.marks.map(shifted),
    motif: piece.motif && shifted(piece.motif),
    lines: piece.lines.map((line) => ({ ...line, points: line.points.map(at) })),
  };
}

/** A pulled cover that came out slack or tight on the first piece: so much is taken off its width or depth. */
export function slackTaken(blank: CoverPiece, corrections: readonly Correction[]): CoverPiece {
  return corrections.length === 0 ? blank : movedPiece(blank, slackOpening(blank, corrections));
}

/** A second row of stitching inside every seam of a piece, so far from it, mm. */
export function withTopStitch(piece: CoverPiece, distance: number): CoverPiece {
  if (distance <= 0) return piece;
  const n = piece.sewn.length;
  const lines = piece.edges
    .filter((edge) => edge.kind === 'seam')
    .map((edge) => {
      const points: Point[] = [];
      for (let k = 0; k <= edge.sides; k++) {
        const [a, b] = [piece.sewn[(edge.from + k) % n]!, piece.sewn[(edge.from + k + 1) % n]!];
        const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
        points.push([a[0] - ((b[1] - a[1]) / length) * distance, a[1] + ((b[0] - a[0]) / length) * distance]);
      }
      return { kind: 'top-stitch' as const, points, closed: false };
    });
  return { ...piece, lines: [...piece.lines, ...lines] };
}

/** The motif's point as a mark on the cloth. */
export function withMotifMark(piece: CoverPiece): CoverPiece {
  if (!piece.motif) return piece;
  return { ...piece, marks: [...piece.marks, { kind: 'motif', ...piece.motif, label: 'motif' }] };
}

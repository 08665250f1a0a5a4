import { polygonContains } from 'd3';
import { describe, expect, it } from 'vitest';
import { bounds, type Point, type Polygon } from '../../outline';
import { KINDS, newPiece, type Piece } from '../../piece';
import { planPiece } from '../../plan';
import type { CoverPiece } from './cloth-piece';
import { arrangePieces, onPage } from './arranged';
import { sharedPlanner } from '../../../testing/quick';

const GAP = 22;

function piecesOf(piece: Piece): CoverPiece[] {
  return planPiece(piece, {}, { planner: sharedPlanner }).cover!.pieces;
}

/** Places of a fine net that lie on both of two outlines: by brute force, not by the clipping library that laid them. */
function onBoth(a: Polygon, b: Polygon): number {
  const [p, q] = [bounds(a), bounds(b)];
  const ring = (polygon: Polygon) => polygon.map(([x, y]): [number, number] => [x, y]);
  let count = 0;
  for (let x = Math.max(p.minX, q.minX); x <= Math.min(p.maxX, q.maxX); x += 2.9)
    for (let y = Math.max(p.minY, q.minY); y <= Math.min(p.maxY, q.maxY); y += 2.9)
      if (polygonContains(ring(a), [x, y]) && polygonContains(ring(b), [x, y])) count += 1;
  return count;
}

const MANY: [string, Piece][] = KINDS.filter(({ id }) => piecesOf(newPiece(id)).length > 1).map(({ id }) => [id, newPiece(id)]);

describe.each(MANY)('the flat pieces of a %s on one page', (_name, piece) => {
  const pieces = piecesOf(piece);
  const arranged = arrangePieces(pieces, GAP);
  const lying = pieces.map(({ outline }, i) => outline.map((at) => onPage(arranged[i]!, at)));

  it('are all there, none on another', () => {
    expect(arranged).toHaveLength(pieces.length);
    for (let i = 0; i < lying.length; i++)
      for (let j = i + 1; j < lying.length; j++) expect(onBoth(lying[i]!, lying[j]!), `${pieces[i]!.name} and ${pieces[j]!.name}`).toBe(0);
  });

  it('keep their sizes and are not turned over', () => {
    pieces.forEach(({ outline }, i) => {
      const side = (ring: readonly Point[], k: number): number =>
        Math.hypot(ring[(k + 1) % ring.length]![0] - ring[k]![0], ring[(k + 1) % ring.length]![1] - ring[k]![1]);
      const area = (ring: readonly Point[]): number =>
        ring.reduce((sum, [x, y], k) => sum + x * ring[(k + 1) % ring.length]![1] - ring[(k + 1) % ring.length]![0] * y, 0);
      for (let k = 0; k < outline.length; k += 7) expect(side(lying[i]!, k)).toBeCloseTo(side(outline, k), 6);
      expect(area(lying[i]!) / area(outline)).toBeCloseTo(1, 6);
    });
  });

  it('stay together: the page is not much larger than a row of them all would be', () => {
    const page = bounds(lying.flat());
    const sizes = pieces.map(({ outline }) => bounds(outline));
    const longest = Math.max(...sizes.map(({ width, height }) => Math.max(width, height)));
    const deep = sizes.reduce((sum, { width, height }) => sum + Math.min(width, height) + GAP, 0);
    expect(page.width).toBeLessThanOrEqual(longest + 2 * deep);
    expect(page.height).toBeLessThanOrEqual(longest + 2 * deep);
  });
});

describe('pieces that are sewn to each other', () => {
  it('lie with their notches before each other: the border of a headboard round its middle', () => {
    const pieces = piecesOf({ ...newPiece('headboard-bordered') });
    const arranged = arrangePieces(pieces, GAP);
    const middle = pieces.findIndex(({ role }) => role === 'top');
    const borders = pieces.map((piece, i) => ({ own: piece, i })).filter(({ own: coverPiece }) => coverPiece.role === 'border');
    expect(borders.length).toBeGreaterThan(2);
    for (const { own: coverPiece, i } of borders) {
      const at = (k: number) => bounds(pieces[k]!.outline.map((p) => onPage(arranged[k]!, p)));
      const [a, b] = [at(middle), at(i)];
      // Not farther than a gap or two from the middle piece, and beside it, not over it.
      const gap = Math.max(b.minX - a.maxX, a.minX - b.maxX, b.minY - a.maxY, a.minY - b.maxY);
      expect(gap, coverPiece.name).toBeLessThan(6 * GAP);
    }
  });

  it('a band that goes all round lies before the front, square to the page', () => {
    const pieces = piecesOf(newPiece('round-seat'));
    const arranged = arrangePieces(pieces, GAP);
    const k = pieces.findIndex(({ role }) => role === 'band');
    expect(Math.abs(Math.sin(2 * arranged[k]!.angle))).toBeLessThan(1e-6);
  });

  it('nothing is nothing, and one piece stays where it is', () => {
    expect(arrangePieces([], GAP)).toEqual([]);
    const [one] = piecesOf(newPiece('chair-seat'));
    expect(arrangePieces([one!], GAP)).toEqual([{ angle: 0, dx: 0, dy: 0 }]);
  });
});

import { describe, expect, it } from 'vitest';
import { QUICK } from '../../testing/quick';
import { cornerAlong, offsetPolygon, pointAlong, type Point, type Polygon } from '../outline';
import { newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';

/** Nobody sees less between left and right, mm. */
const ALIKE = 0.5;

type Place = { x: number; y: number };

/** Places that have none opposite them across the centre line. */
const unmatched = (places: readonly Place[]): Place[] =>
  places.filter(({ x, y }) => !places.some((other) => Math.hypot(other.x + x, other.y - y) < ALIKE));

const BACK_POSTS = ['back left', 'back right'];

describe('a board that is alike left and right', () => {
  it.each([
    [30, 40],
    [40, 45],
    [60, 25],
  ])('with posts of %i × %i is fastened alike left and right, from the centre line outwards', (width, depth) => {
    const chair = newPiece('chair-seat');
    const notches = BACK_POSTS.map((name, i) => ({ id: `n-${i + 1}`, at: { kind: 'corner' as const, name }, width, depth }));
    const piece = { ...chair, base: { ...chair.base, notches } } as Piece;
    const { order } = planPiece(piece, {}, QUICK).fixing;
    expect(order.length).toBeGreaterThan(40);
    expect(unmatched(order)).toEqual([]);
    // Its centres are tacked first, on the centre marks of board and cloth.
    const centres = order.filter(({ kind, edge }) => kind === 'centre' && (edge === 'front' || edge === 'back'));
    expect(centres.map(({ x }) => Math.abs(x) < ALIKE)).toEqual([true, true]);
  });

  it('an inside corner’s place on the line is the line’s own corner, whichever way the line runs', () => {
    const board: Polygon = [
      [-200, -200],
      [200, -200],
      [200, 160],
      [160, 160],
      [160, 200],
      [-160, 200],
      [-160, 160],
      [-200, 160],
    ];
    const line = offsetPolygon(board, -18)!;
    const at = ([x, y]: Point): Point => pointAlong(line, cornerAlong(line, [x, y]));
    const [right, left] = [at([160, 160]), at([-160, 160])];
    expect(Math.abs(right[0] + left[0])).toBeLessThan(0.1);
    expect(Math.abs(right[1] - left[1])).toBeLessThan(0.1);
    // Diagonally inside, as far from both faces.
    expect(Math.abs(160 - right[0] - (160 - right[1]))).toBeLessThan(0.5);
    // A corner that stands out has one nearest place.
    const out = at([200, -200]);
    expect(Math.hypot(out[0] - 182, out[1] + 182)).toBeLessThan(0.5);
  });
});

import { describe, expect, it } from 'vitest';
import { problemsOf } from '../../document';
import { newChairSeat, PieceProblems, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { QUICK } from '../../../testing/quick';

describe('a way that goes nowhere on an outline', () => {
  it('is refused whole, with the ways that can be made: no other cover is planned in its place', () => {
    const base = newChairSeat();
    const piece: Piece = {
      ...base,
      base: {
        ...base.base,
        shape: { type: 'trapezoid', frontWidth: 496, backWidth: 430, depth: 463, cornerRadius: { front: 44, back: 22 } },
        notches: [{ id: 'n-1', at: { kind: 'corner', name: 'front left' }, width: 55, depth: 41 }],
      },
      covering: { way: 'bordered' },
    };
    expect(problemsOf(piece)).toEqual([]);
    const refused = (): Plan => planPiece(piece, {}, QUICK);
    expect(refused).toThrow(PieceProblems);
    expect(refused).toThrow(/Bordered panel: its seam would cross itself on this outline.*Choose a way that is pulled over: Pulled over, /);
    expect(planPiece({ ...piece, covering: { way: 'pull-over' } }, {}, QUICK).cover.method).toBe('pull-over');
  });
});

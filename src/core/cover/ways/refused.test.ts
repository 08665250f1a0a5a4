import { describe, expect, it } from 'vitest';
import { problemsOf } from '../../document';
import { crossesItself } from '../../outline';
import { newChairSeat, newPiece, PieceProblems, type Piece } from '../../piece';
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

describe('a part that lies over itself when it is laid flat', () => {
  it('is not to be cut to, and the plan says so', () => {
    const start = newPiece('headboard-nailed');
    const piece: Piece = {
      ...start,
      base: {
        ...start.base,
        shape: { type: 'crowned', width: 1373, sideHeight: 549, shoulder: 118, height: 686, cornerRadius: { front: 0, back: 20 } },
      },
      pads: start.pads.map((pad) => ({ ...pad, thickness: 75 })),
      cloth: {
        ...start.cloth,
        thickness: 0.9,
        direction: 'across',
        shrinkage: 4,
        weave: 'plain',
        fibre: 'linen',
        stretchWarp: 1,
        stretchWeft: 1.5,
      },
      overrides: { ...start.overrides, return: 19, grip: 23 },
      covering: { way: 'saddle-set', liner: true },
    };
    const { cover, warnings } = planPiece(piece, {}, { ...QUICK, coarse: false });
    const overItself = cover.pieces.some(({ sewn }) => crossesItself(sewn) !== null);
    expect([overItself, cover.check.settled]).toEqual([true, false]);
    expect(warnings.map(({ code }) => code)).toContain('not-flat');
  });
});

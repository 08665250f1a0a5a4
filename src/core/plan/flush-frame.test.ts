import { describe, expect, it } from 'vitest';
import { inspectPlan } from '../inspection';
import { newPiece, type Piece, type PieceKind } from '../piece';
import { sizesOf } from '../sizes';
import { planPiece } from '.';
import { QUICK } from '../../testing/quick';

const FRAME = { width: 40, thickness: 38, inset: 0, ribs: 0, stock: 2400, kerf: 3 };

/** A piece on 12 mm ply, on a frame, or on a board of another thickness. */
function on(kind: PieceKind, { thickness = 12, frame }: { thickness?: number; frame?: Partial<typeof FRAME> }): Piece {
  const piece = newPiece(kind);
  const base: Piece['base'] = { ...piece.base, board: { ...piece.base.board, thickness }, supports: 'solid' };
  if (frame) base.frame = { ...FRAME, ...frame };
  else delete base.frame;
  return { ...piece, base };
}

/** Foam that stands over the edge lets the cloth slant in to it, which is not quite as long: by so much at the most, mm. */
const SLANT = 1.2;

const cut = (piece: Piece, part = 0): [width: number, height: number] => {
  const { width, height } = planPiece(piece, {}, QUICK).cover.pieces[part]!;
  return [width, height];
};

describe('a frame flush under the board', () => {
  it.each(['corner-seat', 'chair-seat', 'headboard'] as const)(
    '%s: the cover goes round board and frame as round a board as thick',
    (kind) => {
      const framed = cut(on(kind, { frame: {} }));
      const solid = cut(on(kind, { thickness: 50 }));
      const bare = cut(on(kind, {}));
      framed.forEach((size, axis) => {
        expect(size).toBeCloseTo(solid[axis]!, 6);
        // A master adds the frame's 38 on either edge: what is cut to the board alone does not reach the frame's underside.
        expect(Math.abs(size - bare[axis]! - 2 * 38)).toBeLessThan(SLANT);
      });
    },
  );

  it('makes a band higher by itself: 12 ply on a 38 frame is the band of solid 50', () => {
    const band = 1;
    expect(cut(on('round-seat', { frame: {} }), band)[1]).toBeCloseTo(cut(on('round-seat', { thickness: 50 }), band)[1], 6);
  });

  it('passes its inspection, wadding and liner down to the frame’s lower edge', () => {
    const piece = on('chair-seat', { frame: {} });
    const plan = planPiece(piece, {}, QUICK);
    expect(inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) })).toEqual([]);
    const bare = planPiece(on('chair-seat', {}), {}, QUICK);
    expect(Math.abs(plan.wadding!.width - bare.wadding!.width - 2 * 38)).toBeLessThan(SLANT);
  });

  it('counts the slant where it is set in a little, and nothing where the turn-under does not reach it', () => {
    const bare = cut(on('corner-seat', {}));
    const near = cut(on('corner-seat', { frame: { inset: 10 } }));
    const far = cut(on('corner-seat', { frame: { inset: 30 } }));
    expect(Math.abs(near[0] - bare[0] - 2 * (Math.hypot(10, 38) - 10))).toBeLessThan(SLANT);
    expect(far).toEqual(bare);
  });
});

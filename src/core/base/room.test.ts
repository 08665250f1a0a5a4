import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withAt } from '@/ui/sheet/drawn/path';
import { baseOutline, outlineSize } from '../outline';
import { checkShape, newPiece, SHAPES, shapeKind, type Opening, type Piece } from '../piece';
import { mendOf, planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { roomFor, smaller } from '.';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const between = (piece: Piece, opening: Partial<Opening>): Piece => ({
  ...piece,
  base: { ...piece.base, opening: { width: null, depth: null, clear: 2, ...opening } },
});
const seat = newPiece('chair-seat', { type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 20, back: 20 } });

describe('how large a piece is once it is covered', () => {
  it('a chair seat is wider than its board by what a master allows: 6 to 12 mm a side with its foam 6 over', () => {
    const { covered } = planned(seat).room;
    for (const [value, board] of [
      [covered.width, 450],
      [covered.depth, 420],
    ] as const) {
      expect((value - board) / 2).toBeGreaterThan(4);
      expect((value - board) / 2).toBeLessThan(14);
    }
  });

  it('flush foam stands out by the cloth and the give of a square edge alone: a drop-in seat', () => {
    const flush: Piece = { ...seat, pads: seat.pads.map((pad) => (pad.role === 'main' ? { ...pad, offset: 0 } : pad)) };
    const { covered } = planned(flush).room;
    expect((covered.width - 450) / 2).toBeLessThan(5);
    expect((covered.width - 450) / 2).toBeGreaterThanOrEqual(flush.cloth.thickness - 0.01);
    // Thicker cloth on either side, and nothing else.
    const thick: Piece = { ...flush, cloth: { ...flush.cloth, thickness: flush.cloth.thickness + 1 } };
    expect(planned(thick).room.covered.width - covered.width).toBeCloseTo(2, 2);
  });

  it('foam farther over makes it wider by that, less what the pull takes back', () => {
    const over = (offset: number): number =>
      planned({ ...seat, pads: seat.pads.map((pad) => (pad.role === 'main' ? { ...pad, offset } : pad)) }).room.covered.width;
    expect(over(10) - over(2)).toBeGreaterThan(6);
    expect(over(10) - over(2)).toBeLessThan(17);
  });

  it('a welt beneath the edge stands out by its cord', () => {
    const welted: Piece = {
      ...seat,
      covering: { ...seat.covering, welt: { cord: 6, cut: 'as-it-bends', upper: false, lower: true, double: false, held: 'stapled' } },
    };
    expect(planned(welted).room.covered.width - planned(seat).room.covered.width).toBeCloseTo(12, 1);
  });
});

describe('what it goes between', () => {
  it('is told on either side, from the middle', () => {
    expect(roomFor({ width: 480, depth: null, clear: 2 }, { width: 466, depth: 900 })).toEqual({
      width: 7,
      depth: null,
      clear: 2,
      fits: true,
      lessWidth: 0,
      lessDepth: 0,
    });
    expect(roomFor({ width: 460, depth: 430, clear: 2 }, { width: 466, depth: 428 })).toMatchObject({
      fits: false,
      lessWidth: 10,
      lessDepth: 2,
    });
  });

  it('too narrow, the board is made smaller with one press, and then it goes in', () => {
    for (const [kind, shape, opening] of [
      ['chair-seat', seat.base.shape, { width: 455, depth: 426 }],
      ['chair-seat', newPiece('chair-seat').base.shape, { width: 450, depth: 420 }],
      ['corner-seat', newPiece('corner-seat').base.shape, { width: 1000 }],
      ['bench', newPiece('bench').base.shape, { width: 1000 }],
    ] as const) {
      const size = outlineSize(baseOutline(shape));
      const tight = between(newPiece(kind, shape), {
        width: Math.min(opening.width, Math.round(size.width)),
        depth: 'depth' in opening ? Math.min(opening.depth, Math.round(size.depth)) : null,
      });
      const warning = planned(tight).warnings.find(({ code }) => code === 'too-large-between');
      expect(warning, kind).toBeDefined();
      const mend = mendOf(tight, warning!)!;
      expect(mend.says).toMatch(/^Make the board \d+ mm narrower/);
      const mended = withAt(tight, mend.path, mend.value);
      const after = planned(mended);
      expect(after.warnings.map(({ code }) => code)).not.toContain('too-large-between');
      // No more is taken off than it needs: the covered piece still fills its opening.
      expect(after.room.opening!.width!).toBeLessThan(3.5);
      expect(after.room.opening!.width!).toBeGreaterThanOrEqual(1.7);
    }
  });

  it('is on the sizes and tried bare first', () => {
    const piece = between(seat, { width: 480, depth: 450 });
    const plan = planned(piece);
    const line = sizesOf(plan, piece, {}).find(({ key }) => key === 'covered')!;
    expect(line.value).toBeGreaterThan(455);
    expect(line.note).toMatch(/^free beside it: [\d.]+ mm left and right, [\d.]+ mm near and far$/);
    expect(plan.steps.find(({ key }) => key === 'board')!.detail).toContain(
      'Try it bare where it goes: 15 mm left and right, 15 mm near and far',
    );
    expect(planned(seat).steps.find(({ key }) => key === 'board')!.detail).not.toContain('Try it bare');
  });

  it('every shape that is made smaller is smaller by just that, or left to the hand', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHAPES.map(({ type }) => type)),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 20 }),
        (type, lessWidth, lessDepth) => {
          const shape = shapeKind(type).start;
          const less = smaller(shape, lessWidth, lessDepth);
          if (!less) return;
          expect(checkShape(less)).toEqual([]);
          const [a, b] = [outlineSize(baseOutline(shape)), outlineSize(baseOutline(less))];
          const [dw, dd] = type === 'round' ? [Math.max(lessWidth, lessDepth), Math.max(lessWidth, lessDepth)] : [lessWidth, lessDepth];
          expect(a.width - b.width).toBeCloseTo(dw, 0);
          expect(a.depth - b.depth).toBeCloseTo(dd, 0);
        },
      ),
      { numRuns: 120, seed: 3 },
    );
    const made = SHAPES.filter(({ start }) => smaller(start, 6, 6)).map(({ type }) => type);
    expect(made).toEqual(expect.arrayContaining(['rectangle', 'trapezoid', 'round']));
  });
});

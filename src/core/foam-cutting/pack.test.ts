import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece } from '../piece';
import { planPiece } from '../plan';
import { biasBlocks, packRoll, packSheets, type Laid } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

/** An independent look: inside the sheet, and no two closer than the gap. */
function sound(laid: readonly Laid[], width: number, height: number, gap: number): void {
  laid.forEach((a, i) => {
    expect(a.x).toBeGreaterThanOrEqual(0);
    expect(a.y).toBeGreaterThanOrEqual(0);
    expect(a.x + a.width).toBeLessThanOrEqual(width + 1e-6);
    expect(a.y + a.height).toBeLessThanOrEqual(height + 1e-6);
    for (const b of laid.slice(i + 1)) {
      const between = Math.max(a.x - b.x - b.width, b.x - a.x - a.width, a.y - b.y - b.height, b.y - a.y - a.height);
      expect(between).toBeGreaterThanOrEqual(gap - 1e-6);
    }
  });
}

const blanks = fc.array(
  fc.record({
    label: fc.constant('a'),
    width: fc.double({ min: 30, max: 900, noNaN: true }),
    height: fc.double({ min: 30, max: 900, noNaN: true }),
  }),
  { minLength: 1, maxLength: 24 },
);

describe('layouts', () => {
  it('on sheets: everything laid once, inside, apart, turned or not', () => {
    fc.assert(
      fc.property(blanks, fc.boolean(), (wanted, turn) => {
        const { sheets, tooLarge } = packSheets(wanted, { width: 1000, height: 2000 }, { gap: 4, turn });
        expect(sheets.flat().length + tooLarge.length).toBe(wanted.length);
        for (const sheet of sheets) sound(sheet, 1000, 2000, 4);
        if (!turn) expect(sheets.flat().some((piece) => piece.turned)).toBe(false);
      }),
      { numRuns: 80 },
    );
  });

  it('on a roll: everything laid once, inside the length said, apart', () => {
    fc.assert(
      fc.property(blanks, fc.boolean(), (wanted, turn) => {
        const { length, laid, tooLarge } = packRoll(wanted, 1400, { gap: 10, turn });
        expect(laid.length + tooLarge.length).toBe(wanted.length);
        sound(laid, 1400, length, 10);
      }),
      { numRuns: 60 },
    );
  });

  it('put every cover of a patterned set on the repeat, within 0.5 mm', () => {
    const piece = newChairSeat();
    piece.count = 6;
    piece.base.shape = { type: 'round', diameter: 300 };
    piece.cloth = { ...piece.cloth, repeatAcross: 84, repeatAlong: 60, rollWidth: 1420, pull: 'smooth' };
    const { laid } = planPiece(piece, {}, QUICK).cut.cloth;
    expect(laid).toHaveLength(6);
    for (const a of laid) {
      expect(Math.abs(a.x / 84 - Math.round(a.x / 84)) * 84).toBeLessThan(0.5);
      expect(Math.abs(a.y / 60 - Math.round(a.y / 60)) * 60).toBeLessThan(0.5);
    }
  });

  it('a cover wider than the roll and a pad larger than the sheet are said, not lost', () => {
    const piece = newChairSeat({ type: 'round', diameter: 1300 });
    const whole = { ...piece, pads: piece.pads.map((pad) => ({ ...pad, blocks: 1 })) };
    const codes = (item: typeof piece): string[] => planPiece(item, {}, QUICK).warnings.map((w) => w.code);
    expect(codes(whole)).toEqual(expect.arrayContaining(['joined-widths', 'pad-larger-than-sheet']));
    // As it starts it is joined from as many blocks as the sheet asks for, and no more.
    expect(codes(piece)).not.toContain('pad-larger-than-sheet');
    // The join of the one does not lie over the other's.
    expect(piece.pads.map(({ blocks }) => blocks)).toEqual([2, 3]);
    expect(newChairSeat().pads.every(({ blocks }) => blocks === undefined)).toBe(true);
  });

  it('on a roll nothing is laid longer than rows by hand are, for a hundred sets of pieces', () => {
    for (let k = 0; k < 100; k++) {
      const blanks = Array.from({ length: 2 + (k % 9) }, (_, i) => ({
        label: String(i),
        width: 60 + ((k * 137 + i * 911) % 900),
        height: 40 + ((k * 71 + i * 353) % 500),
      }));
      const { laid, length, tooLarge } = packRoll(blanks, 1400, { gap: 10, turn: false });
      expect(tooLarge).toEqual([]);
      // Rows: the tallest first, each into the first row with room.
      const rows: { tall: number; filled: number }[] = [];
      for (const { width, height } of [...blanks].sort((a, b) => b.height - a.height)) {
        const row = rows.find(({ filled }) => filled + width <= 1400);
        if (row) row.filled += width + 10;
        else rows.push({ tall: height, filled: width + 10 });
      }
      expect(length).toBeLessThanOrEqual(rows.reduce((sum, { tall }) => sum + tall + 10, -10) + 1e-6);
      // Every piece is there, inside, and none on another.
      expect(laid.map(({ label }) => label).sort()).toEqual(blanks.map(({ label }) => label).sort());
      for (const [i, a] of laid.entries()) {
        expect(a.x).toBeGreaterThanOrEqual(-1e-9);
        expect(a.x + a.width).toBeLessThanOrEqual(1400 + 1e-9);
        for (const b of laid.slice(i + 1))
          expect(
            a.x + a.width <= b.x + 1e-6 || b.x + b.width <= a.x + 1e-6 || a.y + a.height <= b.y + 1e-6 || b.y + b.height <= a.y + 1e-6,
          ).toBe(true);
      }
    }
  });
});

describe('blocks and scraps', () => {
  it('blocks share the pad between them without a gap, and scraps are not bought', () => {
    const seat = newChairSeat({ type: 'trapezoid', frontWidth: 450, backWidth: 380, depth: 420, cornerRadius: { front: 30, back: 10 } });
    const blocks = { ...seat, pads: seat.pads.map((pad) => (pad.role === 'main' ? { ...pad, blocks: 3 } : { ...pad, scrap: true })) };
    const [whole, split] = [planPiece(seat, {}, QUICK), planPiece(blocks, {}, QUICK)];
    const main = split.foam.find((foam) => foam.role === 'main')!;
    expect(main.blocks).toHaveLength(3);
    expect(main.blocks.reduce((sum, block) => sum + block.area, 0)).toBeCloseTo(main.area, 0);
    expect(main.count).toBe(3 * whole.foam.find((foam) => foam.role === 'main')!.count);
    const laid = split.cut.foam.layouts.flatMap((layout) => layout.sheets.flat().map((piece) => piece.label));
    expect(laid.filter((label) => label === main.pad)).toHaveLength(main.layers.length * 3);
    expect(laid).not.toContain('crown');
    expect(split.steps.find((step) => step.key === 'foam')!.detail).toContain('from scraps');
  });
});

describe('bias strips', () => {
  it('all come out of their blocks, each of its whole length and none over another', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 200, max: 950 }),
        fc.integer({ min: 20, max: 60 }),
        (count, length, width) => {
          const blocks = biasBlocks(count, length, width, 1400);
          expect(blocks.reduce((sum, { strips }) => sum + strips, 0)).toBe(count);
          for (const block of blocks) {
            expect(block.width).toBeLessThanOrEqual(1400 + 1e-6);
            for (let k = 0; k < block.strips; k++) {
              // Corners of a strip at 45°: it begins on the lower edge, k strips from the left.
              const [c, s] = [Math.SQRT1_2, Math.SQRT1_2];
              const x0 = (k + 1) * width * Math.SQRT2 - width * s;
              const corners = [
                [x0, width * c],
                [x0 + width * s, 0],
                [x0 + length * c, width * c + length * s],
                [x0 + width * s + length * c, length * s],
              ] as const;
              for (const [x, y] of corners) {
                expect(x).toBeGreaterThanOrEqual(-1e-6);
                expect(x).toBeLessThanOrEqual(block.width + 1e-6);
                expect(y).toBeGreaterThanOrEqual(-1e-6);
                expect(y).toBeLessThanOrEqual(block.height + 1e-6);
              }
            }
          }
        },
      ),
    );
  });

  it('velvet is not turned on the roll, and plain cloth may be', () => {
    const start = newPiece('bench');
    const cloth = { ...start.cloth, direction: 'any' as const };
    const laid = (nap: 'none' | 'pile') => planPiece({ ...start, count: 15, cloth: { ...cloth, nap } }, {}, QUICK).cut.cloth.laid;
    expect(laid('pile').every(({ turned }) => !turned)).toBe(true);
    expect(laid('none').some(({ turned }) => turned)).toBe(true);
  });
});

describe('pieces inside their rectangles', () => {
  it('lie whole in them, and a motif that was placed falls where the piece has it', () => {
    const start = newPiece('chair-seat');
    for (const direction of ['along', 'across', 'any'] as const) {
      const cloth = { ...start.cloth, direction, repeatAcross: 84, repeatAlong: 60 };
      const covering = { ...start.covering, motif: { x: 10, y: 20, on: 'stripe' as const } };
      const { cut } = planPiece({ ...start, count: 5, cloth, covering }, {}, QUICK);
      expect(cut.shapes).toHaveLength(5);
      cut.shapes.forEach(({ points }, i) => {
        const at = cut.cloth.laid[i]!;
        for (const [x, y] of points) {
          expect(x).toBeGreaterThanOrEqual(at.x - 0.01);
          expect(y).toBeGreaterThanOrEqual(at.y - 0.01);
          expect(x).toBeLessThanOrEqual(at.x + at.width + 0.01);
          expect(y).toBeLessThanOrEqual(at.y + at.height + 0.01);
        }
      });
      for (const { x, y } of cut.motifs) {
        expect(Math.abs(x / 84 - Math.round(x / 84)) * 84).toBeLessThan(0.5);
        expect(Math.abs(y / 60 - Math.round(y / 60)) * 60).toBeLessThan(0.5);
      }
    }
  });
});

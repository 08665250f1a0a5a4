import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPiece, newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { inParts } from './pack';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const bench = (width: number): Piece => {
  const plain = newPiece('bench');
  return {
    ...plain,
    base: { ...plain.base, shape: { type: 'rectangle', width, depth: 420, cornerRadius: { front: 0, back: 0 } } },
    pads: plain.pads.map((pad) => ({ ...pad, blocks: 1 })),
  };
};

describe('what fits nowhere whole', () => {
  it('is cut into the fewest parts that fit, which together are as large as it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 6000 }),
        fc.integer({ min: 10, max: 6000 }),
        fc.integer({ min: 300, max: 2500 }),
        fc.integer({ min: 300, max: 2500 }),
        fc.boolean(),
        fc.constantFrom(0, 12),
        (width, height, w, h, turn, seam) => {
          const parts = inParts({ label: 'x', width, height }, { width: w, height: h }, { turn, seam });
          const fits = (a: number, b: number): boolean => (a <= w + 1e-6 && b <= h + 1e-6) || (turn && b <= w + 1e-6 && a <= h + 1e-6);
          for (const part of parts) expect(fits(part.width, part.height)).toBe(true);
          expect(parts.reduce((sum, part) => sum + part.width * part.height, 0)).toBeGreaterThanOrEqual(width * height - 1e-6);
          if (fits(width, height)) expect(parts).toHaveLength(1);
          // No fewer would do: each part is at most a whole sheet.
          expect(parts.length).toBeGreaterThanOrEqual(Math.ceil((width * height) / (w * h) - 1e-9));
        },
      ),
      { numRuns: 400 },
    );
  });

  it('a pad longer than any sheet is in the sum, said loudly, with the press that joins it', () => {
    const piece = bench(2600);
    const plan = planned(piece);
    const warning = plan.warnings.find(({ code }) => code === 'pad-larger-than-sheet')!;
    expect(warning.mend).toMatchObject({ path: 'pads.0.blocks', value: 2 });
    // Two sheets of 1000 × 2000: 2600 of bench do not come out of one whole.
    expect(plan.cut.foam.layouts[0]!.sheets.flat().filter(({ label }) => label === 'main, part')).toHaveLength(2);
    expect(plan.cut.foam.sheets).toBeGreaterThanOrEqual(1);
    const area = plan.cut.foam.layouts[0]!.sheets.flat().reduce((sum, { width, height }) => sum + width * height, 0);
    expect(area).toBeGreaterThan(2600 * 420);
    const mended: Piece = { ...piece, pads: piece.pads.map((pad) => ({ ...pad, blocks: 2 })) };
    expect(checkPiece(mended)).toEqual([]);
    expect(planned(mended).warnings.map(({ code }) => code)).not.toContain('pad-larger-than-sheet');
    expect(planned(mended).cut.foam.sheets).toBe(plan.cut.foam.sheets);
  });

  it('wadding wider than its roll is counted in parts and said, with the roll that holds it', () => {
    const piece: Piece = { ...bench(1800), overrides: { waddingRoll: 500 }, pads: newPiece('bench').pads };
    const plan = planned(piece);
    const warning = plan.warnings.find(({ code }) => code === 'roll-too-narrow')!;
    expect(warning.mend).toMatchObject({ path: 'overrides.waddingRoll', value: 2000 });
    expect(plan.cut.wadding!.laid.map(({ label }) => label)).toEqual(['Wadding, part', 'Wadding, part']);
    expect(plan.cut.wadding!.length).toBeGreaterThan(1800);
    expect(planned({ ...piece, overrides: { waddingRoll: 2000 } }).warnings.map(({ code }) => code)).not.toContain('roll-too-narrow');
  });

  it('a panel wider than its roll is in the length to buy, with its seams', () => {
    const plain = newPiece('round-seat');
    const piece: Piece = {
      ...plain,
      base: { ...plain.base, shape: { type: 'round', diameter: 900 }, board: { ...plain.base.board, thickness: 25 } },
      cloth: { ...plain.cloth, rollWidth: 700 },
    };
    const { cut, warnings } = planned(piece);
    expect(cut.cloth.tooLarge).toContain('Top panel');
    expect(warnings.map(({ code }) => code)).toContain('cloth-too-narrow');
    const parts = cut.cloth.laid.filter(({ label }) => label === 'Top panel, part');
    expect(parts).toHaveLength(2);
    // The top alone is 900 long: what was left out of the sum before.
    expect(cut.cloth.length).toBeGreaterThan(900);
    for (const part of parts) expect(Math.min(part.width, part.height)).toBeLessThanOrEqual(700);
    expect(cut.shapes.filter(({ label }) => label === 'Top panel, part')).toHaveLength(2);
  });
});

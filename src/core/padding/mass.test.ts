import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newChairSeat, type Pad, type Piece } from '../piece';
import { planPiece } from '../plan';
import { foamMass, modelOf, stackAt } from '.';
import { QUICK } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const chair = newChairSeat({ type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 0, back: 0 } });
const pad = (change: Partial<Pad>): Pad => ({ ...chair.pads[1]!, offset: 0, ...change });
const massOf = (pads: Pad[]): number => foamMass(modelOf({ ...chair, pads }, {}));
const DENSITY = 35e-9;

describe('mass', () => {
  it('of plain shapes by the closed form: a slab, a wedge, a bevel, a rounding, a roll', () => {
    const [w, d, t] = [450, 420, 50];
    expect(massOf([pad({})])).toBeCloseTo(w * d * t * DENSITY, 6);
    // A wedge of 60 at the far edge and 30 at the near one holds 45 on the whole.
    expect(massOf([pad({ thickness: 30, wedge: 60 })]) / (w * d * 45 * DENSITY)).toBeCloseTo(1, 1.7);
    // A roll of 40 along the edge is a ring: what is inside it is not there.
    const roll = massOf([pad({ thickness: 40, edge: { kind: 'roll', width: 40 } })]);
    const ring = (w * d - (w - 80) * (d - 80)) * 40 * DENSITY;
    expect(roll).toBeLessThan(ring * 1.02);
    expect(roll).toBeGreaterThan(ring * 0.7);
  });

  weekly(1)('of any stack is within 2 % of a sum over darts thrown at it', () => {
    const edge = fc.oneof(
      fc.constant<Pad['edge']>({ kind: 'square' }),
      fc.record({
        kind: fc.constantFrom('feathered' as const, 'bevelled' as const, 'roll' as const),
        width: fc.integer({ min: 15, max: 60 }),
      }),
    );
    fc.assert(
      fc.property(edge, fc.option(fc.integer({ min: 30, max: 90 })), fc.integer({ min: 40, max: 90 }), (rim, wedge, thickness) => {
        const item = pad({ edge: rim, thickness, ...(wedge ? { wedge } : {}) });
        const model = modelOf({ ...chair, pads: [item] }, {});
        // An independent sum: every millimetre along two families of lines, by the stack's own heights.
        let sum = 0;
        for (let x = -224.5; x < 225; x += 3)
          for (let y = -209.5; y < 210; y += 3) {
            const found = stackAt(model, [x, y]).pads[0];
            if (found) sum += (found.upper - found.lower) * 9;
          }
        expect(Math.abs(foamMass(model) / (sum * DENSITY) - 1)).toBeLessThan(0.02);
      }),
      { numRuns: 25 },
    );
  });

  it('holes are taken out of the board, and a pocket is filled with its own foam', () => {
    const board = (change: Partial<Piece['base']>): number =>
      planPiece({ ...chair, base: { ...chair.base, ...change } }, {}, QUICK).mass.board;
    const drilled = board({ holes: [{ id: 'h-1', kind: 'round', x: 0, y: 0, diameter: 100 }] });
    expect(board({}) - drilled).toBeCloseTo((Math.PI * 50 ** 2 * 12 * 650) / 1e9, 2);
    // A pocket is an oval, in the section, on the template and in what it weighs.
    const pocket = { x: 0, y: 0, width: 200, length: 150, deep: 20, material: 'latex-medium' };
    expect(massOf([pad({ pocket })]) - massOf([pad({})])).toBeCloseTo(((Math.PI / 4) * 200 * 150 * 20 * (65 - 35)) / 1e9, 6);
  });
});

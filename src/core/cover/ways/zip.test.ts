import { describe, expect, it } from 'vitest';
import { inspectPlan } from '../../inspection';
import { newPiece, type Piece, type PieceKind } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { QUICK } from '../../../testing/quick';

const sized = (kind: PieceKind, [width, depth]: readonly [number, number], thick: readonly number[]): Piece => {
  const start = newPiece(kind, { type: 'rectangle', width, depth, cornerRadius: { front: 15, back: 15 } });
  const [main] = start.pads;
  return { ...start, pads: thick.map((thickness, i) => ({ ...main!, id: i === 0 ? main!.id : `slab-${i}`, thickness })) };
};
const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);

describe('a loose pad has no board', () => {
  it.each(['seat-cushion', 'back-cushion', 'block-seat'] as const)(
    '%s: its band is as high as its foam and wadding, its weight is theirs',
    (kind) => {
      const piece = newPiece(kind);
      const thick = piece.pads.reduce((sum, pad) => sum + pad.thickness, 0);
      const plan = planned(piece);
      const band = plan.cover.pieces.find(({ role }) => role === 'band')!;
      const high = Math.min(band.width, band.height) - 2 * 12;
      // A master cuts it as high as the foam, and up to a finger more for the wadding: higher it hangs in folds.
      expect(high).toBeGreaterThanOrEqual(thick - 1);
      expect(high).toBeLessThanOrEqual(thick + 12);
      expect(plan.mass.board).toBe(0);
      expect(plan.mass.total).toBeCloseTo(plan.mass.foam, 6);
    },
  );
});

describe('the zip of a round pad', () => {
  it.each([
    [400, 100],
    [300, 150],
  ])('Ø %d × %d: a third of its way round, or as far on as the pad needs', (diameter, thick) => {
    const start = newPiece('seat-cushion', { type: 'round', diameter });
    const plan = planned({ ...start, pads: start.pads.map((pad) => ({ ...pad, thickness: thick })) });
    expect(plan.cover.zip!.length).toBeGreaterThanOrEqual(Math.min(diameter + thick, diameter / 2 + 2 * thick) - 1);
    expect(plan.cover.zip!.length).toBeGreaterThan((Math.PI * diameter) / 3 - 30);
  });
});

describe('a zip lets its pad in', () => {
  it.each([
    ['a cushion of 500 × 480 × 100, folded', sized('seat-cushion', [500, 480], [100]), 500 / 2 + 2 * 100, true],
    ['a long thin bench cushion, folded', sized('seat-cushion', [1180, 350], [60]), 1180 / 2 + 2 * 60, true],
    ['a block of 660 × 800 × 500, whole', sized('block-seat', [660, 800], [250, 250]), 660 + 500, false],
  ] as const)('%s: stretched open it is as long round as the end that goes through it', (_, piece, opening, folded) => {
    const plan = planned(piece);
    const zip = plan.cover.zip!;
    expect(zip.folded).toBe(folded);
    expect(2 * zip.length).toBeGreaterThanOrEqual(2 * opening);
    // And no longer than that, or than the back and a hand's breadth round either corner: a zip is sewn in by the metre.
    const width = planned(piece).outline.width;
    expect(zip.length).toBeLessThan(Math.max(opening, width + 2 * 60) + 60);
    expect(plan.steps.find(({ key }) => key === 'stuff')!.detail).toMatch(folded ? /^Fold the pad/ : /feed it in whole/);
    expect(inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) })).toEqual([]);
  });
});

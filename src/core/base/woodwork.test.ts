import { describe, expect, it } from 'vitest';
import { edgeNamed } from '../outline';
import { newPiece, type EdgeFact, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { jigRadius, onStock } from '.';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const fact = (name: string, change: Partial<EdgeFact>): EdgeFact => ({
  ...{ edge: edgeNamed(name), fasten: true, visible: true, against: false, strip: null, trim: 0 },
  ...change,
});
const corner = newPiece('corner-seat');

describe('the jig of a bent trim', () => {
  it('is tighter by what n glued layers spring back: the bending of n layers against that of the whole', () => {
    // Independent: stiffness of n separate layers of t/n is n·(t/n)³, glued t³; what is let go is their ratio.
    for (const [radius, t, n] of [
      [150, 6, 2],
      [300, 12, 4],
      [60, 5, 5],
    ] as const) {
      const separate = n * (t / n) ** 3;
      const sprung = 1 / ((1 / (jigRadius(radius, t, n) + t / 2)) * (1 - separate / t ** 3)) - t / 2;
      expect(sprung).toBeCloseTo(radius, 6);
      expect(jigRadius(radius, t, n)).toBeLessThan(radius);
    }
    // Two layers let go of a quarter; ten of next to nothing. That is why the trade glues many thin ones.
    expect(jigRadius(200, 6, 2) / 200).toBeCloseTo(0.746, 2);
    expect(jigRadius(200, 6, 10) / 200).toBeGreaterThan(0.98);
  });
});

describe('the wood of a base', () => {
  it('is in sizes, shopping list and run sheet, before the padding, with the saw’s caution', () => {
    const round = newPiece('round-seat');
    const edge = planned(round).outline && 'edge';
    const piece: Piece = { ...round, count: 3, base: { ...round.base, edges: [fact(edge, { trim: 8 })] } };
    const plan = planned(piece);
    const [trim] = plan.base.trims;
    expect(trim!.laminations).toBeGreaterThan(1);
    const line = sizesOf(plan, piece, {}).find(({ key }) => key.startsWith('trim.') && key !== 'trim.length')!;
    expect(line.note).toMatch(new RegExp(`${trim!.laminations * 3} to saw.*jig of ${Math.round(trim!.jig!)} mm radius`));
    const bought = sizesOf(plan, piece, {}).find(({ key }) => key === 'trim.length')!;
    expect(bought.value).toBeCloseTo(trim!.cut * trim!.laminations * 3, 1);
    const at = plan.steps.findIndex(({ key }) => key.startsWith('trim-') && key.endsWith('-edge'));
    expect(at).toBeGreaterThan(plan.steps.findIndex(({ key }) => key === 'board'));
    expect(at).toBeLessThan(plan.steps.findIndex(({ key }) => key === 'foam'));
    expect(plan.steps[at]!.detail).toContain('spring back');
    expect(plan.steps[at]!.caution).toMatch(/^Saws/);
    // It stays in the jig for hours, hands free.
    expect(plan.steps[at]!.wait).toBe(240);
  });

  it('sits on whole lengths of stock for the whole set: none too long, none lost, none that an other has room for', () => {
    for (const count of [1, 2, 5, 8]) {
      const piece = { ...corner, count };
      const plan = planned(piece);
      const { battens, stock } = plan.base.frame!;
      expect(battens.length).toBeGreaterThan(3);
      const bought = sizesOf(plan, piece, {}).find(({ key }) => key === 'frame.stock')!.value;
      const total = battens.reduce((sum, { length }) => sum + length, 0) * count;
      // Never fewer than the wood itself, never more than one would with an empty half of every length.
      expect(bought).toBeGreaterThanOrEqual(Math.ceil(total / stock));
      expect(bought).toBeLessThanOrEqual(Math.ceil((2 * total) / stock) + 1);
      const all = Array.from({ length: count }, () => battens).flat();
      const { lengths } = onStock(all, stock, piece.base.frame!.kerf);
      expect(lengths.flat()).toHaveLength(all.length);
      for (const entries of lengths)
        expect(entries.reduce((sum, { length }) => sum + length, 0) + (entries.length - 1) * piece.base.frame!.kerf).toBeLessThanOrEqual(
          stock,
        );
      // A set saws less into waste than its pieces one by one.
      const alone = sizesOf(planned(corner), corner, {}).find(({ key }) => key === 'frame.stock')!.value;
      expect(bought).toBeLessThanOrEqual(alone * count);
    }
  });

  it('names every batten with its length and the angles of its ends', () => {
    const plan = planned(corner);
    const lines = sizesOf(plan, corner, {}).filter(({ key }) => /^frame\.\d/.test(key));
    expect(lines.map(({ value }) => value)).toEqual(plan.base.frame!.battens.map(({ length }) => length));
    for (const { note } of lines) expect(note).toMatch(/ends \d+° and \d+°$/);
    const detail = plan.steps.find(({ key }) => key === 'frame')!.detail;
    for (const { name } of plan.base.frame!.battens) expect(detail).toContain(name);
    // A board on webbing, or without a frame, has none of it.
    expect(planned(newPiece('chair-seat')).steps.some(({ key }) => key === 'frame')).toBe(false);
  });

  it('has its hard-edge strips by the metre, each with its mitres', () => {
    const chair = newPiece('chair-seat');
    const strip = { width: 12, thickness: 5 };
    const piece: Piece = { ...chair, base: { ...chair.base, edges: [fact('front', { strip }), fact('back', { strip })] } };
    const plan = planned(piece);
    const sum = plan.base.strips.reduce((total, edgeStrip) => total + edgeStrip.length, 0);
    expect(sizesOf(plan, piece, {}).find(({ key }) => key === 'strip.12x5.length')!.value).toBeCloseTo(sum * piece.count, 2);
    expect(plan.steps.find(({ key }) => key === 'edge-strips')!.detail).toMatch(/front: \d+ mm of 12 × 5 mm, ends [\d.]+°/);
  });
});

import { describe, expect, it } from 'vitest';
import { bounds, polygonArea } from '../outline';
import { newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { QUICK } from '../../testing/quick';

describe('a cover wider than its roll', () => {
  const wide = (width: number, depth: number, change: Partial<Piece['cloth']> = {}) => {
    const start = newPiece('headboard', { type: 'rectangle', width, depth, cornerRadius: { front: 0, back: 0 } });
    return planPiece({ ...start, cloth: { ...start.cloth, ...change } }, {}, QUICK);
  };

  it('is joined from widths: a whole one in the middle, and nothing vanishes', () => {
    const plan = wide(2000, 1500);
    expect(plan.cover.pieces.map(({ name }) => name)).toEqual(['Cover, front', 'Cover, middle', 'Cover, back']);
    expect(plan.cut.cloth.tooLarge).toEqual([]);
    expect(plan.cut.cloth.laid).toHaveLength(3);
    for (const piece of plan.cover.pieces) expect(piece.height).toBeLessThanOrEqual(1400.01);
    // The two sides are alike, and no seam lies in the middle.
    const [front, , back] = plan.cover.pieces;
    expect(Math.abs(front!.height - back!.height)).toBeLessThan(2);
    expect(plan.cover.seams.map(({ id }) => id)).toEqual(['width-1', 'width-2']);
    expect(plan.steps.map(({ key }) => key)).toContain('sew');
    expect(plan.warnings.map(({ code }) => code)).not.toContain('cloth-too-narrow');
  });

  it('sewn together it is the cloth in one: areas add up to it and two allowances a seam', () => {
    const one = wide(2000, 1500, { rollWidth: 4000 });
    const three = wide(2000, 1500);
    const area = (plan: typeof one) => plan.cover.pieces.reduce((sum, { outline }) => sum + Math.abs(polygonArea(outline)), 0);
    const seams = three.cover.seams.reduce((sum, { length }) => sum + length * 2 * 12, 0);
    expect((area(three) - seams) / area(one)).toBeCloseTo(1, 3);
    const box = bounds(three.cover.pieces.flatMap(({ stapleLine }) => stapleLine));
    const whole = bounds(one.cover.pieces[0]!.stapleLine);
    expect([box.width, box.height].map(Math.round)).toEqual([whole.width, whole.height].map(Math.round));
  });

  it('what fits the other way is turned, not joined', () => {
    expect(wide(2000, 900).cover.pieces).toHaveLength(1);
  });
});

import { polygonArea as d3Area } from 'd3';
import { describe, expect, it } from 'vitest';
import { checkDocument } from '../../document';
import { bounds, type Polygon } from '../../outline';
import { defaultsOf, HIDDEN, newPiece, type Hidden, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { QUICK, sharedPlanner } from '../../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
// Up the roll: turned sideways its height takes no length of cloth, and a join saves none.
const turned = newPiece('headboard', { type: 'rectangle', width: 900, depth: 700, cornerRadius: { front: 0, back: 0 } });
const board: Piece = { ...turned, cloth: { ...turned.cloth, direction: 'along' } };
const behind = (change: Partial<Hidden> = {}, piece = board): Piece => ({
  ...piece,
  base: { ...piece.base, hidden: { ...defaultsOf(HIDDEN), ...change } },
});
const area = (ring: Polygon): number => Math.abs(d3Area(ring.map(([x, y]): [number, number] => [x, y])));
const whole = planned(board);
const joined = planned(behind());

describe('what lies wholly behind a mattress', () => {
  const bordered = newPiece('headboard-bordered');
  const behind = (upTo: number): Piece => ({
    ...bordered,
    base: { ...bordered.base, hidden: { ...defaultsOf(HIDDEN), by: 'mattress', upTo, lap: 40 } },
  });
  const plain = (plan: Plan): string[] => plan.cover.pieces.filter(({ cloth }) => cloth === 'lining').map(({ id }) => id);

  it('is cut from plain cloth: the lower border and band of a bordered headboard, and nothing that is seen', () => {
    const [open, hidden] = [bordered, behind(300)].map((piece) => planPiece(piece, {}, QUICK));
    expect(plain(open!)).toEqual([]);
    const names = hidden!.cover.pieces.filter(({ cloth }) => cloth === 'lining').map(({ name }) => name);
    expect(names.sort()).toEqual(['Border, bottom', 'Outer band, bottom']);
    // As large as they were, off another roll: less of the good cloth is bought, never more.
    const sizes = (plan: Plan) => plan.cover.pieces.map(({ id, width, height }) => [id, Math.round(width), Math.round(height)]);
    expect(sizes(hidden!)).toEqual(sizes(open!));
    expect(hidden!.cut.cloth.length).toBeLessThanOrEqual(open!.cut.cloth.length);
    expect(hidden!.cut.lining!.laid.map(({ label }) => label).sort()).toEqual(['Border, bottom', 'Outer band, bottom']);
    expect(hidden!.steps.find(({ key }) => key === 'cloth')!.detail).toContain('border, bottom of lining cloth');
    expect(hidden!.warnings.map(({ code }) => code)).toEqual(open!.warnings.map(({ code }) => code));
  });

  it('is good cloth where the border is seen over the mattress', () => {
    // 130 hidden less 40 that good cloth goes on: 90, and the border is 100 wide.
    const names = planPiece(behind(130), {}, QUICK)
      .cover.pieces.filter(({ cloth }) => cloth === 'lining')
      .map(({ name }) => name);
    expect(names).toEqual(['Outer band, bottom']);
  });
});

describe('what a mattress hides', () => {
  it('is cut from plain cloth, joined below what is seen: the two are the one cloth and a seam', () => {
    const [seen, below] = joined.cover.pieces;
    expect([seen!.cloth, below!.cloth]).toEqual(['cover', 'lining']);
    // Independent: their areas are the blank's and two allowances along the join.
    const width = bounds(whole.cover.pieces[0]!.outline).width;
    expect(area(seen!.outline) + area(below!.outline)).toBeCloseTo(area(whole.cover.pieces[0]!.outline) + 2 * 12 * width, -3);
    // The join lies 250 − 80 over the board's near edge; good cloth goes on an allowance beyond it.
    expect(bounds(seen!.outline).minY).toBeCloseTo(-350 + 170 - 12, 1);
    expect(bounds(below!.outline).maxY).toBeCloseTo(-350 + 170 + 12, 1);
    const [seam] = joined.cover.seams;
    expect(seam).toMatchObject({ name: 'Hidden seam', layers: 2 });
    expect(seam!.length).toBeCloseTo(width, 0);
  });

  it('saves good cloth, and buys plain', () => {
    expect(whole.cut.cloth.length - joined.cut.cloth.length).toBeGreaterThan(150);
    expect(joined.cut.lining!.laid.map(({ label }) => label)).toContain('Cover, below');
    expect(whole.cut.lining).toBeNull();
    const piece = behind();
    expect(sizesOf(joined, piece, {}).find(({ key }) => key === 'hidden')).toMatchObject({ value: 170, group: 'Board' });
    expect(joined.steps.find(({ key }) => key === 'sew')!.detail).toContain('hidden seam');
    expect(joined.steps.find(({ key }) => key === 'cloth')!.detail).toContain('of lining cloth');
    expect(joined.warnings).toEqual(whole.warnings);
  });

  it('is seen by a planner that knew the piece without it', () => {
    const planner = sharedPlanner;
    const ask = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, coarse: true, planner });
    expect(ask(board).cover.pieces).toHaveLength(1);
    expect(ask(behind()).cover.pieces).toHaveLength(2);
    expect(ask(behind({ upTo: 300 })).cover.pieces[0]!.height).toBeLessThan(ask(behind()).cover.pieces[0]!.height);
  });

  it('with widths too: what is seen is joined from widths, what is not stays plain', () => {
    const wide = newPiece('headboard', { type: 'rectangle', width: 1800, depth: 900, cornerRadius: { front: 0, back: 0 } });
    const plan = planned(behind({}, { ...wide, cloth: { ...wide.cloth, direction: 'along', rollWidth: 1400 } }));
    expect(plan.cover.pieces.filter(({ cloth }) => cloth === 'cover').length).toBeGreaterThan(1);
    expect(plan.cover.pieces.filter(({ cloth }) => cloth === 'lining')).toHaveLength(1);
  });

  it('up to beyond the piece is refused; with no line left to join at it changes nothing', () => {
    const checked = checkDocument(behind({ upTo: 800 }), {});
    expect('problems' in checked && checked.problems[0]).toMatchObject({ path: 'base.hidden.upTo' });
    expect(planned(behind({ upTo: 60, lap: 80 })).cover.pieces).toHaveLength(1);
  });
});

import { describe, expect, it } from 'vitest';
import { offsetPolygon, polygonPerimeter } from '../../outline';
import { newPiece, STARTING_SHAPES, type Covering, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { QUICK } from '../../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const board = newPiece('headboard-bordered');
const with_ = (covering: Partial<Covering>): Piece => ({ ...board, covering: { ...board.covering, ...covering } });
const staged = planned(board);
const sewn = planned(with_({ made: 'sewn' }));
const keys = (plan: Plan): string[] => plan.steps.map(({ key }) => key);

describe('a bordered headboard in stages', () => {
  it('is how one begins; it goes on in the order of the trade, each part before the one that hides its edge', () => {
    const order = ['board', 'lip-strips', 'glue-main', 'cloth', 'welts', 'sew', 'inner-panel', 'inner-welt', 'border-tack', 'border-foam'];
    const rest = ['border-pull', 'edge-welt', 'band-tack', 'tack', 'staple', 'trim', 'dust', 'measure'];
    expect(keys(staged).filter((key) => [...order, ...rest].includes(key))).toEqual([...order, ...rest]);
    // Where staples go in, they are cautioned of.
    for (const key of ['inner-panel', 'inner-welt', 'border-tack', 'border-pull', 'edge-welt', 'band-tack'])
      expect(staged.steps.find((step) => step.key === key)!.caution).toMatch(/^Staples/);
    // Without a cord nothing is said of one.
    const plain = planned(with_({ welt: { cord: 6, cut: 'straight', upper: false, lower: false, double: false } }));
    expect(keys(plain)).not.toContain('inner-welt');
    expect(keys(plain)).not.toContain('edge-welt');
    expect(plain.steps.find(({ key }) => key === 'border-tack')!.detail).toContain('tight against the line');
  });

  it('sews nothing but its joins: no seam of many layers under the foot, thread for the joins', () => {
    expect(staged.cover.seams.filter(({ laid }) => !laid)).toEqual([]);
    expect(staged.steps.find(({ key }) => key === 'sew')!.detail).toMatch(/^8 joins/);
    const all = sizesOf(staged, board, {}).find(({ key }) => key === 'thread')!;
    // Its welts are sewn on the machine, each once along its cord.
    const welts = staged.cover.welts.reduce((sum, { seamLength }) => sum + seamLength, 0) * (all.terms[0]!.value / 100);
    const thread = all.value - welts;
    // Eight joins: four mitres of a border of 100, four ends of a band; a few metres of thread, not a reel.
    expect(thread).toBeGreaterThan(1000);
    expect(thread).toBeLessThan(6000);
    expect(sizesOf(sewn, with_({ made: 'sewn' }), {}).find(({ key }) => key === 'thread')!.value).toBeGreaterThan(welts + 5 * thread);
  });

  it('has cloth to pull on where it is stapled, and a seam’s allowance where it is tacked', () => {
    const top = (plan: Plan) => plan.cover.pieces.find(({ role }) => role === 'top')!;
    // A hand's breadth of 35 instead of a seam's 12, on either side.
    expect(top(staged).width - top(sewn).width).toBeCloseTo(2 * (35 - 12), 0);
    const border = (plan: Plan) => plan.cover.pieces.find(({ name }) => name === 'Border, top')!;
    expect(Math.abs(border(staged).height - border(sewn).height - (35 - 12))).toBeLessThan(1);
    // The finished lines are the same: nothing of the surface has changed.
    expect(top(staged).net).toBeCloseTo(top(sewn).net, 0);
    expect(staged.cover.check.closes).toBe(true);
    expect(staged.warnings).toEqual([]);
  });

  it('says the border that the outline allows, on every step, and buys the lip’s strips', () => {
    const stepped = newPiece('headboard-bordered', STARTING_SHAPES.stepped);
    const plan = planned(stepped);
    const fitted = Math.round(plan.cover.border!);
    expect(fitted).toBeLessThan(100);
    for (const key of ['lip-strips', 'glue-main', 'wadding']) {
      const { detail } = plan.steps.find((step) => step.key === key)!;
      expect(detail).toContain(`${fitted} mm in from the edge`);
      expect(detail).not.toContain('100 mm in from');
    }
    const lip = sizesOf(staged, board, {}).find(({ key }) => key === 'lip')!;
    // Round a line 100 in from 1500 × 1000: 4,200, a little more over the dome.
    expect(lip.value).toBeGreaterThan(4150);
    expect(lip.value).toBeLessThan(4400);
    expect(sizesOf(sewn, with_({ made: 'sewn' }), {}).some(({ key }) => key === 'lip')).toBe(false);
  });

  it('counts the staples and the card of either line', () => {
    const outline = staged.outline.points;
    const inner = polygonPerimeter(offsetPolygon(outline, -100)!);
    const outer = polygonPerimeter(outline);
    const count = (plan: Plan): number => plan.fixing.fasteners.find(({ id }) => id === 'staples')!.count;
    // Two rows on either line, each its own whole number of staples.
    expect(count(staged) - count(sewn)).toBe(2 * Math.ceil(inner / 22) + 2 * Math.ceil(outer / 22));
    const strips = staged.cover.tackStrips;
    expect(strips).toHaveLength(8);
    const along = (name: string): number => strips.filter((strip) => strip.along === name).reduce((sum, { length }) => sum + length, 0);
    // The lip's own line runs over the padding: a little longer than in plan.
    expect(along('lip') / inner).toBeGreaterThan(0.98);
    expect(along('lip') / inner).toBeLessThan(1.05);
    expect(along('edge') / outer).toBeGreaterThan(0.95);
    expect(along('edge') / outer).toBeLessThan(1.02);
    expect(sewn.cover.tackStrips).toEqual([]);
  });

  it('cuts pad and wadding apart at the line; sewn as one they are laid whole', () => {
    const detail = (plan: Plan, key: string): string => plan.steps.find((step) => step.key === key)!.detail;
    for (const key of ['glue-main', 'wadding']) {
      expect(detail(staged, key)).toContain('the frame round it is kept for the border');
      expect(detail(sewn, key)).not.toContain('the frame round it');
    }
    // What is laid ends at the lip, not at the board's edge.
    expect(detail(staged, 'glue-main')).toContain('its cut edge close against the lip.');
    expect(detail(sewn, 'glue-main')).toMatch(/flush with the board’s|over the board’s/);
    expect(keys(sewn)).not.toContain('lip-strips');
    expect(detail(sewn, 'sew')).toContain('inner seam');
    // Its dome lies inside the lip: a border is flat over foam of its own.
    expect(staged.foam.find(({ role }) => role === 'crown')!.width).toBeLessThan(1500 - 2 * 100);
  });
});

import { describe, expect, it } from 'vitest';
import { RULES } from '../house';
import { newChairSeat, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { GLUES } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */
const chair = newChairSeat();
const plan = (change: Partial<Piece>): Plan => planPiece({ ...chair, ...change }, {}, QUICK);
const spray = (of: Plan) => of.steps.find(({ key }) => key.startsWith('spray-'))!;
const lay = (of: Plan) => of.steps.find(({ key }) => key.startsWith('glue-'))!;
const toBuy = (change: Partial<Piece>) => sizesOf(plan(change), { ...chair, ...change }, {}).find(({ key }) => key === 'glue')!;

describe('glue by product', () => {
  it.each(GLUES.map((glue) => [glue.name, glue] as const))('%s: its own tack, press and faces, within what the rules allow', (_, glue) => {
    for (const [key, value] of Object.entries(glue.figures)) {
      const { allowed } = RULES.find((rule) => rule.key === key)!;
      expect(value, key).toBeGreaterThanOrEqual(allowed[0]);
      expect(value, key).toBeLessThanOrEqual(allowed[1]);
    }
    const item = plan({ glue: glue.id as Piece['glue'] & string });
    expect(spray(item).wait).toBe(glue.figures.timeGlueTack);
    expect(lay(item).wait).toBe(glue.figures.timeGluePress);
    expect(spray(item).detail).toContain(glue.how);
    expect(item.steps.find(({ key }) => key.startsWith('spray-'))!.detail).toContain('A test patch on a scrap first');
    expect(item.warnings).toEqual([]);
  });

  it('one face takes half as much as two, and what was set for the piece alone stands over its product', () => {
    // The wadding gets a light coat on one face, whatever the glue.
    const wadding = plan({}).wadding!.area;
    expect(toBuy({ glue: 'water-sprayed' }).value - wadding).toBeCloseTo((toBuy({ glue: 'contact-sprayed' }).value - wadding) / 2, 6);
    expect(toBuy({ glue: 'water-sprayed' }).note).toContain('water-based, sprayed');
    expect(spray(plan({ glue: 'contact-brushed', overrides: { timeGlueTack: 8 } })).wait).toBe(8);
    // The house's own: nothing changes for who says nothing.
    expect(spray(plan({ glue: null }))).toEqual(spray(plan({})));
  });
});

describe('a cloth that is washed or steamed first', () => {
  const cotton: Piece = { ...chair, cloth: { ...chair.cloth, fibre: 'cotton', shrinkage: 5 } };
  const washed: Piece = { ...cotton, cloth: { ...cotton.cloth, ready: 'washed' } };
  const [later, first, plain] = [cotton, washed, { ...cotton, cloth: { ...cotton.cloth, shrinkage: 0 } }].map((piece) =>
    planPiece(piece, {}, QUICK),
  );
  const bought = (of: Plan, piece: Piece): number => sizesOf(of, piece, {}).find(({ key }) => key === 'cloth.length')!.value;

  it('is cut as it is, and bought by what it loses longer', () => {
    expect(first!.cover.pieces[0]!.width).toBeCloseTo(plain!.cover.pieces[0]!.width, 6);
    expect(later!.cover.pieces[0]!.width).toBeCloseTo(plain!.cover.pieces[0]!.width / 0.95, 3);
    expect(bought(first!, washed)).toBeCloseTo(first!.cut.cloth.length / 0.95, 3);
    expect(bought(later!, cotton)).toBe(later!.cut.cloth.length);
  });

  it('is made ready before all else, with the hours it dries, and not warned of', () => {
    const keys = first!.steps.map(({ key }) => key);
    expect(keys[0]).toBe('ready-cloth');
    expect(first!.steps[0]!.wait).toBeGreaterThanOrEqual(240);
    expect(first!.steps[0]!.detail).toContain('shrinks by 5 %');
    expect(first!.steps[0]!.caution).toMatch(/^Iron, steam/);
    expect(later!.steps.map(({ key }) => key)).not.toContain('ready-cloth');
    const codes = (piece: Piece) => planPiece(piece, {}, QUICK).warnings.map(({ code }) => code);
    expect(codes({ ...cotton, cloth: { ...cotton.cloth, shrinkage: 0 } })).toContain('not-pre-shrunk');
    expect(codes({ ...cotton, cloth: { ...cotton.cloth, shrinkage: 0, ready: 'steamed' } })).not.toContain('not-pre-shrunk');
  });
});

describe('corner blocks of a frame', () => {
  it('sit where its battens meet, two out of a square, and stand in the step', () => {
    const frame = { width: 45, thickness: 20, inset: 20, ribs: 1, stock: 2400, kerf: 3, blocks: 60 };
    const piece: Piece = {
      ...chair,
      count: 3,
      base: { ...chair.base, shape: { type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 0, back: 0 } }, frame },
    };
    const item = planPiece(piece, {}, QUICK);
    expect(item.base.frame!.blocks).toEqual({ count: 4, leg: 60 });
    expect(sizesOf(item, piece, {}).find(({ key }) => key === 'frame.blocks')!.note).toBe('6 to saw, 12 blocks, 20 mm thick');
    expect(item.steps.find(({ key }) => key === 'frame')!.detail).toContain('In its 4 corners glue and screw blocks, 60 mm');
    const none = planPiece({ ...piece, base: { ...piece.base, frame: { ...frame, blocks: 0 } } }, {}, QUICK);
    expect(none.base.frame!.blocks).toBeNull();
    // Five battens of some 400 × 45 × 20 of softwood are a little under a kilogram; four blocks a few tens of grams.
    expect(none.mass.frame).toBeGreaterThan(0.6);
    expect(none.mass.frame).toBeLessThan(1.1);
    expect(item.mass.frame - none.mass.frame).toBeCloseTo(4 * 0.06 ** 2 * 0.5 * 0.02 * 480, 3);
    expect(item.mass.total).toBeCloseTo(item.mass.board + item.mass.foam + item.mass.frame, 2);
  });
});

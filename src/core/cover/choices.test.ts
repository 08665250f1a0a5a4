import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CLOTHS, giveOf, weaveOf } from '../cloth';
import { checkDocument, parseDocument } from '../document';
import { KINDS, kindOf, newChairSeat, newPiece, PieceProblems, STARTING_SHAPES, type Covering, type Piece } from '../piece';
import { planPiece } from '../plan';
import { coverStep } from '../plan/steps';
import { choicesOf, STARTING } from './choices';
import { WAYS } from './ways';
import { QUICK, sharedPlanner } from '../../testing/quick';
import { runs } from '../../testing/runs';

/** Any choice that the form can make. */
const covering: fc.Arbitrary<Covering> = fc.record(
  {
    way: fc.constantFrom(...WAYS.map(({ id }) => id)),
    seamAt: fc.constantFrom('on-top' as const, 'edge' as const, 'below' as const),
    bandCut: fc.constantFrom('straight' as const, 'shaped' as const, null),
    joins: fc.constantFrom('back' as const, 'corners' as const),
    border: fc.integer({ min: 15, max: 150 }),
    lip: fc.integer({ min: 3, max: 60 }),
    split: fc.constantFrom('none' as const, 'depth' as const, 'width' as const),
    darts: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 4 }),
    topStitch: fc.integer({ min: 0, max: 12 }),
    backingStrips: fc.boolean(),
    pulls: fc.boolean(),
    liner: fc.boolean(),
    seamMoves: fc.array(fc.record({ at: fc.double({ min: 0, max: 1, noNaN: true }), by: fc.integer({ min: -40, max: 40 }) }), {
      maxLength: 4,
    }),
    welt: fc.record({
      cord: fc.integer({ min: 2, max: 20 }),
      cut: fc.constantFrom('straight' as const, 'bias' as const),
      upper: fc.boolean(),
      lower: fc.boolean(),
      double: fc.boolean(),
    }),
    channels: fc.record({
      lay: fc.constantFrom('straight' as const, 'radiating' as const),
      run: fc.constantFrom('front-to-back' as const, 'across' as const),
      width: fc.integer({ min: 12, max: 200 }),
      centre: fc.constantFrom('channel' as const, 'line' as const),
      backing: fc.integer({ min: 0, max: 12 }),
      swatch: fc.constant(null),
    }),
  },
  { requiredKeys: ['way'] },
);

function everyNumber(value: unknown, path: string, visit: (path: string, value: number) => void): void {
  if (typeof value === 'number') visit(path, value);
  else if (value && typeof value === 'object')
    for (const [key, inner] of Object.entries(value)) everyNumber(inner, `${path}.${key}`, visit);
}

describe('any choice of cover', () => {
  it.each(['chair-seat', 'round-seat', 'saddle'] as const)('%s: finite figures and pieces of some size, or a refusal in words', (kind) => {
    const piece: Piece = newPiece(kind);
    const planner = sharedPlanner;
    fc.assert(
      fc.property(covering, (choice) => {
        const chosen: Piece = { ...piece, covering: choice };
        // What the form can make, the schema takes; what cannot be sewn is said before anything is worked out.
        const read = checkDocument(chosen);
        if ('problems' in read) {
          expect(read.problems.every(({ path }) => path.startsWith('covering'))).toBe(true);
          return;
        }
        try {
          const { cover } = coverStep(planner.model(chosen, {}), 'quick');
          everyNumber(cover, 'cover', (path, value) => expect(Number.isFinite(value), path).toBe(true));
          expect(cover.method).toBe(choice.way);
          for (const coverPiece of cover.pieces) {
            expect(coverPiece.width).toBeGreaterThan(1);
            expect(coverPiece.height).toBeGreaterThan(1);
            expect(coverPiece.area).toBeGreaterThan(1);
          }
          expect(new Set(cover.pieces.map(({ id }) => id)).size).toBe(cover.pieces.length);
          expect(cover.suits).toHaveLength(WAYS.length);
          for (const suit of cover.suits) expect(suit.why.join(' ').length).toBeGreaterThan(10);
        } catch (error) {
          if (!(error instanceof PieceProblems)) throw error;
          expect(error.problems[0]!.message.length).toBeGreaterThan(20);
        }
      }),
      { numRuns: runs(4, 30) },
    );
  });
});

describe('what a covering is taken to be', () => {
  it('every kind begins with the way it is usually covered', () => {
    for (const { id } of KINDS) expect(newPiece(id).covering.way).toBe(kindOf(id).start.way);
    expect(newPiece('saddle').covering.way).toBe('saddle-set');
  });

  it('what another way does not use is kept, and used again when it is chosen', () => {
    const retained: Covering = {
      way: 'buttoned',
      border: 75,
      channels: { ...STARTING.channels, width: 33 },
      nails: { ...STARTING.nails, pitch: 31 },
      welt: { ...STARTING.welt, cord: 9 },
    };
    expect(choicesOf(retained)).toMatchObject({ welt: null, channels: null, nails: null, buttons: STARTING.buttons });
    const as = (way: string) => choicesOf({ ...retained, way });
    expect(as('channelled').channels!.width).toBe(33);
    expect(as('boxed').channels!.width).toBe(33);
    expect(as('boxed').welt!.cord).toBe(9);
    expect(as('nail-edged').nails!.pitch).toBe(31);
    expect(planPiece({ ...newPiece('headboard'), covering: { ...retained, way: 'bordered' } }, {}, QUICK).cover.border).toBe(
      retained.border,
    );
  });

  it('a border that nobody chose is as wide as the outline allows', () => {
    const stepped = planPiece(newPiece('headboard-bordered', STARTING_SHAPES.stepped), {}, QUICK).cover.border!;
    expect(stepped).toBeLessThan(STARTING.border);
    expect(stepped).toBeGreaterThan(0);
    expect(planPiece(newPiece('headboard-bordered'), {}, QUICK).cover.border).toBe(STARTING.border);
  });
});

describe('which ways suit', () => {
  const fit = (piece: Piece, way: string) => planPiece(piece, {}, QUICK).cover.suits.find((suit) => suit.way === way)!;

  it('a thin pad leaves no band, a stiff cloth no dome, a thick one no channels', () => {
    const thin: Piece = {
      ...newPiece('headboard'),
      wadding: null,
      pads: [{ id: 'm', role: 'main', material: 'seat-firm', thickness: 6, offset: 0, edge: { kind: 'square' } }],
    };
    expect(fit(thin, 'boxed').fit).toBe('not');
    const domed: Piece = {
      ...newChairSeat(),
      cloth: { ...newChairSeat().cloth, stretchWarp: 0.1, stretchWeft: 0.1 },
      pads: [
        { id: 'c', role: 'crown', material: 'seat-extra-firm', thickness: 60, offset: null, edge: { kind: 'domed' } },
        { id: 'm', role: 'main', material: 'seat-firm', thickness: 40, offset: null, edge: { kind: 'square' } },
      ],
    };
    expect(fit(domed, 'pull-over').why.join(' ')).toContain('The dome needs');
    expect(fit({ ...newChairSeat(), cloth: { ...newChairSeat().cloth, thickness: 3 } }, 'channelled').fit).toBe('not');
    expect(fit(newChairSeat(), 'pull-over').fit).toBe('suits');
    expect(fit(newPiece('saddle'), 'saddle-set').fit).toBe('suits');
    expect(fit(newPiece('headboard-nailed'), 'nail-edged').fit).toBe('suits');
  });
});

describe('cloths', () => {
  it('give by their weave unless somebody measured it, more on the bias where they are woven', () => {
    expect(weaveOf({ coated: true })).toBe('coated');
    expect(giveOf({ coated: false })).toEqual({ warp: 0.02, weft: 0.03, bias: 0.09 });
    expect(giveOf({ coated: false, weave: 'knit' }).warp).toBeCloseTo(0.15, 9);
    const item = giveOf({ coated: false, weave: 'plain', stretchWarp: 0.5, stretchWeft: 4 });
    expect([item.warp, item.weft]).toEqual([0.005, 0.04]);
    for (const cloth of CLOTHS) {
      const give = giveOf(cloth);
      expect(give.bias).toBeGreaterThanOrEqual(Math.max(give.warp, give.weft));
      expect(
        parseDocument(
          JSON.stringify({
            ...newChairSeat(),
            cloth: {
              ...newChairSeat().cloth,
              name: cloth.name,
              weave: cloth.weave,
              fibre: cloth.fibre,
              weight: cloth.weight,
              nap: cloth.nap,
              price: cloth.price,
            },
          }),
        ),
      ).toBeTruthy();
    }
    expect(new Set(CLOTHS.map(({ id }) => id)).size).toBe(CLOTHS.length);
  });
});

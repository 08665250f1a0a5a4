import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece, type Piece } from '../piece';
import { planPiece, proposals as proposalsOf, sheetView } from '../plan';
import { QUICK, sharedPlanner } from '../../testing/quick';

const plan = (change: Partial<Piece>) => planPiece({ ...newChairSeat(), ...change }, {}, QUICK);

describe('cloth', () => {
  const codes = (change: Partial<Piece['cloth']>, more: Partial<Piece> = {}): string[] =>
    plan({ cloth: { ...newChairSeat().cloth, ...change }, ...more }).warnings.map(({ code }) => code);

  it.each<[string, Partial<Piece['cloth']>, Partial<Piece>]>([
    ['pile-on-foam', { weave: 'pile' }, { wadding: null }],
    ['coated-staples', { coated: true }, {}],
    ['nap-against', { nap: 'pile', direction: 'across' }, {}],
    ['nap-turned', { nap: 'one-way', direction: 'any' }, {}],
    ['not-pre-shrunk', { fibre: 'cotton' }, {}],
    ['stripe-pulled', { repeatAcross: 60, pull: 'taut' }, {}],
  ])('warns: %s', (code, change, more) => {
    expect(codes(change, more)).toContain(code);
    expect(codes({ pull: 'firm' })).not.toContain(code);
  });

  it('other ways and stretchier cloths are tried, and only what asks less is offered', () => {
    const domed: Piece = {
      ...newPiece('round-seat'),
      cloth: { ...newChairSeat().cloth, stretchWarp: 0.4, stretchWeft: 0.4 },
      covering: { way: 'saddle-set', bandCut: 'straight' },
    };
    const { share, proposals } = proposalsOf({ piece: domed, house: {}, planner: sharedPlanner });
    expect(share).toBeGreaterThan(1);
    expect(proposals.length).toBeGreaterThan(1);
    for (const proposal of proposals) {
      expect(proposal.share).toBeLessThan(share);
      const again = planPiece(proposal.apply, {}, { sits: false, planner: sharedPlanner }).cover.strain!.share;
      expect(Math.abs(again / proposal.share - 1)).toBeLessThan(0.02);
    }
    expect(proposals.map(({ id }) => id)).toContain('bow');
    expect(proposals.some(({ id }) => id.startsWith('cloth-'))).toBe(true);
  });
});

describe('corners, one by one', () => {
  const folds = (change: Partial<Piece>) => {
    const answer = sheetView({ piece: { ...newChairSeat(), ...change }, house: {}, parts: ['cover'], preview: true }, sharedPlanner);
    if ('problems' in answer) throw new Error(answer.problems[0]!.message);
    return answer.view.folds;
  };
  const rectangle = (radius: number): Partial<Piece> => ({
    base: { ...newChairSeat().base, shape: { type: 'rectangle', width: 400, depth: 380, cornerRadius: { front: radius, back: radius } } },
  });

  it('a sharp corner of thin cloth is folded once; thick or coated cloth is cut away, leaving a tail', () => {
    const thin = folds(rectangle(0));
    expect(thin).toHaveLength(4);
    expect(thin.map(({ kind }) => kind)).toEqual(['sharp', 'sharp', 'sharp', 'sharp']);
    expect(thin[0]!.cutAway).toBeNull();
    expect(thin.every(({ way, pleats }) => way === 'parcel fold' && pleats === 1)).toBe(true);
    // What does not ease is folded.
    expect(thin[0]!.depth * 2 * thin[0]!.pleats + thin[0]!.eased).toBeCloseTo(thin[0]!.fullness, 2);
    const coated = folds({ ...rectangle(0), cloth: { ...newChairSeat().cloth, coated: true } });
    expect(coated[0]!.way).toBe('bulk cut away');
    expect(coated[0]!.cutAway).not.toBeNull();
    expect(coated[0]!.steps.join(' ')).toContain('tail');
  });

  it('rounded, odd-angled, inside and notched corners are told apart', () => {
    expect(folds(rectangle(60))[0]!.kind).toBe('round');
    const tapered: Partial<Piece> = {
      base: {
        ...newChairSeat().base,
        shape: { type: 'trapezoid', frontWidth: 560, backWidth: 240, depth: 300, cornerRadius: { front: 0, back: 0 } },
      },
    };
    expect(folds(tapered).map(({ kind }) => kind)).toContain('odd');
    const base = newChairSeat();
    const notched = folds({
      base: { ...base.base, notches: [{ id: 'n-1', at: { kind: 'corner', name: 'back left' }, width: 40, depth: 40 }] },
    });
    const inside = notched.find(({ kind }) => kind === 'notched')!;
    expect(inside.way).toBe('cut in');
    expect(inside.cut).not.toBeNull();
    expect(inside.steps[0]).toContain('12 mm');
  });

  it('a board twice as long as wide gets parcel ends, whatever the cloth', () => {
    const long = folds({
      base: { ...newChairSeat().base, shape: { type: 'rectangle', width: 1200, depth: 400, cornerRadius: { front: 0, back: 0 } } },
      cloth: { ...newChairSeat().cloth, thickness: 1.6 },
    });
    expect(long.map(({ way }) => way)).toEqual(Array(4).fill('parcel fold'));
  });

  it('a rounded corner is tucked twice, three times at the most; a wide one is gathered', () => {
    for (const radius of [20, 30, 40, 55, 69]) {
      const foldPlans = folds(rectangle(radius));
      expect(foldPlans.every(({ way, pleats }) => way === 'tucks' && pleats >= 2 && pleats <= 3)).toBe(true);
    }
    expect(folds(rectangle(40)).map(({ pleats }) => pleats)).toEqual([2, 2, 2, 2]);
    expect(folds(rectangle(90)).map(({ way, pleats }) => [way, pleats])).toEqual(Array(4).fill(['gathered', 0]));
    // A cloth that stretches eases more of it.
    const stretch = folds({ ...rectangle(40), cloth: { ...newChairSeat().cloth, weave: 'knit', stretchWarp: 15, stretchWeft: 25 } });
    expect(stretch[0]!.eased).toBeGreaterThan(folds(rectangle(40))[0]!.eased);
  });

  it('relief cuts become pie cuts where cloth is too thick to lie double', () => {
    const round = newPiece('chair-seat', { type: 'round', diameter: 380 });
    const wedge = (thickness: number): number =>
      Math.max(...planPiece({ ...round, cloth: { ...round.cloth, thickness } }, {}, QUICK).cover.relief!.cuts.map((cut) => cut.wedge));
    expect(wedge(1)).toBe(0);
    expect(wedge(2)).toBeGreaterThan(1);
  });

  it('of a sewn cover only what goes under the board is left over', () => {
    const pulled = plan({ covering: { way: 'pull-over' } });
    const boxed = plan({ covering: { way: 'boxed' } });
    pulled.corners.forEach((corner, i) => {
      const station = pulled.stations.find(({ id }) => id === corner.station)!;
      expect(corner.fullness - boxed.corners[i]!.fullness).toBeCloseTo(corner.turn * station.side, 1);
    });
  });
});

describe('seams', () => {
  it('half a millimetre is not worth a word; a lip that its panel does not meet by a centimetre is', () => {
    const small = { type: 'rectangle' as const, width: 450, depth: 420, cornerRadius: { front: 0, back: 0 } };
    const label = (kind: 'round-seat' | 'headboard-bordered', covering: Piece['covering']) =>
      planPiece({ ...(kind === 'headboard-bordered' ? newPiece(kind, small) : newPiece(kind)), covering }, {}, QUICK).warnings.filter(
        ({ code }) => code === 'seam-eased',
      );
    expect(label('round-seat', { way: 'boxed' })).toEqual([]);
    const lip = label('headboard-bordered', { way: 'lipped', lip: 20 });
    expect(lip).toHaveLength(1);
    expect(lip[0]!.message).toMatch(/^Lip: the cloth differs by \d/);
  });
});

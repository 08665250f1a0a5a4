import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece, STARTING_SHAPES, type BaseShape, type StripRecord } from '../piece';
import { cornerWords } from '../cover';
import { planPiece } from '../plan';
import { oldStaples } from '../strip';
import { stapleLeg } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

const rules = { bite: 6, clear: 2 };

describe('stapleLeg', () => {
  it.each([
    [1, 12, 8, true],
    [2, 18, 10, true],
    [3.5, 18, 14, true],
    [1, 6, 6, false],
    // It goes through 8 mm of cloth first: 6 mm of the 14 are in the wood.
    [4, 12, 14, true],
    // trade.md: leather of 2.4 mm on a board of 10 takes a leg of 10 to 12.
    [2.4, 10, 12, true],
  ])('cloth %d on a board of %d: leg %d', (cloth, board, leg, fits) => {
    expect(stapleLeg(cloth, board, rules)).toMatchObject({ leg, fits });
    if (fits) {
      expect(leg).toBeGreaterThanOrEqual(2 * cloth + 6);
      expect(leg - 2 * cloth).toBeLessThanOrEqual(board - 2);
    }
  });
});

describe('the gun there is', () => {
  it('chooses among the legs that it takes, and says which would hold where it takes none of those', () => {
    expect(stapleLeg(1, 18, rules, [10, 16])).toMatchObject({ leg: 10, fits: true, withoutGun: null });
    expect(stapleLeg(1, 18, rules, [4, 6])).toMatchObject({ leg: 8, fits: false, withoutGun: 8 });
    // No gun in the world helps a board of 6.
    expect(stapleLeg(1, 6, rules, [4, 16])).toMatchObject({ fits: false, withoutGun: null });
  });

  it('is a house rule: the usual one shoots what every kind begins with, a small one is warned of by what it lacks', () => {
    const chair = newChairSeat();
    const codes = (house: Record<string, number>, piece = chair): string[] =>
      planPiece(piece, house, QUICK).warnings.map(({ code }) => code);
    expect(codes({})).not.toContain('gun-leg');
    const [small] = planPiece(chair, { gunLongest: 6 }, QUICK).warnings.filter(({ code }) => code === 'gun-leg');
    expect(small!.message).toMatch(/^A leg of 8 mm would hold, but the gun takes 4 mm to 6 mm/);
    // Too long for a thin board: a thicker one is offered, as ever.
    const thin = {
      ...chair,
      base: { ...chair.base, board: { material: 'plywood', thickness: 8 } },
      cloth: { ...chair.cloth, thickness: 0.5 },
    };
    expect(codes({ gunShortest: 8 }, thin)).toContain('staple-leg');
  });

  it('is held against the staples that came off: same leg, another crown', () => {
    const strip = (crown: number, leg: number): StripRecord => ({
      ...{ findings: [], press: null, cover: [], tasks: [] },
      items: [{ id: 's', what: 'fastener', name: 'Staples', where: '', count: 40, crown, leg, thickness: 0, again: 'replace', photos: [] }],
    });
    const of = (crown: number, leg: number): string | null => oldStaples(strip(crown, leg), 18, 2, { legs: [6, 16], crown: 12 })[0]!.gun;
    expect(of(12.3, 8)).toBeNull();
    expect(of(5, 8)).toMatch(/crown is not the gun’s 12 mm/);
    expect(of(12, 4)).toMatch(/legs of 6 to 16 mm/);
    // A crown that was not measured is not held against it.
    expect(of(0, 8)).toBeNull();
  });
});

describe('the order of stapling', () => {
  const plan = planPiece(newChairSeat(), {}, QUICK);
  const { order } = plan.fixing;

  it('takes the centres of opposite sides first and the corners last', () => {
    expect(order.slice(0, 4).map((s) => s.edge)).toEqual(['front', 'back', 'left', 'right']);
    expect(order.slice(0, 4).every((s) => s.kind === 'centre')).toBe(true);
    const firstCorner = order.findIndex((s) => s.kind === 'corner');
    expect(order.slice(firstCorner).every((s) => s.kind === 'corner')).toBe(true);
    expect(order[firstCorner]!.edge).not.toBe(order.at(-1)!.edge);
  });

  it('works outwards: every later staple of an edge is at least as far from its centre', () => {
    for (const edge of ['front', 'back']) {
      const values = order.filter((s) => s.edge === edge && s.kind !== 'corner').map((s) => Math.abs(s.x));
      values.forEach((x, i) => i > 0 && expect(x).toBeGreaterThanOrEqual(values[i - 1]! - 0.01));
    }
  });

  it('keeps to the pitch and leaves the corners open', () => {
    const front = order
      .filter((s) => s.edge === 'front' && s.kind !== 'corner')
      .map((s) => s.x)
      .sort((a, b) => a - b);
    front.forEach((x, i) => i > 0 && expect(x - front[i - 1]!).toBeLessThanOrEqual(22.01));
    expect(front.at(-1)! - front[0]!).toBeLessThan(450 - 2 * 50);
  });

  it('round: even all the way, opposite places in turn', () => {
    const shape: BaseShape = { type: 'round', diameter: 380 };
    const round = planPiece(newChairSeat(shape), {}, QUICK).fixing.order;
    const angles = round.map((s) => Math.atan2(s.y, s.x)).sort((a, b) => a - b);
    const gap = (2 * Math.PI) / round.length;
    angles.forEach((a, i) => i > 0 && expect(a - angles[i - 1]!).toBeCloseTo(gap, 2));
    expect(round[0]!.x + round[1]!.x).toBeCloseTo(0, 1);
    expect(round[0]!.y + round[1]!.y).toBeCloseTo(0, 1);
  });
});

describe('corners', () => {
  const shape: BaseShape = { type: 'rectangle', width: 400, depth: 400, cornerRadius: { front: 40, back: 40 } };

  it('fullness is θ·(side + return); what does not ease is tucked', () => {
    const plan = planPiece({ ...newChairSeat(shape), wadding: null }, {}, QUICK);
    for (const corner of plan.corners) {
      const station = plan.stations.find((s) => s.id === corner.station)!;
      expect(corner.fullness).toBeCloseTo((Math.PI / 2) * (station.side + station.return), 1);
      expect(corner.eased + 2 * corner.pleats * corner.depth).toBeCloseTo(corner.fullness, 1);
      expect(corner.depth).toBeLessThanOrEqual(25);
    }
  });

  it('say the same in the drawing, the staples, the steps and the minutes', () => {
    const plan = planPiece(newChairSeat(), {}, QUICK);
    const words = plan.steps.find(({ key }) => key === 'corners')!;
    expect(plan.corners.map(cornerWords)).toEqual(Array(4).fill('2 tucks'));
    expect(words.detail).toMatch(/^All 4, 2 tucks: /);
    // One staple in the middle and one for each tuck.
    expect(plan.fixing.order.filter(({ kind }) => kind === 'corner')).toHaveLength(4 * 3);
    expect(words.minutes).toBe(6);
    const bench = planPiece(newPiece('bench'), {}, QUICK);
    expect(bench.corners.map(cornerWords)).toEqual(Array(4).fill('parcel fold'));
    const boxed = planPiece({ ...newChairSeat(), covering: { way: 'boxed' } }, {}, QUICK);
    expect(boxed.corners.map(({ pleats }) => pleats)).toEqual([0, 0, 0, 0]);
  });

  it('a round pulled seat of 380 is gathered, with a dozen snips at the most and not one to every staple', () => {
    const plan = planPiece(newChairSeat({ type: 'round', diameter: 380 }), {}, QUICK);
    const relief = plan.cover.relief!;
    expect(relief.gather).toBeGreaterThan(0);
    expect(relief.cuts.length).toBeLessThanOrEqual(12);
    expect(relief.cuts.length).toBeLessThanOrEqual(plan.fixing.order.length / 2);
    expect(plan.steps.find(({ key }) => key === 'relief')!.detail).toContain('gathered under the board');
    // A large round one asks less of each staple than it can gather.
    const large = planPiece(newChairSeat({ type: 'round', diameter: 1400 }), {}, QUICK);
    expect(large.cover.relief?.cuts ?? []).toEqual([]);
  });

  it('a hollow opens by no more than the rule at the root of its cuts', () => {
    const kidney = planPiece(newPiece('bench', STARTING_SHAPES.kidney), {}, QUICK);
    const hollow = kidney.cover.relief!.cuts;
    expect(hollow.length).toBeGreaterThan(2);
  });
});
